// Ids made on the device, so that a mark sent twice is one mark.
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

export const ulid = (now = Date.now()) => {
  let time = '';
  for (let i = 0, rest = now; i < 10; i += 1) {
    time = ALPHABET[rest % 32] + time;
    rest = Math.floor(rest / 32);
  }
  const random = crypto.getRandomValues(new Uint8Array(16));
  return time + Array.from(random, (byte) => ALPHABET[byte % 32]).join('');
};

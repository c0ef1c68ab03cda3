// A photo under the belt board, to scale: two points whose distance is known, then the middle of the pulley that drives. It stays on
// the device and is sent nowhere.
const MOST_PX = 1600;
const NS = 'http://www.w3.org/2000/svg';

/** The picture, where it lies in mm of the board (y down), and the taps that are still wanted. */
let photo = null;
let taps = null;

const board = () => document.querySelector('svg.board');

/** What the server drew has no photo under it: it is laid there again. */
export const layPhoto = () => {
  if (!photo || !board() || board().querySelector('.photo')) return;
  const place = document.createElementNS(NS, 'foreignObject');
  place.setAttribute('class', 'photo');
  for (const [name, value] of [['x', photo.x], ['y', photo.y], ['width', photo.wide], ['height', photo.high]]) place.setAttribute(name, String(value));
  place.append(photo.canvas);
  board().prepend(place);
};

const move = (x, y, factor, dx = 0, dy = 0) => {
  photo.x = x + (photo.x - x) * factor + dx;
  photo.y = y + (photo.y - y) * factor + dy;
  photo.wide *= factor;
  photo.high *= factor;
  board().querySelector('.photo')?.remove();
  layPhoto();
};

/** A tap on the board while the photo is being laid; true where it was one of those. */
export const tapPhoto = (at) => {
  if (!taps) return false;
  taps.points.push(at);
  const [a, b, middle] = taps.points;
  if (middle) {
    move(0, 0, 1, taps.to[0] - middle[0], taps.to[1] - middle[1]);
    taps.said('Drag each pulley on to the picture');
    taps = null;
  } else if (b) {
    const far = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (far > 0) move(a[0], a[1], taps.known / far);
    taps.said(`Tap the middle of the ${taps.name}`);
  } else taps.said('Tap the other of the two');
  return true;
};

/** @param {File} file @param {number} known mm between the two points @param {[number, number]} to where the driver stands, y down */
export const beginPhoto = async (file, known, to, name, said) => {
  let picture;
  try {
    picture = await createImageBitmap(file);
  } catch {
    said('This is no picture that can be shown');
    return;
  }
  const shrink = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(picture.width * shrink), Math.round(picture.height * shrink)];
  canvas.getContext('2d').drawImage(picture, 0, 0, canvas.width, canvas.height);
  const [left, top, wide, high] = board().getAttribute('viewBox').split(' ').map(Number);
  const fit = Math.min(wide / canvas.width, high / canvas.height);
  board().querySelector('.photo')?.remove();
  photo = { canvas, x: left, y: top, wide: canvas.width * fit, high: canvas.height * fit };
  taps = { points: [], known, to, name, said };
  layPhoto();
  board().scrollIntoView({ block: 'center' });
  said('Tap the first of two points');
};

export const dropPhoto = () => {
  board()?.querySelector('.photo')?.remove();
  [photo, taps] = [null, null];
};

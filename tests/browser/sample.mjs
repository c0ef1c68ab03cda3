// A part of a large list, another part at every commit; all of it with NK_ALL=1. NK_SEED, which bin/test takes from the commit, says which.
const ALL = Boolean(process.env.NK_ALL);
const SEED = Number(process.env.NK_SEED ?? 1);

/** Mixes a name and a number to one that looks like neither: fnv-1a. */
const mixed = (text) => { let h = 2166136261; for (const c of text) h = Math.imul(h ^ c.charCodeAt(0), 16777619) >>> 0; return h; };

/** One in so many, in their order, at least one. */
export const sample = (list, of, oneIn) => {
  if (ALL) return list;
  const wanted = Math.max(1, Math.ceil(list.length / oneIn));
  const taken = new Set(list.map((_, i) => [mixed(`${of} ${SEED} ${i}`), i]).sort((a, b) => a[0] - b[0]).slice(0, wanted).map(([, i]) => i));
  return list.filter((_, i) => taken.has(i));
};

/** Numbers from 1 to so many, or a part of them. */
export const seeds = (count, of, oneIn) => sample(Array.from({ length: count }, (_, i) => i + 1), of, oneIn);

// Where marks and pictures wait until the server has them: in the browser's database, written through to the disk; the marks beside it at
// hand for this page as well. Both are read when a page begins: what either has is sent, and a mark sent twice is one mark.
import { openDatabase, openIfThere, within } from './database.js';

const KEY = 'nk-outbox';
const NAME = 'nk-tablet';
const MARKS = 'marks';
const PICTURES = 'pictures';
/** Where they lay before, each in a database of its own. A page that has not been loaded since may still put something there. */
const BEFORE = [['nk-queue', 'marks', MARKS], ['nk-pictures', 'blobs', PICTURES]];

let durable = Promise.resolve(true);
const taken = new Set();

const open = () => openDatabase(NAME, { [MARKS]: { keyPath: 'id' }, [PICTURES]: {} });

const bringOver = async (name, from, to) => {
  const old = await openIfThere(name);
  if (!old) return;
  try {
    if (!old.objectStoreNames.contains(from)) return;
    const [keys, values] = [await within(old, from, 'readonly', (store) => store.getAllKeys()), await within(old, from, 'readonly', (store) => store.getAll())];
    if (keys.length === 0 || keys.length !== values.length) return;
    const base = await open();
    try {
      await within(base, to, 'readwrite', (store) => values.forEach((value, i) => (store.keyPath ? store.put(value) : store.put(value, keys[i]))));
    } finally {
      base.close();
    }
    // Only what has been brought over leaves its old place.
    await within(old, from, 'readwrite', (store) => keys.forEach((key) => store.delete(key)));
  } finally {
    old.close();
  }
};

let brought = null;
const ready = () => {
  brought ??= Promise.all(BEFORE.map((one) => bringOver(...one).catch(() => { /* it stays where it lies, for the next page */ })));
  return brought;
};

const run = async (store, mode, act) => {
  await ready();
  const base = await open();
  try {
    return await within(base, store, mode, act);
  } finally {
    base.close();
  }
};

/** Pictures are too large for where the marks lie. */
export const keepBlob = (id, blob) => run(PICTURES, 'readwrite', (store) => store.put(blob, id));
export const blob = (id) => run(PICTURES, 'readonly', (store) => store.get(id));
export const dropBlob = (id) => run(PICTURES, 'readwrite', (store) => store.delete(id));

export const load = () => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]');
  } catch {
    return [];
  }
};

/** In the order they were made: ids begin with the time. */
const inOrder = (marks) => [...marks].sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0) || (a.id < b.id ? -1 : 1));

export const store = (marks) => {
  const before = new Map(load().map((one) => [one.id, JSON.stringify(one)]));
  localStorage.setItem(KEY, JSON.stringify(marks));
  const gone = [...before.keys()].filter((id) => !marks.some((one) => one.id === id));
  const changed = marks.filter((one) => before.get(one.id) !== JSON.stringify(one));
  if (gone.length === 0 && changed.length === 0) return;
  for (const id of gone) taken.add(id);
  // One after the other, so that what was put last stands.
  durable = durable.then(() => run(MARKS, 'readwrite', (base) => {
    for (const one of changed) base.put(one);
    for (const id of gone) base.delete(id);
  })).then(() => true).catch(() => false);
};

/** Once what was stored is on the disk; false where the browser keeps no database. */
export const onDisk = () => durable;

/** Brings together what the page and the database have: not what was sent, or thrown away, since this page began. */
export const reconcile = async () => {
  const kept = await run(MARKS, 'readonly', (base) => base.getAll()).catch(() => []);
  const here = load();
  const missing = (kept ?? []).filter((one) => !taken.has(one.id) && !here.some((mine) => mine.id === one.id));
  if (missing.length > 0) store(inOrder([...here, ...missing]));
  return missing.length;
};

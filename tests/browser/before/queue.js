// Where marks wait until the server has them: in the browser's database, written through to the disk, and beside it at hand for this page.
// Both are read when a page begins: what either has is sent, and a mark sent twice is one mark.
const KEY = 'nk-outbox';
const NAME = 'nk-queue';
const STORE = 'marks';

let durable = Promise.resolve(true);

const open = () => new Promise((done, failed) => {
  const asked = indexedDB.open(NAME, 1);
  asked.onupgradeneeded = () => asked.result.createObjectStore(STORE, { keyPath: 'id' });
  asked.onsuccess = () => done(asked.result);
  asked.onerror = () => failed(asked.error);
});

const run = async (mode, act) => {
  const base = await open();
  try {
    return await new Promise((done, failed) => {
      const work = base.transaction(STORE, mode, { durability: 'strict' });
      const result = act(work.objectStore(STORE));
      work.oncomplete = () => done(result?.result);
      work.onerror = () => failed(work.error);
      work.onabort = () => failed(work.error);
    });
  } finally {
    base.close();
  }
};

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
  // One after the other, so that what was put last stands.
  durable = durable.then(() => run('readwrite', (base) => {
    for (const one of changed) base.put(one);
    for (const id of gone) base.delete(id);
  })).then(() => true).catch(() => false);
};

/** Once what was stored is on the disk; false where the browser keeps no database. */
export const onDisk = () => durable;

/** Brings together what the page and the database have. */
export const reconcile = async () => {
  const kept = await run('readonly', (base) => base.getAll()).catch(() => []);
  const here = load();
  const missing = (kept ?? []).filter((one) => !here.some((mine) => mine.id === one.id));
  if (missing.length > 0) store(inOrder([...here, ...missing]));
  return missing.length;
};

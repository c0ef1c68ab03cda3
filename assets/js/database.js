// The browser's database, as promises: what an act asked for is there once it is written through to the disk.

const answered = (asked) => new Promise((done, failed) => {
  asked.onsuccess = () => done(asked.result);
  asked.onerror = () => failed(asked.error);
});

/** Opened, with its stores made where it is new: name => options. */
export const openDatabase = (name, stores) => {
  const asked = indexedDB.open(name, 1);
  asked.onupgradeneeded = () => Object.entries(stores).forEach((one) => asked.result.createObjectStore(...one));
  return answered(asked);
};

/** A database that is there, or null: asking for one that is not would make it. */
export const openIfThere = (name) => {
  const asked = indexedDB.open(name);
  asked.onupgradeneeded = () => asked.transaction.abort();
  return answered(asked).catch(() => null);
};

/** What the act asked for, once it is written through. */
export const within = (base, store, mode, act) => new Promise((done, failed) => {
  const work = base.transaction(store, mode, { durability: 'strict' });
  const result = act(work.objectStore(store));
  work.oncomplete = () => done(result?.result);
  work.onerror = () => failed(work.error);
  work.onabort = () => failed(work.error);
});

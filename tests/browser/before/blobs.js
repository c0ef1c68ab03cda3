// Pictures that wait on this tablet: too large for where the marks lie, so they lie in the browser's database until they are sent.
const NAME = 'nk-pictures';
const STORE = 'blobs';

const open = () => new Promise((done, failed) => {
  const asked = indexedDB.open(NAME, 1);
  asked.onupgradeneeded = () => asked.result.createObjectStore(STORE);
  asked.onsuccess = () => done(asked.result);
  asked.onerror = () => failed(asked.error);
});

const run = async (mode, act) => {
  const base = await open();
  try {
    return await new Promise((done, failed) => {
      const work = base.transaction(STORE, mode, { durability: 'strict' });
      const asked = act(work.objectStore(STORE));
      work.oncomplete = () => done(asked.result);
      work.onerror = () => failed(work.error);
      work.onabort = () => failed(work.error);
    });
  } finally {
    base.close();
  }
};

export const keepBlob = (id, blob) => run('readwrite', (store) => store.put(blob, id));
export const blob = (id) => run('readonly', (store) => store.get(id));
export const dropBlob = (id) => run('readwrite', (store) => store.delete(id));

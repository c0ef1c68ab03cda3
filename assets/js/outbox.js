// Marks made on the bench. Each is written to the device first, then sent; it leaves the device only when the server says that
// it has it. A refused one stays, with its reason, until it is sent again, corrected or thrown away by hand.
import { ulid } from './ulid.js';
import { bench, have, pulse, show, turned } from './sync.js';
import { blob, dropBlob, keepBlob, load, reconcile, store } from './queue.js';

const DEVICE = 'nk-device';
const SHOW_AFTER_MS = 400;
const PATIENCE_MS = 3000;
const RETRY_MS = [1000, 2000, 4000, 8000, 15000, 30000];

let sending = false;
let timer = null;
let failures = 0;
let since = 0;
let seq = Date.now();
let tools = { token: () => '', say: () => {} };
const refusedHere = new Map();

const person = () => document.querySelector('[data-person]')?.dataset.person ?? '';
const mine = (mark) => mark.by === person();
const waiting = () => load().filter((mark) => !mark.refused);

const device = () => {
  let id = localStorage.getItem(DEVICE);
  if (!id) {
    id = ulid();
    localStorage.setItem(DEVICE, id);
  }
  return id;
};

const counted = (marks, one, many) => `${marks} ${marks === 1 ? one : many}`;

const text = () => {
  const own = waiting().filter(mine).length;
  const others = load().filter((mark) => !mine(mark));
  if (own > 0 && isOffline()) return `No connection. ${counted(own, 'mark is', 'marks are')} safe on this tablet and will be sent.`;
  if (own > 0) return `Sending ${counted(own, 'mark', 'marks')}`;
  if (others.length > 0) return `${counted(others.length, 'mark', 'marks')} of ${others[0].byName ?? others[0].by} wait on this tablet. Sign in as that person to send them.`;
  return isOffline() ? 'No connection. Marks are kept on this tablet.' : '';
};

/** On every page, how many marks wait on this tablet. */
const badge = () => {
  const all = load().length;
  for (const place of document.querySelectorAll('[data-waiting]')) {
    place.hidden = all === 0 || (failures === 0 && sending);
    place.textContent = `${counted(all, 'mark waits', 'marks wait')} here`;
  }
};

/** Lies over the page, and only once something takes longer than a blink. */
const tell = () => {
  badge();
  const strip = document.getElementById('keeping');
  if (!strip) return;
  const said = text();
  const slow = isOffline() || !sending || Date.now() - since >= SHOW_AFTER_MS;
  strip.dataset.state = isOffline() ? 'offline' : 'sending';
  strip.hidden = said === '' || !slow;
  if (said) strip.querySelector('[data-text]').textContent = said;
};

const button = (label, act, batch) => {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = 'slab small';
  made.dataset[act] = batch;
  made.textContent = label;
  return made;
};

const tellRefused = () => {
  const box = document.getElementById('refused');
  if (!box) return;
  const batches = [...new Map(load().filter((mark) => mark.refused && mine(mark)).map((mark) => [mark.batch, mark])).values()];
  box.replaceChildren(...batches.map((mark) => {
    const row = document.createElement('p');
    const said = document.createElement('span');
    said.textContent = `${mark.words ? `${mark.words}: ` : ''}${mark.refused}`;
    if (mark.payload.step) {
      const there = document.createElement('a');
      there.href = `/fits/${mark.fit}/bench/${mark.payload.step}`;
      there.textContent = mark.title || 'Its step';
      row.append(there);
    }
    row.append(said, button('Send again', 'again', mark.batch), button('Throw away', 'throwAway', mark.batch));
    return row;
  }));
  if (batches.length > 1) {
    const all = document.createElement('p');
    const said = document.createElement('span');
    said.textContent = `${batches.length} marks did not agree with what the server has.`;
    all.append(said, button('Throw all away', 'throwAll', ''));
    box.prepend(all);
  }
  box.hidden = batches.length === 0;
};

const refuse = (batch, message) => {
  const atField = refusedHere.get(batch);
  refusedHere.delete(batch);
  if (atField && atField(message)) {
    store(load().filter((mark) => mark.batch !== batch));
  } else {
    store(load().map((mark) => (mark.batch === batch ? { ...mark, refused: message } : mark)));
  }
  tools.say(message);
  tellRefused();
  pulse(true);
};

/** Another mark has the id of one of these: they stay here under new ids, to be looked at and sent again. */
const other = async (batch, message) => {
  const fresh = [];
  for (const mark of load()) {
    if (mark.batch !== batch) { fresh.push(mark); continue; }
    const id = ulid();
    if (mark.photo) await keepBlob(id, await blob(mark.id));
    fresh.push({ ...mark, id });
  }
  store(fresh);
  return refuse(batch, message ?? 'Something else is kept under the id of this mark.');
};

/** A picture goes by itself: the file as the body, what it is of in the address. */
const sendPhoto = async (one) => {
  const file = await blob(one.id);
  if (!file) return refuse(one.batch, 'The picture is no longer on this tablet. Take it again.');
  const query = new URLSearchParams({ ...one.payload, event: one.id, at: one.at, sent: new Date().toISOString(), device: device() });
  const response = await fetch(`/fits/${one.fit}/photos?${query}`, {
    method: 'POST', headers: { 'Content-Type': file.type, Accept: 'application/json', 'X-CSRF-Token': tools.token() }, body: file,
    signal: AbortSignal.timeout(60000),
  });
  if (response.redirected || response.status === 401 || response.status === 403) throw new Error('signed out');
  if (response.status === 409) return other(one.batch, (await response.json()).error?.message);
  if (response.status === 422 || response.status === 413) {
    const said = response.status === 413 ? await response.text() : (await response.json()).error?.message;
    return refuse(one.batch, said ?? 'The server did not take it.');
  }
  if (!response.ok) throw new Error(`server ${response.status}`);
  document.dispatchEvent(new CustomEvent('nk:sent', { detail: [one] }));
  store(load().filter((mark) => mark.id !== one.id));
  await dropBlob(one.id);
  tools.say('Picture kept.');
  if (bench()?.dataset.fit === one.fit) pulse(true);
  document.dispatchEvent(new CustomEvent('nk:photo-kept', { detail: one.id }));
  return undefined;
};

const send = async (marks) => {
  if (marks[0].photo) return sendPhoto(marks[0]);
  const { fit } = marks[0];
  const here = bench()?.dataset.fit === fit;
  const body = {
    events: marks.map(({ id, type, payload, at, law, seen }) => ({ id, type, payload, at, law, seen })), device: device(), sent: new Date().toISOString(),
    ...(here ? { view: { step: bench().dataset.step, have: have() } } : {}),
  };
  const response = await fetch(`/fits/${fit}/events`, {
    method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-Token': tools.token() },
    body: JSON.stringify(body), signal: AbortSignal.timeout(15000),
  });
  if (response.redirected || response.status === 401 || response.status === 403) throw new Error('signed out');
  const answer = await response.json();
  if (response.status === 409) return other(marks[0].batch, answer.error?.message);
  if (response.status === 422) return refuse(marks[0].batch, answer.error?.message ?? 'The server did not take it.');
  if (!response.ok) throw new Error(`server ${response.status}`);
  const kept = new Set(answer.kept);
  document.dispatchEvent(new CustomEvent('nk:sent', { detail: marks }));
  store(load().filter((mark) => !kept.has(mark.id)));
  refusedHere.delete(marks[0].batch);
  document.dispatchEvent(new CustomEvent('nk:kept', { detail: answer.kept }));
  if (here && waiting().filter(mine).length === 0) show(answer);
  tools.say('Kept.');
  return undefined;
};

const later = () => {
  failures += 1;
  refusedHere.clear();
  if (failures === 1) document.dispatchEvent(new CustomEvent('nk:line', { detail: true }));
  clearTimeout(timer);
  timer = setTimeout(() => { timer = null; flush(); }, RETRY_MS[Math.min(failures, RETRY_MS.length) - 1]);
};

export const flush = async () => {
  if (sending || timer) return tell();
  sending = true;
  since = Date.now();
  setTimeout(tell, SHOW_AFTER_MS + 20);
  try {
    for (let marks = waiting().filter(mine); marks.length > 0; marks = waiting().filter(mine)) {
      // One call a tap: a refused one takes no other tap with it.
      await send(marks.filter((mark) => mark.batch === marks[0].batch));
      if (failures > 0 || isDown) {
        failures = 0;
        isDown = false;
        document.dispatchEvent(new CustomEvent('nk:line', { detail: false }));
      }
    }
  } catch (error) {
    if (failures === 0) tools.say(error.message === 'signed out' ? 'You are signed out. The marks are kept here; sign in again to send them.' : 'No connection. Marks are kept on this tablet.');
    later();
  } finally {
    sending = false;
    tell();
  }
};

/** Keeps the marks of one tap and sends them. “atField” is told of a refusal first, and says whether it showed it. */
/** What a mark is made by: the law this tablet knows, and the log as far as it has seen it. */
const bySight = () => ({ law: bench()?.dataset.law ?? '', seen: Number(bench()?.dataset.version ?? 0) });

/** What the step is called, for when its mark comes back and it is out of sight. */
const titleHere = (step) => (step && step === bench()?.dataset.step ? document.getElementById('step-title')?.textContent ?? '' : '');

export const mark = (fit, events, { words = '', atField = null, sight = bySight() } = {}) => {
  const now = Date.now();
  const batch = ulid(now);
  const made = events.map(({ type, local, ...payload }) => ({ id: ulid(now), seq: (seq += 1), local, type, payload, at: new Date(now).toISOString(), fit, batch, by: person(), byName: document.querySelector('meta[name="person"]')?.content, words, title: titleHere(payload.step), ...sight }));
  store([...load(), ...made]);
  turned();
  // What waits is refused later, when its field is long out of sight: then it is listed.
  if (atField && !isOffline()) refusedHere.set(batch, atField);
  flush();
  return made.map((one) => one.id);
};

/** Keeps a picture on the device, then sends it in its turn among the marks. */
export const photo = async (fit, payload, file) => {
  const now = Date.now();
  const id = ulid(now);
  await keepBlob(id, file);
  store([...load(), { id, seq: (seq += 1), type: 'photo-taken', photo: true, payload, at: new Date(now).toISOString(), fit, batch: ulid(now), by: person(), byName: document.querySelector('meta[name="person"]')?.content, words: 'Picture' }]);
  flush();
  return id;
};

let isDown = false;
export const isOffline = () => failures > 0 || isDown;

/** What the page finds when it asks for news: whether the server answers. */
const found = (answers) => {
  const was = isOffline();
  isDown = !answers;
  if (answers && failures > 0) {
    clearTimeout(timer);
    timer = null;
    flush();
  }
  if (was !== isOffline()) document.dispatchEvent(new CustomEvent('nk:line', { detail: isOffline() }));
  tell();
};

export const startOutbox = (given) => {
  tools = given;
  document.addEventListener('click', (event) => {
    const again = event.target.closest('[data-again]')?.dataset.again;
    const all = event.target.closest('[data-throw-all]') ? load().filter((one) => one.refused && mine(one)) : [];
    for (const one of all) if (one.photo) dropBlob(one.id);
    if (all.length > 0) store(load().filter((one) => !all.some((gone) => gone.id === one.id)));
    const thrown = event.target.closest('[data-throw-away]')?.dataset.throwAway;
    if (again) store(load().map((one) => (one.batch === again ? { ...one, refused: undefined } : one)));
    if (thrown) {
      for (const one of load()) if (one.batch === thrown && one.photo) dropBlob(one.id);
      store(load().filter((one) => one.batch !== thrown));
    }
    if (again || thrown || all.length > 0) {
      tellRefused();
      flush();
    }
  });
  window.addEventListener('online', () => { clearTimeout(timer); timer = null; flush(); });
  window.addEventListener('offline', () => found(false));
  document.addEventListener('nk:news', (event) => found(event.detail));
  tell();
  tellRefused();
  // What lies on the disk takes its place in the line first; a database that does not answer holds nothing up.
  reconcile().then(() => { tellRefused(); flush(); });
  setTimeout(flush, PATIENCE_MS);
};

// Marks made on the bench. Each is written to the device first, then sent; it leaves the device only once the server has kept it.
import { ulid } from './ulid.js';

const KEY = 'nk-outbox';
const RETRY_MS = 3000;

let sending = false;
let tools = { token: () => '', say: () => {} };

const load = () => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]');
  } catch {
    return [];
  }
};
const store = (marks) => localStorage.setItem(KEY, JSON.stringify(marks));

const show = () => {
  const waiting = load().length;
  const strip = document.getElementById('keeping');
  if (!strip) return;
  const offline = strip.dataset.state === 'offline';
  strip.hidden = waiting === 0 && !offline;
  const text = strip.querySelector('[data-text]');
  if (waiting > 0) {
    text.textContent = offline
      ? `No connection. ${waiting} ${waiting === 1 ? 'mark is' : 'marks are'} safe on this tablet and will be sent.`
      : `Sending ${waiting} ${waiting === 1 ? 'mark' : 'marks'}`;
  } else if (offline) {
    text.textContent = 'No connection. Marks are kept on this tablet until it is back.';
  }
};

const setState = (state) => {
  const strip = document.getElementById('keeping');
  if (strip) strip.dataset.state = state;
  show();
};

const refuse = (message) => {
  const box = document.getElementById('refused');
  if (!box) return;
  box.querySelector('[data-text]').textContent = message;
  box.hidden = false;
  tools.say(message);
};

const swapBench = (html) => {
  const fresh = new DOMParser().parseFromString(html, 'text/html').getElementById('bench');
  const old = document.getElementById('bench');
  if (!fresh || !old) return;
  if (fresh.dataset.go && fresh.dataset.go !== window.location.pathname) {
    window.location.assign(fresh.dataset.go);
    return;
  }
  const kept = Array.from(old.querySelectorAll('input[name], textarea[name]')).filter((field) => field.value !== field.defaultValue && field.dataset.sent !== 'yes');
  old.replaceWith(fresh);
  for (const field of kept) {
    const again = fresh.querySelector(`#${CSS.escape(field.id)}`);
    if (field.id && again) again.value = field.value;
  }
  window.htmx.process(fresh);
  document.dispatchEvent(new CustomEvent('bench:changed'));
};

const sendFor = async (fit, marks) => {
  const bench = document.getElementById('bench');
  const here = bench?.dataset.fit === fit;
  const response = await fetch(`/fits/${fit}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Accept: here ? 'text/html' : 'application/json', 'X-CSRF-Token': tools.token() },
    body: JSON.stringify({ events: marks.map(({ fit: _, ...event }) => event), step: here ? bench.dataset.step : '' }),
    signal: AbortSignal.timeout(15000),
  });
  if (response.redirected || response.status === 401 || response.status === 403) {
    refuse('You are signed out. Sign in again on this tablet; the marks are kept here and will be sent.');
    return false;
  }
  if (response.status >= 500) throw new Error(`server ${response.status}`);
  const sent = new Set(marks.map((mark) => mark.id));
  store(load().filter((mark) => !sent.has(mark.id)));
  const body = await response.text();
  if (!response.ok) {
    let message = 'That could not be kept.';
    try {
      message = JSON.parse(body).error.message;
    } catch { /* the sentence above stands */ }
    refuse(message);
  } else if (here) {
    swapBench(body);
    tools.say('Kept.');
  }
  return true;
};

export const flush = async () => {
  if (sending) return;
  sending = true;
  try {
    for (let marks = load(); marks.length > 0; marks = load()) {
      const fit = marks[0].fit;
      setState('sending');
      // One call a batch: marks of one tap share a batch, so a refused one takes no other tap with it.
      const batch = marks.filter((mark) => mark.fit === fit && mark.batch === marks[0].batch);
      if (!(await sendFor(fit, batch))) break;
    }
    setState('online');
  } catch {
    setState('offline');
    tools.say('No connection. Marks are kept on this tablet.');
    setTimeout(flush, RETRY_MS);
  } finally {
    sending = false;
  }
};

export const mark = (fit, events) => {
  const now = Date.now();
  const batch = ulid(now);
  const box = document.getElementById('refused');
  if (box) box.hidden = true;
  const marks = events.map(({ type, ...payload }) => ({ id: ulid(now), type, payload, at: new Date(now).toISOString(), fit, batch }));
  store([...load(), ...marks]);
  show();
  flush();
};

export const startOutbox = (given) => {
  tools = given;
  window.addEventListener('online', flush);
  show();
  flush();
};

// Press and hold: while it is held the simulated wrench pulls in real time; letting go ends the reading.
import { ulid } from './ulid.js';

const PIECE_MS = 150;

let held = null;
/** Pressed again before the server had taken the end of the last pull. */
let pressed = null;
let tools = { token: () => '', say: () => {} };

const send = async (ms, done) => {
  const pull = held;
  if (!pull) return;
  const body = new URLSearchParams({ device: pull.device, reading: pull.reading, ms: String(Math.round(ms)), eager: pull.eager, fault: pull.fault, done: done ? '1' : '' });
  const response = await fetch(pull.url, { method: 'POST', headers: { 'X-CSRF-Token': tools.token(), 'HX-Request-Type': 'partial' }, body }).catch(() => null);
  if (!response) {
    tools.say('No connection: this pull ended here. Pull again once it is back.');
    pull.over = true;
    return;
  }
  const text = await response.text();
  if (!response.ok) {
    tools.say(text);
    const place = document.getElementById(pull.target);
    if (place && response.status === 422) place.textContent = text;
    pull.over = true;
    return;
  }
  const fresh = new DOMParser().parseFromString(text, 'text/html').getElementById(pull.target);
  const old = document.getElementById(pull.target);
  if (!fresh || !old) return;
  old.replaceWith(fresh);
  window.htmx.process(fresh);
  if (fresh.dataset.marked === 'yes') fresh.dispatchEvent(new CustomEvent('nk:pulse', { bubbles: true }));
  if (fresh.dataset.end) pull.over = true;
};

const run = async () => {
  const pull = held;
  let last = performance.now();
  while (pull && !pull.released && !pull.over) {
    await new Promise((wake) => { pull.wake = wake; setTimeout(wake, PIECE_MS); });
    const now = performance.now();
    const end = pull.released;
    await send(now - last, end);
    pull.sentEnd = end;
    last = now;
  }
  if (pull && !pull.over && !pull.sentEnd) {
    pull.sentEnd = true;
    await send(0, true);
  }
  if (held === pull) held = null;
  const next = pressed;
  pressed = null;
  if (next?.isConnected) begin(next);
};

const begin = (button) => {
  if (held) {
    if (held.released || held.over) pressed = button;
    return;
  }
  const row = button.closest('[data-pull-url]');
  const now = Date.now();
  held = { url: row.dataset.pullUrl, target: row.dataset.pullTarget, device: row.dataset.device ?? '', reading: row.dataset.reading || ulid(now), eager: button.dataset.pull, fault: row.querySelector('[data-pull-fault]')?.value ?? '', released: false, over: false };
  button.classList.add('is-pressed');
  run();
};

const release = () => {
  for (const button of document.querySelectorAll('[data-pull].is-pressed')) button.classList.remove('is-pressed');
  pressed = null;
  if (!held) return;
  held.released = true;
  held.wake?.();
};

export const startPull = (given) => {
  tools = given;
  document.addEventListener('pointerdown', (event) => {
    const button = event.target.closest('[data-pull]');
    if (!button) return;
    event.preventDefault();
    button.focus();
    begin(button);
  });
  for (const end of ['pointerup', 'pointercancel', 'blur']) window.addEventListener(end, release);
  document.addEventListener('keydown', (event) => {
    const button = event.target.closest?.('[data-pull]');
    if (!button || (event.key !== ' ' && event.key !== 'Enter')) return;
    event.preventDefault();
    event.stopPropagation();
    if (!event.repeat) begin(button);
  }, true);
  document.addEventListener('keyup', (event) => {
    if (event.key === ' ' || event.key === 'Enter') release();
  }, true);
};

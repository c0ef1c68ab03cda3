// The simulated engine: once started it runs until it is switched off, stops by itself, or the page is left.
import { ulid } from './ulid.js';

const EVERY_MS = 500;
const SECONDS = 20;

let engine = null;
let tools = { token: () => '', say: () => {} };

const send = async (run, done) => {
  const body = new URLSearchParams({ device: run.device, reading: run.reading, seconds: String(done ? 0 : SECONDS), fault: run.fault, done: done ? '1' : '' });
  const response = await fetch(run.url, { method: 'POST', headers: { 'X-CSRF-Token': tools.token(), 'HX-Request-Type': 'partial' }, body, keepalive: done });
  const text = await response.text();
  // Switched off meanwhile: what that answers is newer than this.
  if (run.over && !done) return;
  const old = document.getElementById('curve-watch');
  if (!response.ok) {
    tools.say(text);
    if (old && response.status === 422) old.textContent = text;
    run.over = true;
    return;
  }
  const fresh = new DOMParser().parseFromString(text, 'text/html').getElementById('curve-watch');
  if (!fresh) return;
  if (fresh.dataset.end) run.over = true;
  if (!old) return;
  old.replaceWith(fresh);
  window.htmx.process(fresh);
  if (fresh.dataset.marked === 'yes') fresh.dispatchEvent(new CustomEvent('nk:pulse', { bubbles: true }));
};

const run = async (mine) => {
  while (engine === mine && !mine.over) {
    await send(mine, false);
    await new Promise((wake) => { setTimeout(wake, EVERY_MS); });
  }
  if (engine === mine) engine = null;
};

export const startEngine = (given) => {
  tools = given;
  document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-engine]');
    if (!button) return;
    if (button.dataset.engine === 'off') {
      // At once, and even if the page is left: the end of a curve waits for no turn.
      const mine = engine;
      engine = null;
      if (mine) { mine.over = true; send(mine, true); }
      return;
    }
    if (engine && !engine.over) return;
    const row = button.closest('[data-engine-url]');
    engine = { url: row.dataset.engineUrl, device: row.dataset.device, reading: ulid(Date.now()), fault: row.querySelector('[data-engine-fault]')?.value ?? '', over: false };
    run(engine);
  });
};

// The simulated engine: once started it runs until it is switched off, stops by itself, or the page is left.
import { ulid } from './ulid.js';

const EVERY_MS = 500;
const SECONDS = 20;

let engine = null;
let tools = { token: () => '', say: () => {} };

const send = async (run, done) => {
  const body = new URLSearchParams({ device: run.device, reading: run.reading, seconds: String(done ? 0 : SECONDS), fault: run.fault, done: done ? '1' : '' });
  const response = await fetch(run.url, { method: 'POST', headers: { 'X-CSRF-Token': tools.token(), 'HX-Request-Type': 'partial' }, body });
  const text = await response.text();
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
    const off = mine.off;
    await send(mine, off);
    if (off) break;
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
      if (engine) engine.off = true;
      return;
    }
    if (engine && !engine.over) return;
    const row = button.closest('[data-engine-url]');
    engine = { url: row.dataset.engineUrl, device: row.dataset.device, reading: ulid(Date.now()), fault: row.querySelector('[data-engine-fault]')?.value ?? '', off: false, over: false };
    run(engine);
  });
};

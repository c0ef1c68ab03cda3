import htmx from 'htmx.org';
import Alpine from '@alpinejs/csp';
import { startOutbox } from './outbox.js';
import { startBench } from './bench.js';
import { startSync } from './sync.js';
import { startPull } from './pull.js';
import { startEngine } from './engine.js';
import { startPad } from './pad.js';
import { startKeys } from './keys.js';
import { components } from './components.js';

window.htmx = htmx;
window.Alpine = Alpine;

const token = () => document.querySelector('meta[name="csrf"]')?.content ?? '';

document.addEventListener('htmx:config:request', (event) => {
  const headers = event.detail.ctx?.request?.headers;
  if (headers) headers['X-CSRF-Token'] = token();
});

const say = (text) => {
  const live = document.getElementById('say');
  if (live) live.textContent = text;
};
document.addEventListener('htmx:error', () => say('The workshop server does not answer. Nothing was lost; it is tried again.'));
document.addEventListener('htmx:response:error', (event) => {
  if (event.detail.ctx?.response?.status === 401) window.location.reload();
});

components(Alpine);
Alpine.start();
startSync();
startBench();
startOutbox({ token, say });
startPull({ token, say });
startPad();
startEngine({ token, say });
startKeys();

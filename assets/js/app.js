import htmx from 'htmx.org';
import Alpine from '@alpinejs/csp';
import { startOutbox } from './outbox.js';
import { startBench } from './bench.js';
import { startSync } from './sync.js';
import { startPull } from './pull.js';
import { startEngine } from './engine.js';
import { startPad } from './pad.js';
import { startKeys } from './keys.js';
import { startBoard } from './board.js';
import { startPhoto } from './photo.js';
import { startCarry } from './carry.js';
import { startAloud } from './aloud.js';
import { startWorker } from './install.js';
import { startMeasured } from './measured.js';
import { startPicture } from './picture.js';
import { startDraw } from './draw.js';
import { startRoom } from './room.js';
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
// What is wrong with a field of a sum is said at that field too, once something stands in it.
const sayAtField = () => {
  const answer = document.getElementById('answer');
  for (const place of answer ? document.querySelectorAll('[data-wrong-at]') : []) {
    const field = document.getElementById(`f-${place.dataset.wrongAt}`);
    const isWrong = answer.dataset.wrongField === place.dataset.wrongAt && Boolean(field?.value.trim());
    place.textContent = isWrong ? `${answer.querySelector('[role=alert]')?.textContent ?? ''} ` : '';
    field?.setAttribute('aria-invalid', String(isWrong));
  }
};
document.addEventListener('htmx:after:swap', sayAtField);
document.addEventListener('DOMContentLoaded', sayAtField);
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
startBoard();
startPhoto();
startPicture();
startMeasured();
startCarry();
startWorker();
startAloud();
startDraw();
startRoom();

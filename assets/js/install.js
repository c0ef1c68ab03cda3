// The worker, and what a tablet at the vehicle needs beside it: a new version waits for the end of a step, the screen stays awake.
import { bench } from './sync.js';

const PATIENCE_MS = 500;

let waiting = null;
let reloads = false;

/** Nobody is in the middle of anything: no dialog is open, nothing is typed. */
const isFree = () => !document.querySelector('dialog[open]') && !(document.activeElement?.matches('input, textarea') && document.activeElement.value);

/** On the bench when the step is left. Elsewhere the next page is the new one, and what is typed into this one stays. */
const letIn = () => {
  if (!waiting || reloads) return;
  waiting.postMessage('now');
  if (!bench() || !isFree()) return;
  reloads = true;
  // The browser may keep the old worker on while that has work. A page loaded through it is the new one all the same: it asks the
  // server first, and the new files are kept already.
  setTimeout(() => {
    if (isFree()) window.location.reload();
    else reloads = false;
  }, PATIENCE_MS);
};

const told = (worker) => {
  waiting = worker;
  const notice = document.getElementById('new-version');
  if (!bench()) letIn();
  else if (notice) notice.hidden = false;
};

const watch = (registration) => {
  // A page that is only just loaded is the new one already.
  registration.waiting?.postMessage('now');
  registration.addEventListener('updatefound', () => {
    const coming = registration.installing;
    coming?.addEventListener('statechange', () => {
      if (coming.state === 'installed' && navigator.serviceWorker.controller) told(coming);
    });
  });
};

let lock = null;
const keepAwake = async () => {
  if (!bench() || document.hidden || !('wakeLock' in navigator)) return;
  try {
    lock = await navigator.wakeLock.request('screen');
  } catch {
    lock = null;
  }
};

export const isAwake = () => lock !== null && !lock.released;

export const startWorker = () => {
  keepAwake();
  document.addEventListener('visibilitychange', keepAwake);
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
  navigator.serviceWorker.register('/sw.js').then(watch).catch(() => { /* without it the page works as before */ });
  navigator.serviceWorker.addEventListener('controllerchange', () => { if (reloads) window.location.reload(); });
  document.addEventListener('bench:moved', letIn);
};

// The worker, and what a tablet at the vehicle needs beside it: a new version waits for the end of a step, the screen stays awake.
import { bench } from './sync.js';

let waiting = null;
let reloads = false;

/** At once where no step is open; on the bench when the step is left, with nothing typed and no dialog open. */
const letIn = () => {
  if (!waiting) return;
  reloads = true;
  waiting.postMessage('now');
};

const told = (worker) => {
  waiting = worker;
  if (!bench()) return letIn();
  const notice = document.getElementById('new-version');
  if (notice) notice.hidden = false;
  return undefined;
};

const watch = (registration) => {
  if (registration.waiting && navigator.serviceWorker.controller) told(registration.waiting);
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
  document.addEventListener('bench:moved', () => { if (!document.querySelector('dialog[open]')) letIn(); });
};

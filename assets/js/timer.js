// Counts down to an instant the server named; by its clock, whatever the tablet's says. At nought the bench looks again.
import { serverNow } from './sync.js';

const two = (n) => String(n).padStart(2, '0');

const show = (element) => {
  const seconds = Math.max(0, Math.ceil(Number(element.dataset.timerUntil) - serverNow()));
  const text = `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
  if (element.dataset.timerLabel) element.textContent = seconds > 0 ? `Hold ${text}` : element.dataset.timerLabel;
  else element.firstChild.textContent = `${text} `;
  if (seconds > 0 || element.dataset.timerOver === element.dataset.timerUntil) return;
  element.dataset.timerOver = element.dataset.timerUntil;
  if ('timerWakes' in element.dataset) {
    document.dispatchEvent(new CustomEvent('nk:pulse'));
    document.dispatchEvent(new CustomEvent('bench:stood'));
  }
};

export const startTimers = () => {
  const all = () => document.querySelectorAll('[data-timer-until]').forEach(show);
  setInterval(all, 250);
  document.addEventListener('bench:changed', all);
  all();
};

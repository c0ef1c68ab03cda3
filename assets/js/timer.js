// Counts down to an instant the server named; by its own clock, whatever the tablet's says. At nought the bench looks again.
const two = (n) => String(n).padStart(2, '0');

const skew = new WeakMap();

const show = (element) => {
  if (!skew.has(element)) skew.set(element, Number(element.dataset.timerNow) - Math.floor(Date.now() / 1000));
  const left = Number(element.dataset.timerUntil) - (Date.now() / 1000 + skew.get(element));
  const seconds = Math.max(0, Math.ceil(left));
  const text = `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
  if (element.dataset.timerLabel) element.textContent = seconds > 0 ? `${text} to stand` : element.dataset.timerLabel;
  else element.firstChild.textContent = `${text} `;
  if (seconds > 0 || element.dataset.timerOver) return;
  element.dataset.timerOver = 'yes';
  if ('timerWakes' in element.dataset) element.dispatchEvent(new CustomEvent('nk:pulse', { bubbles: true }));
};

export const startTimers = () => {
  const all = () => document.querySelectorAll('[data-timer-until]').forEach(show);
  setInterval(all, 250);
  document.addEventListener('bench:changed', all);
  all();
};

// The bench: taps become marks, forms become marks, the page follows what other tablets do.
import { mark } from './outbox.js';

const bench = () => document.getElementById('bench');

const press = (element) => {
  element.classList.add('is-pressed');
  element.setAttribute('aria-busy', 'true');
};

const fieldsOf = (form) => {
  const event = JSON.parse(form.dataset.markForm);
  for (const field of form.querySelectorAll('[name]')) {
    event[field.name] = field.value.trim();
    field.dataset.sent = 'yes';
  }
  return event;
};

export const startBench = () => {
  document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-marks]');
    if (button && bench()) {
      event.preventDefault();
      if (button.getAttribute('aria-busy') === 'true') return;
      press(button);
      mark(bench().dataset.fit, JSON.parse(button.dataset.marks));
      return;
    }
    const opener = event.target.closest('[data-open]');
    if (opener) {
      event.preventDefault();
      const dialog = document.getElementById(opener.dataset.open);
      dialog?.showModal?.();
      dialog?.querySelector('input, textarea')?.focus();
      return;
    }
    const closer = event.target.closest('[data-close]');
    if (closer) closer.closest('dialog')?.close();
    const hider = event.target.closest('[data-hide]');
    if (hider) document.getElementById(hider.dataset.hide).hidden = true;
    const focuser = event.target.closest('[data-focus]');
    if (focuser) document.getElementById(focuser.dataset.focus)?.focus();
  });

  document.addEventListener('change', (event) => {
    if (event.target.matches?.('[data-submits]')) event.target.form?.requestSubmit();
  });

  document.addEventListener('submit', (event) => {
    const form = event.target.closest('[data-mark-form]');
    if (!form || !bench()) return;
    event.preventDefault();
    const made = fieldsOf(form);
    form.closest('dialog')?.close();
    mark(bench().dataset.fit, [made]);
  });

  document.addEventListener('bench:changed', () => {
    const title = bench()?.dataset.title;
    if (title) document.title = title;
  });
};

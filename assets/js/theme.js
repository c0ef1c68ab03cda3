// Light board or dark bay: remembered on the device.
const KEY = 'nk-theme';

const apply = (name) => {
  document.documentElement.dataset.theme = name;
  document.querySelectorAll('[data-theme-switch]').forEach((button) => {
    button.setAttribute('aria-pressed', String(name === 'dark'));
  });
};

export const startTheme = () => {
  apply(localStorage.getItem(KEY) ?? 'light');
  document.addEventListener('click', (event) => {
    if (!event.target.closest('[data-theme-switch]')) return;
    const next = document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark';
    localStorage.setItem(KEY, next);
    apply(next);
  });
};

// Reads the step aloud: its title, and the number to set. Only by a voice that is on the tablet itself, and only where somebody asked for it.
const KEY = 'nk-aloud';
let last = '';

const isOn = () => localStorage.getItem(KEY) === '1';

/** A voice of this tablet: one that comes from a network would send what is read, and is silent without it. */
const voice = () => {
  const own = window.speechSynthesis?.getVoices().filter((one) => one.localService) ?? [];
  return own.find((one) => one.lang.startsWith('en')) ?? null;
};

/** What is read of a page: the title, then the figure in turn with its unit in words. */
export const words = (root) => {
  const title = root.querySelector('#step-title')?.textContent.trim() ?? '';
  const caution = root.querySelector('.caution.must p')?.textContent.trim();
  const figure = caution ? `Caution. ${caution}` : [root.querySelector('.turn .lead')?.textContent, root.querySelector('.turn .figure-number')?.textContent].filter(Boolean).join(' ');
  return `${title}. ${figure}`.replace(/\s+/g, ' ').replace(/N·m/g, 'newton metres').replace(/°C/g, 'degrees').replace(/°/g, 'degrees').replace(/\bmm\b/g, 'millimetres').replace(/\bL\b/g, 'litres')
    .trim();
};

const speak = () => {
  const root = document.getElementById('bench');
  if (!root || !isOn()) return;
  const text = words(root);
  const mine = voice();
  if (!mine || text === last) return;
  last = text;
  window.speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.voice = mine;
  window.speechSynthesis.speak(said);
};

const offer = () => {
  const button = document.querySelector('[data-aloud]');
  if (!button || !('speechSynthesis' in window)) return;
  button.hidden = voice() === null;
  button.setAttribute('aria-pressed', String(isOn()));
  button.textContent = isOn() ? 'Stop reading aloud' : 'Read aloud';
};

export const startAloud = () => {
  offer();
  window.speechSynthesis?.addEventListener?.('voiceschanged', offer);
  document.addEventListener('bench:changed', () => { offer(); speak(); });
  document.addEventListener('click', (event) => {
    if (!event.target.closest('[data-aloud]')) return;
    localStorage.setItem(KEY, isOn() ? '0' : '1');
    last = '';
    if (!isOn()) window.speechSynthesis.cancel();
    offer();
    speak();
  });
};

// Keys do what the thumb bar does. Nothing is bound while a person is typing.
const GO = { y: '/', f: '/fits', s: '/sums', k: '/kit', l: '/logbook', v: '/vehicles', p: '/practice' };
// A foot pedal and a page turner send page keys: forward is the big button, back is the step before.
const CLICK = { ' ': '[data-key="space"]', PageDown: '[data-key="space"]', PageUp: '[data-key="left"]', Backspace: '[data-key="undo"]', ArrowLeft: '[data-key="left"]', ArrowRight: '[data-key="right"]', m: '[data-key-focus="m"]', d: '[data-key="d"]', w: '[data-key="w"]', f: '[data-key="f"]', n: '[data-key="n"]', p: '[data-key="p"]', v: '[data-key="v"]', l: '[data-key="l"]', s: '[data-key="s"]', '/': '[data-key="jump"]', '?': '[data-key="help"]' };

let waitsForSection = false;

const typing = (target) => target.closest('input, textarea, select, [contenteditable]') !== null;

export const startKeys = () => {
  document.addEventListener('keydown', (event) => {
    if (event.repeat && (event.key === ' ' || event.key === 'PageDown' || event.key === 'Enter' || event.key === 'Backspace') && document.getElementById('bench')) {
      event.preventDefault();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || document.querySelector('dialog[open]')) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    if (waitsForSection) {
      waitsForSection = false;
      if (GO[key]) {
        event.preventDefault();
        window.location.assign(GO[key]);
      }
      return;
    }
    if (key === 'g') {
      waitsForSection = true;
      setTimeout(() => { waitsForSection = false; }, 1500);
      return;
    }
    const selector = /^[1-9]$/.test(key) ? `[data-bolt="${key}"]` : CLICK[key];
    const target = selector ? document.querySelector(selector) : null;
    if (!target || target.disabled) return;
    if (key === ' ' && event.target.closest('button, a, summary') && event.target.closest('button, a, summary') !== target) return;
    event.preventDefault();
    if (event.repeat) return;
    if (target.matches('input')) target.focus();
    else if (typeof target.click === 'function') target.click();
    else target.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  });
};

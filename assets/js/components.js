// What answers without the server: dialogs, the drawer, clocks, units, reasons, the board's theme.
import { board } from './board.js';
import { serverNow } from './sync.js';

const THEME = 'nk-theme';
const TICK_MS = 250;

const two = (n) => String(n).padStart(2, '0');

/** Counts down to an instant the server named; by its clock, whatever the tablet's says. At nought the bench looks again. */
const count = (element) => {
  // What it counted for is over, or another act took its place.
  if (!element.dataset.timerUntil) return;
  const seconds = Math.max(0, Math.ceil(Number(element.dataset.timerUntil) - serverNow()));
  const text = `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
  if (element.dataset.timerLabel) element.textContent = seconds > 0 ? `Hold ${text}` : element.dataset.timerLabel;
  else if (element.firstChild) element.firstChild.textContent = `${text} `;
  if (seconds > 0 || element.dataset.timerOver === element.dataset.timerUntil) return;
  element.dataset.timerOver = element.dataset.timerUntil;
  if ('timerWakes' in element.dataset) {
    document.dispatchEvent(new CustomEvent('nk:pulse'));
    document.dispatchEvent(new CustomEvent('bench:stood'));
  }
};

/** Light board or dark bay: as the device has it, until somebody chooses; that is remembered on the device. */
const page = () => ({
  dark: false,
  init() {
    const asked = matchMedia('(prefers-color-scheme: dark)');
    const look = () => {
      const chosen = localStorage.getItem(THEME);
      this.dark = chosen ? chosen === 'dark' : asked.matches;
      this.paint();
    };
    asked.addEventListener('change', look);
    look();
  },
  paint() {
    document.documentElement.dataset.theme = this.dark ? 'dark' : 'light';
  },
  flip() {
    this.dark = !this.dark;
    localStorage.setItem(THEME, this.dark ? 'dark' : 'light');
    this.paint();
  },
  openDialog() {
    const dialog = document.getElementById(this.$el.dataset.open);
    dialog?.showModal?.();
    dialog?.querySelector('input:not([data-later]), textarea')?.focus();
  },
  closeDialog() {
    this.$el.closest('dialog')?.close();
  },
  switchDialog() {
    this.closeDialog();
    this.openDialog();
  },
  /** A common reason goes into its field, to be sent or written on. */
  takeReason() {
    const field = document.getElementById(this.$el.dataset.reason);
    field.value = this.$el.textContent;
    field.focus();
  },
  submitForm() {
    this.$el.form?.requestSubmit();
  },
});

/** The drawer of the bench: open until it is closed, or another step is shown. */
const drawer = () => ({
  looks: false,
  shut() {
    return !this.looks;
  },
  shutDrawer() {
    this.looks = false;
  },
  flipDrawer() {
    this.$el.closest('dialog')?.close();
    this.looks = !this.looks;
    if (this.looks) this.$nextTick(() => document.querySelector('#bench-drawer button')?.focus());
  },
});

/** The units of a reading: the one that is pressed goes behind a bare number. */
const units = () => ({
  press() {
    for (const unit of this.$root.querySelectorAll('[data-unit]')) unit.setAttribute('aria-pressed', String(unit === this.$el));
    this.$root.closest('form').querySelector('input').focus();
  },
});

/** A watch for what is timed by ear: it runs on while the bench is drawn anew, and leaves the seconds in the field. */
const running = new Map();
const stopwatch = () => ({
  said: 'Start the watch',
  init() {
    this.field = this.$root.querySelector('input').id;
    this.beat = setInterval(() => this.show(), 100);
    this.show();
  },
  destroy() {
    clearInterval(this.beat);
  },
  seconds() {
    return (performance.now() - running.get(this.field)) / 1000;
  },
  show() {
    this.said = running.has(this.field) ? `Stop at ${this.seconds().toFixed(1)} s` : 'Start the watch';
  },
  press() {
    if (running.has(this.field)) {
      const input = this.$root.querySelector('input');
      input.value = `${this.seconds().toFixed(1)} s`;
      running.delete(this.field);
      input.focus();
    } else running.set(this.field, performance.now());
    this.show();
  },
});

const clock = () => ({
  init() {
    const element = this.$el;
    // The page may have made something else of it meanwhile: then it counts no more.
    this.tick = () => ('timerUntil' in element.dataset ? count(element) : this.destroy());
    this.beat = setInterval(this.tick, TICK_MS);
    document.addEventListener('bench:changed', this.tick);
    this.tick();
  },
  destroy() {
    clearInterval(this.beat);
    document.removeEventListener('bench:changed', this.tick);
  },
});

const passing = () => ({
  init() {
    const element = this.$el;
    setTimeout(() => element.remove(), 6000);
  },
});

const signIn = () => ({
  login: '',
  password: '',
  init() {
    this.login = this.$refs.login.value;
  },
  pick() {
    this.login = this.$el.dataset.login;
    this.password = this.$el.dataset.password;
    this.$nextTick(() => this.$refs.go.focus());
  },
});

const copyLink = () => ({
  said: 'Copy link',
  async copy() {
    try {
      await navigator.clipboard.writeText(window.location.href);
      this.said = 'Copied';
    } catch {
      this.said = 'Copy it from the address bar';
    }
    setTimeout(() => { this.said = 'Copy link'; }, 2500);
  },
});

export const components = (Alpine) => {
  for (const [name, component] of Object.entries({ page, drawer, units, stopwatch, clock, passing, signIn, copyLink, board })) Alpine.data(name, component);
};

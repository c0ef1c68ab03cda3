// The belt board: pulleys dragged, nudged by keys, tapped in belt order; the fields of the form are the truth, the server draws anew.
import { belt } from './belt.js';
import { beginPhoto, dropPhoto, layPhoto, tapPhoto } from './trace.js';

const NUDGE = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };
const STEP_MM = 1;
const LONG_STEP_MM = 10;
const MOVED_PX = 4;

const svg = () => document.querySelector('svg.board');
const form = () => document.getElementById('board');
const field = (i, key) => form()?.elements.namedItem(`p[${i}][${key}]`);
const number = (i, key) => Number.parseFloat(String(field(i, key)?.value ?? '').replace(',', '.').replace('−', '-'));
const isEditable = () => Boolean(form()?.hasAttribute('hx-post'));

const rows = () => [...document.querySelectorAll('.pulleys [data-row]')].map((row, i) => i);

/** Where the picture has a pulley: that of the arm stands where the server put it. */
const pulleys = () => {
  const board = svg();
  const side = board.dataset.behind ? -1 : 1;
  return rows().map((i) => {
    const rim = board.querySelector(`[data-pulley="${i}"] circle`);
    const isArm = Number(board.dataset.arm) === i && rim;
    return {
      x: isArm ? side * Number(rim.getAttribute('cx')) : number(i, 'x'), y: isArm ? -Number(rim.getAttribute('cy')) : number(i, 'y'),
      d: number(i, 'd'), ribs: field(i, 'side').value !== 'back',
    };
  });
};

const redraw = () => {
  const board = svg();
  const [be, tb] = board.dataset.section.split(' ').map(Number);
  const side = board.dataset.behind ? -1 : 1;
  const now = belt(pulleys().map((p) => ({ ...p, x: side * p.x })), be, tb);
  for (const line of board.querySelectorAll('[data-belt]')) line.setAttribute('d', now?.path ?? '');
  for (const chevron of board.querySelectorAll('.chevron')) chevron.remove();
};

const shift = (i, dx, dy) => {
  for (const part of svg().querySelectorAll(`[data-pulley="${i}"], [data-label="${i}"]`)) part.setAttribute('transform', `translate(${dx} ${dy})`);
};

const place = (i, x, y) => {
  field(i, 'x').value = String(Math.round(x * 10) / 10);
  field(i, 'y').value = String(Math.round(y * 10) / 10);
};

const changed = (i) => field(i, 'x').dispatchEvent(new Event('change', { bubbles: true }));

const toBoard = (event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg().getScreenCTM().inverse());
  return [at.x, at.y];
};

let drag = null;
let order = null;

const select = (i) => {
  for (const row of document.querySelectorAll('.pulleys [data-row]')) row.classList.toggle('chosen', Number(row.dataset.row) === i);
  document.querySelector(`.pulleys [data-row="${i}"]`)?.scrollIntoView({ block: 'nearest' });
};

const down = (event) => {
  if (event.target.closest?.('svg.board') && isEditable() && tapPhoto(toBoard(event))) {
    event.preventDefault();
    return;
  }
  const group = event.target.closest?.('svg.board [data-pulley]');
  if (!group || !isEditable() || event.button > 0) return;
  const i = Number(group.dataset.pulley);
  if (order) {
    order.tap(i);
    return;
  }
  select(i);
  if (Number(svg().dataset.arm) === i) return;
  const [x, y] = toBoard(event);
  drag = { i, x, y, from: [number(i, 'x'), number(i, 'y')], px: [event.clientX, event.clientY], moved: false };
  event.preventDefault();
  group.focus?.();
};

const move = (event) => {
  if (!drag) return;
  drag.moved ||= Math.hypot(event.clientX - drag.px[0], event.clientY - drag.px[1]) > MOVED_PX;
  if (!drag.moved) return;
  const [x, y] = toBoard(event);
  const side = svg().dataset.behind ? -1 : 1;
  shift(drag.i, x - drag.x, y - drag.y);
  place(drag.i, drag.from[0] + side * (x - drag.x), drag.from[1] - (y - drag.y));
  redraw();
};

const up = () => {
  const was = drag;
  drag = null;
  if (was?.moved) changed(was.i);
};

const key = (event) => {
  const group = event.target.closest?.('svg.board [data-pulley]');
  const nudge = NUDGE[event.key];
  if (!group || !isEditable()) return;
  const i = Number(group.dataset.pulley);
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault();
    if (order) order.tap(i);
    else {
      select(i);
      field(i, 'x').focus();
    }
  } else if (nudge && Number(svg().dataset.arm) !== i) {
    event.preventDefault();
    event.stopPropagation();
    const step = event.shiftKey ? LONG_STEP_MM : STEP_MM;
    const side = svg().dataset.behind ? -1 : 1;
    place(i, number(i, 'x') + side * step * nudge[0], number(i, 'y') + step * nudge[1]);
    changed(i);
  }
};

/** What the server drew can be reached by keys, and the pulley that had them has them again. */
let held = null;
const reach = () => {
  if (!svg() || !isEditable()) return;
  layPhoto();
  for (const group of svg().querySelectorAll('[data-pulley]')) {
    const i = Number(group.dataset.pulley);
    group.setAttribute('tabindex', '0');
    group.setAttribute('role', 'button');
    group.setAttribute('aria-label', field(i, 'name')?.value || `pulley ${i + 1}`);
    if (held === i) group.focus({ preventScroll: true });
  }
};

const values = () => JSON.stringify([...new FormData(form())].filter(([name]) => /^(name|belt|section|drives|[ptbm]\[)/.test(name)));

/** Undo of what is not kept yet, and the belt order by tapping. */
export const board = () => ({
  before: [],
  now: '',
  none: true,
  orderSaid: 'Tap in belt order',
  photoSaid: '',
  init() {
    this.now = values();
    this.note = () => {
      const next = values();
      if (next === this.now) return;
      this.before.push(this.now);
      this.now = next;
      this.none = false;
    };
    form().addEventListener('change', this.note);
  },
  destroy() {
    form()?.removeEventListener('change', this.note);
    order = null;
    dropPhoto();
  },
  back() {
    const was = this.before.pop();
    this.none = this.before.length === 0;
    if (!was) return;
    for (const [name, value] of JSON.parse(was)) {
      const one = form().elements.namedItem(name);
      if (one) one.value = value;
    }
    this.now = was;
    form().elements.namedItem('name').dispatchEvent(new Event('change', { bubbles: true }));
  },
  /** A photo under the board; how far two points of it are apart says how large it is. */
  trace() {
    const [file, known] = [this.$refs.photo.files[0], Number.parseFloat(this.$refs.known.value.replace(',', '.'))];
    if (!svg()) this.photoSaid = 'First let two pulleys stand on the board';
    else if (!file) this.photoSaid = 'Choose a photo first';
    else if (!(known > 0)) this.photoSaid = 'Say first how far the two points are apart, in mm';
    else {
      const drives = Number(form().elements.namedItem('drives').value) || 0;
      const side = svg().dataset.behind ? -1 : 1;
      beginPhoto(file, known, [side * number(drives, 'x'), -number(drives, 'y')], field(drives, 'name').value, (said) => { this.photoSaid = said; });
    }
  },
  untrace() {
    dropPhoto();
    this.photoSaid = '';
  },
  order() {
    if (order) {
      order.end();
      return;
    }
    const list = [];
    order = {
      tap: (i) => {
        if (!list.includes(i)) list.push(i);
        svg().querySelector(`[data-pulley="${i}"]`).classList.add('tapped');
        this.orderSaid = `${list.length} of ${rows().length}: done`;
        if (list.length === rows().length) order.end();
      },
      end: () => {
        order = null;
        this.orderSaid = 'Tap in belt order';
        if (list.length > 0) this.reorder([...list, ...rows().filter((i) => !list.includes(i))]);
      },
    };
    this.orderSaid = 'Tap the first pulley';
  },
  reorder(list) {
    const keys = ['name', 'x', 'y', 'd', 'side'];
    const was = rows().map((i) => keys.map((k) => field(i, k).value));
    const drives = Number(form().elements.namedItem('drives').value);
    list.forEach((from, to) => keys.forEach((k, n) => { field(to, k).value = was[from][n]; }));
    form().elements.namedItem('drives').value = String(list.indexOf(drives));
    changed(0);
  },
});

export const startBoard = () => {
  document.addEventListener('pointerdown', down);
  document.addEventListener('pointermove', move);
  document.addEventListener('pointerup', up);
  document.addEventListener('pointercancel', up);
  document.addEventListener('keydown', key, true);
  document.addEventListener('focusin', (event) => {
    const group = event.target.closest?.('svg.board [data-pulley]');
    held = group ? Number(group.dataset.pulley) : event.target.closest?.('#board') ? null : held;
  });
  document.addEventListener('htmx:after:swap', reach);
  document.addEventListener('DOMContentLoaded', reach);
  reach();
};

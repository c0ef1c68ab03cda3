// Draws on a picture: an arrow, a ring, a line by dragging; a number or words by a tap. Each becomes a mark of the fit, kept beside the
// picture, which stays as it was taken.
import { mark } from './outbox.js';

const SVG = 'http://www.w3.org/2000/svg';
const RED = '#d8331f';
const PALE = '#fdf9ee';
const LEAST = 0.012;

const node = (name, attributes, text) => {
  const made = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
  if (text !== undefined) made.textContent = text;
  return made;
};

/** The point of an arrow and its two barbs. */
export const arrowHead = (x, y, toX, toY, size) => {
  const length = Math.hypot(toX - x, toY - y) || 1;
  const [dx, dy] = [(toX - x) / length, (toY - y) / length];
  return [[toX, toY], ...[0.55, -0.55].map((side) => [toX - size * (dx - side * dy), toY - size * (dy + side * dx)])];
};

/** A mark as it looks, pale below and red above, in pixels of the picture. */
const shapes = (one, wide, high, unit) => {
  const [x, y, toX, toY] = [one.x * wide, one.y * high, (one.to_x ?? 0) * wide, (one.to_y ?? 0) * high];
  const layer = (pass) => {
    const group = node('g', { stroke: pass ? RED : PALE, 'stroke-width': pass ? unit * 1.2 : unit * 2.6 });
    const colour = pass ? RED : PALE;
    if (one.kind === 'ring') group.append(node('circle', { cx: x, cy: y, r: Math.hypot(toX - x, toY - y) }));
    if (one.kind === 'line' || one.kind === 'arrow') group.append(node('path', { d: `M${x} ${y} L${toX} ${toY}` }));
    if (one.kind === 'arrow') group.append(node('path', { d: `M${arrowHead(x, y, toX, toY, 5.5 * unit).map((p) => p.join(' ')).join(' ')} Z`, fill: colour }));
    if (one.kind === 'text') group.append(node('text', { x, y, 'font-size': unit * 7, 'stroke-width': pass ? 0 : unit * 1.8, fill: colour }, one.text));
    if (one.kind === 'number' && pass) {
      group.append(node('circle', { cx: x, cy: y, r: unit * 5, fill: RED, stroke: PALE }));
      group.append(node('text', { x, y: y + unit * 2.3, 'font-size': unit * 6.5, 'text-anchor': 'middle', stroke: 'none', fill: PALE }, one.text));
    }
    return group;
  };
  const both = node('g', {});
  both.append(layer(0), layer(1));
  return both;
};

const start = (page) => {
  const frame = page.querySelector('.photo-frame.is-drawn');
  if (!frame) return;
  const part = (name) => page.querySelector(`[data-photo-${name}]`);
  const svg = frame.querySelector('.marks');
  const [wide, high, unit] = ['width', 'height', 'unit'].map((name) => Number(page.dataset[name]));
  const list = part('marks');
  let [from, ghost] = [null, null];
  const drawn = [];

  const kind = () => page.querySelector('[name="kind"]:checked').value;
  const wrong = (message) => { part('wrong').textContent = message; part('wrong').hidden = message === ''; return true; };
  const at = (event) => {
    const box = frame.getBoundingClientRect();
    const share = (place, begin, size) => Math.min(1, Math.max(0, (place - begin) / size));
    return [share(event.clientX, box.left, box.width), share(event.clientY, box.top, box.height)];
  };
  const count = () => list.querySelectorAll('[data-mark]').length;
  const nextNumber = () => String(1 + Math.max(0, ...Array.from(list.children, (one) => Number(/^number (\d+)/.exec(one.textContent.trim().replace(/\s+/g, ' '))?.[1] ?? 0))));
  const guide = () => {
    const written = kind() === 'text';
    part('words').hidden = !written;
    part('said').textContent = { arrow: 'Drag from where it begins to what it points at.', ring: 'Drag from the middle of the ring outwards.', line: 'Drag from one end to the other.', number: 'Tap where the next number goes.', text: 'Write the words, then tap where they go.' }[kind()];
    if (written) part('text').focus({ preventScroll: true });
  };

  const add = (one) => {
    wrong('');
    const shown = shapes(one, wide, high, unit);
    const [id] = mark(page.dataset.fit, [{ type: 'photo-marked', photo: page.dataset.photo, ...one }], {
      words: `${one.kind} ${one.text ?? ''}`.trim(), atField: (message) => { shown.remove(); list.querySelector(`[data-mark="${id}"]`)?.remove(); return wrong(message); },
    });
    svg.append(shown);
    const row = document.createElement('li');
    row.dataset.mark = id;
    row.textContent = `${one.kind} ${one.text ?? ''}`;
    list.append(row);
    drawn.push([id, shown]);
    part('off').disabled = false;
  };

  const rounded = (place) => Math.round(place * 1e4) / 1e4;
  const made = (to) => {
    const [x, y] = from.map(rounded);
    if (kind() === 'number') return { kind: 'number', x: rounded(to[0]), y: rounded(to[1]), text: nextNumber() };
    if (kind() === 'text') return { kind: 'text', x: rounded(to[0]), y: rounded(to[1]), text: part('text').value.trim() };
    return { kind: kind(), x, y, to_x: rounded(to[0]), to_y: rounded(to[1]) };
  };

  frame.addEventListener('pointerdown', (event) => {
    event.preventDefault();
    frame.setPointerCapture(event.pointerId);
    from = at(event);
  });
  frame.addEventListener('pointermove', (event) => {
    if (!from) return;
    ghost?.remove();
    ghost = ['text', 'number'].includes(kind()) ? null : shapes(made(at(event)), wide, high, unit);
    if (ghost) svg.append(ghost);
  });
  frame.addEventListener('pointerup', (event) => {
    if (!from) return;
    const to = at(event);
    const one = made(to);
    ghost?.remove();
    const dragged = Math.hypot(to[0] - from[0], to[1] - from[1]);
    from = null;
    if (one.kind === 'text' && one.text === '') return wrong('Write the words first.');
    if (!['text', 'number'].includes(one.kind) && dragged < LEAST) return wrong('Drag a little further.');
    return add(one);
  });
  frame.addEventListener('pointercancel', () => { from = null; ghost?.remove(); });
  part('off').addEventListener('click', () => {
    const last = list.lastElementChild;
    if (!last) return;
    mark(page.dataset.fit, [{ type: 'undone', event: last.dataset.mark }], { words: 'taken off', atField: wrong });
    const here = drawn.findIndex(([id]) => id === last.dataset.mark);
    if (here >= 0) drawn.splice(here, 1)[0][1].remove();
    else for (const layer of svg.querySelectorAll(`[data-of="${last.dataset.mark}"]`)) layer.remove();
    last.remove();
    part('off').disabled = count() === 0;
  });
  for (const one of page.querySelectorAll('[name="kind"]')) one.addEventListener('change', guide);
};

export const startDraw = () => document.querySelectorAll('[data-photo-page]').forEach(start);

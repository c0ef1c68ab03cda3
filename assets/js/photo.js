// Measuring in a picture: by the target card, which is found by itself, by the corners of a known rectangle, or by one known distance;
// then the points to measure, each set under a loupe and nudged by finger or arrow key. On the page of the sum the picture stays on the
// device. On the page of a picture of a fit the reading goes into the step, with the picture as its proof.
import { findCard, MARKS } from './card.js';
import { mark } from './outbox.js';

const MOST_PX = 2400;
const NEAR = 26;
const ZOOM = 4;
const CORNERS = ['top left', 'top right', 'bottom right', 'bottom left'];
const TAKES = { distance: 2, angle: 3, circle: Infinity, offset: 3, moved: 1 };
const KNOWN = { card: 8, rectangle: 4, length: 2 };
const RED = '#d8331f';
const YELLOW = '#f2c00f';
const PALE = '#fdf9ee';

/** What each way of measuring makes of the points, as the sum reads it. */
export const asked = (way, count, begins = [0]) => {
  const numbers = Array.from({ length: count }, (_, i) => i + 1);
  if (way === 'circle') {
    const rings = begins.map((from, i) => numbers.slice(from, begins[i + 1] ?? count)).filter((ring) => ring.length >= 3);
    return rings.map((ring) => `circle ${ring.join(' ')}`).join('; ');
  }
  // Where one point lies, told by how far it is from the first mark: the page adds that as the second point.
  if (way === 'moved') return count >= 1 ? '1-2' : '';
  const size = TAKES[way];
  const whole = [];
  for (let i = 0; i + size <= count; i += size) {
    const part = numbers.slice(i, i + size);
    whole.push(way === 'offset' ? `${part[2]} off ${part[0]}-${part[1]}` : part.join('-'));
  }
  return whole.join('; ');
};

/** Where the marks truly lie, mm. */
export const truth = (known, wide, high) => ({
  card: MARKS, rectangle: [[0, 0], [wide, 0], [wide, high], [0, high]], length: [[0, 0], [wide, 0]],
}[known]);

/** The marks, as the sum reads them: px, px, mm, mm. */
export const marks = (corners, wide, high, known = 'rectangle') => corners.map(([x, y], i) => [
  x.toFixed(2), y.toFixed(2), ...truth(known, wide, high)[i],
].join(' ')).join('; ');

/** As many digits as the doubt leaves. */
export const rounded = (value, doubt) => value.toFixed(doubt < 0.05 ? 2 : (doubt < 5 ? 1 : 0));

/** The doubt in the digits of its figure, never said smaller than it is. */
const give = (one) => {
  const digits = one.doubt < 0.05 ? 2 : (one.doubt < 5 ? 1 : 0);
  return (Math.ceil(one.doubt * 10 ** digits - 1e-9) / 10 ** digits).toFixed(digits);
};

const start = (root) => {
  const part = (name) => root.querySelector(`[data-photo-${name}]`);
  const [canvas, loupe, said] = [part('canvas'), part('loupe'), part('said')];
  let [picture, fixed, points, held, readings, asking, begins] = [null, [], [], null, [], 0, [0]];
  const measure = () => asked(way(), points.length, begins);
  // Where the point lay in the picture before, on the card, and its doubt.
  let [here, before] = [null, null];
  // The sum that is under way, and is done when its answer is drawn.
  let working = Promise.resolve();

  const way = () => root.querySelector('[data-photo-way]:checked')?.value ?? 'distance';
  const known = () => root.querySelector('[data-photo-known]:checked')?.value ?? 'rectangle';
  const needed = () => KNOWN[known()];
  const scale = () => canvas.width / Math.max(1, canvas.clientWidth);
  const all = () => [...fixed, ...points];
  const size = (name) => Number(part(name)?.value.trim().replace(',', '.') || part(name)?.placeholder || 0);

  const tell = (first = '') => {
    const of = fixed.length;
    const next = of < needed() ? {
      card: `${of} of the eight nuts are set. All eight have to be in the picture, sharp and without glare; take it again, or use a rectangle`,
      rectangle: `Tap the ${CORNERS[of]} corner of the rectangle`, length: `Tap the ${['first', 'second'][of]} end of the known distance`,
    }[known()] : {
      distance: 'Tap two points for each distance', angle: 'Tap three points; the angle is at the second',
      circle: 'Tap points round its edge', moved: before ? 'Tap the same point in this picture' : 'Tap the point that moves, then choose the other picture', offset: 'Tap two points on the line, then the one that stands off it',
    }[way()];
    said.textContent = `${first}${next}. Drag a point to nudge it.`;
  };

  const label = (paper, text, x, y, unit) => {
    paper.font = `700 ${Math.round(19 * unit)}px sans-serif`;
    paper.lineWidth = 5 * unit;
    paper.strokeStyle = PALE;
    paper.strokeText(text, x, y);
    paper.fillStyle = RED;
    paper.fillText(text, x, y);
  };
  const line = (paper, from, to, unit) => {
    for (const [colour, width] of [[PALE, 6], [RED, 2.5]]) {
      paper.beginPath();
      paper.strokeStyle = colour;
      paper.lineWidth = width * unit;
      paper.moveTo(...from);
      paper.lineTo(...to);
      paper.stroke();
    }
  };

  /** Measures as on a drawing: the line, and beside it what it is long, with its doubt in small. */
  const drawReadings = (paper, unit) => {
    for (const one of readings) {
      const at = one.points.map((i) => points[i]).filter(Boolean);
      if (at.length < one.points.length) continue;
      if (one.kind !== 'circle' && one.kind !== 'moved') for (let i = 1; i < Math.min(at.length, one.kind === 'offset' ? 2 : 3); i += 1) line(paper, at[i - 1], at[i], unit);
      const middle = ['circle', 'angle', 'moved'].includes(one.kind) ? at[one.kind === 'angle' ? 1 : 0] : at[0].map((c, i) => (c + at[1][i]) / 2);
      label(paper, `${one.text} ± ${give(one)}`, middle[0] + 12 * unit, middle[1] + 24 * unit, unit);
    }
  };

  const draw = () => {
    const paper = canvas.getContext('2d');
    paper.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const unit = scale();
    if (known() !== 'card' && fixed.length > 1) {
      paper.beginPath();
      paper.lineWidth = 2.5 * unit;
      paper.strokeStyle = YELLOW;
      fixed.forEach(([x, y], i) => (i ? paper.lineTo(x, y) : paper.moveTo(x, y)));
      if (fixed.length === 4) paper.closePath();
      paper.stroke();
    }
    drawReadings(paper, unit);
    all().forEach(([x, y], i) => {
      const isMark = i < fixed.length;
      paper.beginPath();
      paper.lineWidth = 2 * unit;
      paper.strokeStyle = isMark ? YELLOW : RED;
      if (isMark) paper.arc(x, y, 9 * unit, 0, 2 * Math.PI);
      for (const [dx, dy] of [[1, 0], [0, 1]]) {
        paper.moveTo(x - 15 * unit * dx, y - 15 * unit * dy);
        paper.lineTo(x + 15 * unit * dx, y + 15 * unit * dy);
      }
      paper.stroke();
      if (!isMark) label(paper, String(i - fixed.length + 1), x + 12 * unit, y - 12 * unit, unit);
    });
  };

  const look = () => {
    loupe.hidden = held === null;
    if (held === null) return;
    const [x, y] = all()[held];
    const paper = loupe.getContext('2d');
    const half = loupe.width / 2;
    paper.imageSmoothingEnabled = false;
    paper.fillStyle = '#1c1915';
    paper.fillRect(0, 0, loupe.width, loupe.height);
    paper.drawImage(picture, x - half / ZOOM, y - half / ZOOM, loupe.width / ZOOM, loupe.height / ZOOM, 0, 0, loupe.width, loupe.height);
    paper.strokeStyle = RED;
    paper.lineWidth = 1.5;
    paper.beginPath();
    paper.moveTo(half, 0);
    paper.lineTo(half, loupe.height);
    paper.moveTo(0, half);
    paper.lineTo(loupe.width, half);
    paper.stroke();
    // On the other side of the picture than the finger.
    loupe.dataset.side = x > canvas.width / 2 ? 'left' : 'right';
  };

  const told = (values, what) => {
    const list = [];
    const spread = what.split('; ').map((one) => (one.match(/\d+/g) ?? []).map((n) => Number(n) - 1));
    for (const [name, kind, unit] of [['distances', 'distance', 'mm'], ['angles', 'angle', '°'], ['circles', 'circle', 'mm'], ['offsets', 'offset', 'mm']]) {
      (values[name]?.value ?? []).forEach((value, i) => {
        const doubt = values[`${name}_doubt`].value[i];
        const order = kind === 'offset' ? [spread[i][1], spread[i][2], spread[i][0]] : spread[i];
        list.push({ kind, value, doubt, points: order, text: `${rounded(value, doubt)} ${unit}`, unit });
      });
    }
    return list;
  };

  /** How far a point is from where it lay in the other picture, both on the card, which stayed where it was. */
  const moved = (values) => {
    here = { x: values.point_x.value[0], y: values.point_y.value[0], doubt: values.distances_doubt.value[0] };
    if (!before) return [];
    const [value, doubt] = [Math.hypot(here.x - before.x, here.y - before.y), Math.hypot(here.doubt, before.doubt)];
    return [{ kind: 'moved', value, doubt, points: [0], text: `${rounded(value, doubt)} mm`, unit: 'mm' }];
  };

  const readout = (answer) => {
    const list = part('readout');
    if (!list) return;
    list.replaceChildren(...readings.map((one, i) => {
      const row = document.createElement('li');
      const words = { distance: 'apart', angle: 'between them', circle: 'across', offset: 'off the line', moved: 'between the two pictures' }[one.kind];
      row.innerHTML = '<b></b> <span></span>';
      row.firstChild.textContent = one.text;
      row.lastChild.textContent = `give or take ${give(one)} ${one.unit}, ${words}${readings.length > 1 ? ` (${one.points.map((n) => n + 1).join(', ')})` : ''}`;
      row.dataset.reading = i;
      return row;
    }));
    for (const check of answer.checks ?? []) {
      if (check.level === 'ok') continue;
      const row = document.createElement('li');
      row.className = 'caution told';
      row.textContent = check.text;
      list.append(row);
    }
    part('write')?.classList.toggle('is-ready', readings.length > 0);
  };

  /** Places as they are seen, right and down, from their middle: for the page of a joint or a belt that asks for them. */
  const keep = (values) => {
    const places = (name) => (values[`${name}_x`]?.value ?? []).map((x, i) => [x, values[`${name}_y`].value[i]]);
    const all_ = places('point');
    const [from, to] = all_.slice(-2);
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    const [c, s] = [(to[0] - from[0]) / long, (to[1] - from[1]) / long];
    const turned = ([x, y]) => [c * x + s * y, c * y - s * x];
    const own = all_.slice(0, -2).map(turned);
    const middle = [0, 1].map((axis) => own.reduce((sum, p) => sum + p[axis], 0) / own.length);
    const near = ([x, y]) => [x - middle[0], y - middle[1]].map((n) => Math.round(10 * n) / 10);
    const across = values.circles?.value ?? [];
    sessionStorage.setItem('nk-measured', JSON.stringify({
      points: own.map(near), circles: places('circle').map((place, i) => [...near(turned(place)), Math.round(10 * across[i]) / 10]),
    }));
  };

  const work = async () => {
    const what = measure();
    asking += 1;
    here = null;
    if (fixed.length < needed() || what === '') {
      readings = [];
      readout({});
      return;
    }
    const turn = asking;
    const query = new URLSearchParams({
      marks: marks(fixed, size('wide'), size('high'), known()), measure: what,
      // Two more, level in the picture, so that what is measured can be laid out as it is seen.
      points: [...(way() === 'moved' ? [points[0], fixed[0]] : points), points[0], [points[0][0] + 40, points[0][1]]].map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('; '),
      picture: `${canvas.width}x${canvas.height}`, ...(known() === 'length' ? { square_on: 'yes' } : {}),
    });
    const answer = await fetch(`/api/sums/photo-plane?${query}`, { headers: { Accept: 'application/json' } }).then((one) => one.json()).catch(() => null);
    if (turn !== asking) return;
    if (!answer) tell('No connection: the sum is worked out by the server. ');
    else if (answer.error) tell(`${answer.error.message} `);
    else {
      readings = way() === 'moved' ? moved(answer.values) : told(answer.values, what);
      readout(answer);
      keep(answer.values);
      draw();
    }
  };

  const fill = () => {
    const field = (name) => document.getElementById(`f-${name}`);
    if (field('marks') && fixed.length >= needed()) {
      field('marks').value = marks(fixed, size('wide'), size('high'), known());
      field('points').value = points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('; ');
      field('measure').value = measure();
      field('picture').value = `${canvas.width} × ${canvas.height}`;
      field('square_on').value = known() === 'length' ? 'yes' : '';
      if (field('measure').value) field('measure').dispatchEvent(new Event('input', { bubbles: true }));
    }
    tell();
    working = work();
  };

  const at = (event) => {
    const box = canvas.getBoundingClientRect();
    return [(event.clientX - box.left) * scale(), (event.clientY - box.top) * scale()];
  };
  const move = (i, place) => {
    if (i < fixed.length) fixed[i] = place;
    else points[i - fixed.length] = place;
  };

  const find = () => {
    [fixed, points, readings, begins] = [[], [], [], [0]];
    if (known() !== 'card' || !picture) return '';
    const found = findCard(picture.getContext('2d', { willReadFrequently: true }).getImageData(0, 0, picture.width, picture.height));
    if (!found.marks) {
      // No card: a rectangle is the next best, unless the card was asked for by hand.
      return `Of the target card ${found.found} of 8 nuts were seen. `;
    }
    fixed = found.marks.map(([x, y]) => [x, y]);
    return `Target card found: all eight nuts, within ${found.misses < 0.1 ? '0.1' : found.misses.toFixed(1)} px of where they belong. `;
  };

  const shown = (read) => {
    const shrink = Math.min(1, MOST_PX / Math.max(read.width, read.height));
    picture = document.createElement('canvas');
    [picture.width, picture.height] = [Math.round(read.width * shrink), Math.round(read.height * shrink)];
    picture.getContext('2d', { willReadFrequently: true }).drawImage(read, 0, 0, picture.width, picture.height);
    [canvas.width, canvas.height] = [picture.width, picture.height];
    held = null;
    part('stage').hidden = false;
    let first = find();
    if (known() === 'card' && fixed.length === 0 && !('keepCard' in root.dataset)) {
      root.querySelector('[data-photo-known][value="rectangle"]').checked = true;
      root.dispatchEvent(new CustomEvent('known'));
      first += 'By a rectangle, then. ';
    }
    draw();
    tell(first);
    // At once, so that nothing moves under the finger.
    part('stage').scrollIntoView({ block: 'nearest', behavior: 'instant' });
    canvas.focus({ preventScroll: true });
  };

  const load = (address) => {
    const image = new Image();
    image.onload = () => shown(image);
    image.src = address;
  };

  const show = async (file) => {
    try {
      shown(await createImageBitmap(file, { imageOrientation: 'from-image' }));
    } catch {
      said.textContent = 'This is no picture that can be shown.';
    }
  };

  part('file')?.addEventListener('change', (event) => event.target.files[0] && show(event.target.files[0]));
  canvas.addEventListener('pointerdown', (event) => {
    if (!picture) return;
    event.preventDefault();
    const place = at(event);
    const near = all().findIndex(([x, y]) => Math.hypot(x - place[0], y - place[1]) < NEAR * scale());
    if (near >= 0) held = near;
    else if (fixed.length < needed()) held = known() === 'card' ? null : fixed.push(place) - 1;
    else held = fixed.length + points.push(place) - 1;
    if (held === null) return;
    canvas.setPointerCapture(event.pointerId);
    draw();
    look();
  });
  canvas.addEventListener('pointermove', (event) => {
    if (held === null) return;
    move(held, at(event));
    draw();
    look();
  });
  const release = () => {
    if (held === null) return;
    held = null;
    look();
    fill();
  };
  canvas.addEventListener('pointerup', release);
  canvas.addEventListener('pointercancel', release);
  canvas.addEventListener('keydown', (event) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const last = all().length - 1;
    if (!by || last < 0) return;
    event.preventDefault();
    const step = event.shiftKey ? 0.25 : 1;
    move(last, [all()[last][0] + step * by[0], all()[last][1] + step * by[1]]);
    draw();
    fill();
  });
  part('back').addEventListener('click', () => {
    if (points.length > 0) points.pop();
    else if (known() !== 'card') fixed.pop();
    begins = begins.filter((one) => one === 0 || one < points.length);
    readings = [];
    if (picture) draw();
    fill();
  });
  const shape = () => {
    for (const one of root.querySelectorAll('[data-for-way]')) one.hidden = one.dataset.forWay !== way();
    if (part('next')) part('next').hidden = way() !== 'circle';
    for (const one of root.querySelectorAll('[data-for-known]')) one.hidden = !one.dataset.forKnown.split(' ').includes(known());
  };
  root.addEventListener('known', shape);
  for (const one of root.querySelectorAll('[data-photo-known]')) {
    one.addEventListener('change', () => {
      root.dataset.keepCard = '';
      shape();
      const first = find();
      if (picture) draw();
      tell(first);
      readout({});
    });
  }
  for (const one of root.querySelectorAll('[data-photo-way]')) one.addEventListener('change', () => { [readings, begins, before] = [[], [0], null]; shape(); if (picture) draw(); fill(); });
  part('other')?.addEventListener('change', async (event) => {
    const { target } = event;
    const { value } = target;
    if (!value) return;
    // Where the point lies is worked out by the server: chosen before its answer, the other picture waits for it.
    for (let turn = 0; turn !== asking;) {
      turn = asking;
      await working;
    }
    if (target.value !== value) return;
    if (points.length === 0 || !here) {
      target.value = '';
      // Where the point is set, what was wrong with it stands there already.
      if (points.length === 0) tell('First the point in this picture. ');
      return;
    }
    before = here;
    load(value);
  });
  part('next')?.addEventListener('click', () => { if (points.length - begins.at(-1) >= 3) begins.push(points.length); canvas.focus({ preventScroll: true }); });
  for (const one of root.querySelectorAll('[data-photo-wide], [data-photo-high]')) one.addEventListener('input', fill);

  // The reading of a step, and on the picture what was measured, as one tap.
  const wrong = (message) => {
    part('wrong').textContent = message;
    part('wrong').hidden = message === '';
    return true;
  };
  part('write')?.addEventListener('submit', (event) => {
    event.preventDefault();
    const one = readings.at(-1);
    const field = part('field').value;
    if (!one) return wrong('Measure something first.');
    const { photo, step, fit } = root.dataset;
    const share = ([x, y]) => [x / canvas.width, y / canvas.height].map((n) => Math.round(1e4 * Math.min(1, Math.max(0, n))) / 1e4);
    const [from, to] = [share(points[one.points[0]]), share(points[one.points[1] ?? one.points[0]])];
    const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    const read = { type: 'measured', step, field, text: one.text.replace('°', ' °'), photo, doubt: Math.round(1000 * one.doubt) / 1000 };
    // Between two pictures there is nothing to draw on one.
    const [id] = mark(fit, one.kind === 'moved' ? [read] : [
      read,
      { type: 'photo-marked', photo, kind: 'line', x: from[0], y: from[1], to_x: to[0], to_y: to[1] },
      { type: 'photo-marked', photo, kind: 'text', x: mx, y: Math.min(0.98, my + 0.04), text: `${one.text} ± ${give(one)}` },
    ], { words: one.text, atField: wrong });
    wrong('');
    document.addEventListener('nk:kept', (kept) => { if (kept.detail.includes(id)) window.location.assign(root.dataset.back); });
    return undefined;
  });

  shape();
  if (root.dataset.src) load(root.dataset.src);
};

export const startPhoto = () => document.querySelectorAll('[data-photo-plane]').forEach(start);

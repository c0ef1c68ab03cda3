// Measuring in a photo: the corners of a rectangle whose size is known, then the points to measure, each set under a loupe and nudged
// by finger or arrow key. They fill the form of the sum; the picture stays on the device and is sent nowhere.
const MOST_PX = 2400;
const NEAR = 26;
const ZOOM = 4;
const CORNERS = ['top left', 'top right', 'bottom right', 'bottom left'];
const TAKES = { distance: 2, angle: 3, circle: Infinity };

/** What each way of measuring makes of the points, as the sum reads it. */
export const asked = (way, count) => {
  const numbers = Array.from({ length: count }, (_, i) => i + 1);
  if (way === 'circle') return count >= 3 ? `circle ${numbers.join(' ')}` : '';
  const size = TAKES[way];
  const whole = [];
  for (let i = 0; i + size <= count; i += size) whole.push(numbers.slice(i, i + size).join('-'));
  return whole.join('; ');
};

/** The marks of a rectangle, as the sum reads them: px, px, mm, mm. */
export const marks = (corners, wide, high) => corners.map(([x, y], i) => [
  x.toFixed(1), y.toFixed(1), i === 1 || i === 2 ? wide : 0, i >= 2 ? high : 0,
].join(' ')).join('; ');

const start = (root) => {
  const part = (name) => root.querySelector(`[data-photo-${name}]`);
  const [canvas, loupe, said] = [part('canvas'), part('loupe'), part('said')];
  let [picture, points, held] = [null, [], null];

  const way = () => root.querySelector('[data-photo-way]:checked')?.value ?? 'distance';
  const scale = () => canvas.width / Math.max(1, canvas.clientWidth);
  const tell = () => {
    const next = points.length < 4 ? `Tap the ${CORNERS[points.length]} corner of the rectangle` : {
      distance: 'Tap two points for each distance', angle: 'Tap three points; the angle is at the second', circle: 'Tap points round its edge',
    }[way()];
    said.textContent = `${next}. Drag a point to nudge it.`;
  };

  const draw = () => {
    const paper = canvas.getContext('2d');
    paper.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const unit = scale();
    const corners = points.slice(0, 4);
    paper.lineWidth = 2.5 * unit;
    paper.strokeStyle = '#f2c00f';
    if (corners.length > 1) {
      paper.beginPath();
      corners.forEach(([x, y], i) => (i ? paper.lineTo(x, y) : paper.moveTo(x, y)));
      if (corners.length === 4) paper.closePath();
      paper.stroke();
    }
    points.forEach(([x, y], i) => {
      paper.beginPath();
      paper.lineWidth = 2 * unit;
      paper.strokeStyle = i < 4 ? '#f2c00f' : '#d8331f';
      paper.arc(x, y, 9 * unit, 0, 2 * Math.PI);
      paper.moveTo(x - 15 * unit, y);
      paper.lineTo(x + 15 * unit, y);
      paper.moveTo(x, y - 15 * unit);
      paper.lineTo(x, y + 15 * unit);
      paper.stroke();
      if (i >= 4) {
        paper.font = `700 ${Math.round(19 * unit)}px sans-serif`;
        paper.lineWidth = 4 * unit;
        paper.strokeStyle = '#fdf9ee';
        paper.strokeText(String(i - 3), x + 12 * unit, y - 12 * unit);
        paper.fillStyle = '#d8331f';
        paper.fillText(String(i - 3), x + 12 * unit, y - 12 * unit);
      }
    });
  };

  const look = () => {
    loupe.hidden = held === null;
    if (held === null) return;
    const [x, y] = points[held];
    const paper = loupe.getContext('2d');
    const half = loupe.width / 2;
    paper.imageSmoothingEnabled = false;
    paper.fillStyle = '#1c1915';
    paper.fillRect(0, 0, loupe.width, loupe.height);
    paper.drawImage(picture, x - half / ZOOM, y - half / ZOOM, loupe.width / ZOOM, loupe.height / ZOOM, 0, 0, loupe.width, loupe.height);
    paper.strokeStyle = '#d8331f';
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

  const fill = () => {
    const field = (name) => document.getElementById(`f-${name}`);
    const size = (name) => part(name).value.trim().replace(',', '.') || part(name).placeholder;
    if (points.length >= 4) {
      field('marks').value = marks(points.slice(0, 4), size('wide'), size('high'));
      field('points').value = points.slice(4).map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('; ');
      field('measure').value = asked(way(), points.length - 4);
      if (field('measure').value) field('measure').dispatchEvent(new Event('input', { bubbles: true }));
    }
    tell();
  };

  const at = (event) => {
    const box = canvas.getBoundingClientRect();
    return [(event.clientX - box.left) * scale(), (event.clientY - box.top) * scale()];
  };

  const show = async (file) => {
    let read;
    try {
      read = await createImageBitmap(file);
    } catch {
      said.textContent = 'This is no picture that can be shown.';
      return;
    }
    const shrink = Math.min(1, MOST_PX / Math.max(read.width, read.height));
    picture = document.createElement('canvas');
    [picture.width, picture.height] = [Math.round(read.width * shrink), Math.round(read.height * shrink)];
    picture.getContext('2d').drawImage(read, 0, 0, picture.width, picture.height);
    [canvas.width, canvas.height] = [picture.width, picture.height];
    [points, held] = [[], null];
    part('stage').hidden = false;
    draw();
    tell();
    // At once, so that nothing moves under the finger.
    part('stage').scrollIntoView({ block: 'nearest', behavior: 'instant' });
    canvas.focus({ preventScroll: true });
  };

  part('file').addEventListener('change', (event) => event.target.files[0] && show(event.target.files[0]));
  canvas.addEventListener('pointerdown', (event) => {
    if (!picture) return;
    event.preventDefault();
    const place = at(event);
    const near = points.findIndex(([x, y]) => Math.hypot(x - place[0], y - place[1]) < NEAR * scale());
    held = near < 0 ? points.push(place) - 1 : near;
    canvas.setPointerCapture(event.pointerId);
    draw();
    look();
  });
  canvas.addEventListener('pointermove', (event) => {
    if (held === null) return;
    points[held] = at(event);
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
    if (!by || points.length === 0) return;
    event.preventDefault();
    const last = points[points.length - 1];
    points[points.length - 1] = [last[0] + by[0], last[1] + by[1]];
    draw();
    fill();
  });
  part('back').addEventListener('click', () => {
    points.pop();
    if (picture) draw();
    fill();
  });
  for (const one of root.querySelectorAll('[data-photo-way], [data-photo-wide], [data-photo-high]')) one.addEventListener('change', fill);
};

export const startPhoto = () => document.querySelectorAll('[data-photo-plane]').forEach(start);

// Finds the target card in a picture: eight nuts, six-sided and black with a round white hole, at places that are alike under no turn.
// A nut is told by its shape (a filled region as full as an ellipse of its own moments, a hole in its middle of a fifth of it); which
// nut is which by the one turn in which all eight lie where the card has them. All in the browser; nothing is sent.

/** mm, across and down, clockwise from the top left. The printed card has the same (core/Photo/TargetCard.php). */
export const MARKS = [[0, 0], [40, 0], [130, 0], [130, 25], [130, 80], [75, 80], [0, 80], [0, 60]];
export const FLATS = 12;
export const HOLE = 2.6;

const LEAST_AREA = 36;
const MOST_SHARE = 0.03;
const MOST_CANDIDATES = 13;

/** @returns {Float32Array} how bright each pixel is, 0 to 255 */
const grey = ({ data, width, height }) => {
  const out = new Float32Array(width * height);
  for (let i = 0, j = 0; i < out.length; i += 1, j += 4) out[i] = 0.299 * data[j] + 0.587 * data[j + 1] + 0.114 * data[j + 2];
  return out;
};

/** Dark is what lies well under the mean of its surroundings, so that shade does no harm. */
const darkness = (light, width, height) => {
  const half = Math.max(12, Math.round(Math.max(width, height) / 12));
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      row += light[y * width + x];
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + row;
    }
  }
  const dark = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half + 1)];
    for (let x = 0; x < width; x += 1) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half + 1)];
      const sum = sums[bottom * (width + 1) + right] - sums[top * (width + 1) + right] - sums[bottom * (width + 1) + left] + sums[top * (width + 1) + left];
      dark[y * width + x] = light[y * width + x] < 0.78 * (sum / ((bottom - top) * (right - left))) ? 1 : 0;
    }
  }
  return dark;
};

const blank = () => ({ area: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0, left: Infinity, right: -1, top: Infinity, bottom: -1, first: 0 });

/** Regions of one kind: dark ones hang together over corners, light ones over edges. */
const regions = (dark, width, height) => {
  const label = new Int32Array(width * height);
  const parent = [0];
  const root = (a) => {
    let at = a;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]];
      at = parent[at];
    }
    return at;
  };
  const join = (a, b) => {
    const [p, q] = [root(a), root(b)];
    if (p < q) parent[q] = p;
    else parent[p] = q;
  };
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      const kind = dark[i];
      let found = 0;
      const meet = (j) => {
        if (dark[j] !== kind) return;
        if (found === 0) found = label[j];
        else if (label[j] !== found) join(found, label[j]);
      };
      if (x > 0) meet(i - 1);
      if (y > 0) meet(i - width);
      if (kind && y > 0 && x > 0) meet(i - width - 1);
      if (kind && y > 0 && x < width - 1) meet(i - width + 1);
      if (found === 0) {
        found = parent.length;
        parent.push(found);
      }
      label[i] = found;
    }
  }
  const all = new Map();
  for (let i = 0; i < label.length; i += 1) {
    const of = root(label[i]);
    label[i] = of;
    let one = all.get(of);
    if (!one) {
      one = blank();
      one.first = i;
      one.dark = dark[i];
      all.set(of, one);
    }
    const [x, y] = [i % width, (i / width) | 0];
    one.area += 1;
    one.x += x;
    one.y += y;
    one.xx += x * x;
    one.yy += y * y;
    one.xy += x * y;
    if (x < one.left) one.left = x;
    if (x > one.right) one.right = x;
    if (y < one.top) one.top = y;
    if (y > one.bottom) one.bottom = y;
  }
  return { label, all };
};

const plus = (a, b) => ({ ...a, area: a.area + b.area, x: a.x + b.x, y: a.y + b.y, xx: a.xx + b.xx, yy: a.yy + b.yy, xy: a.xy + b.xy });

const moments = (one) => {
  const [x, y] = [one.x / one.area, one.y / one.area];
  // A pixel is a square, not a point.
  const [xx, yy, xy] = [one.xx / one.area - x * x + 1 / 12, one.yy / one.area - y * y + 1 / 12, one.xy / one.area - x * y];
  return { x, y, xx, yy, xy, full: one.area / (4 * Math.PI * Math.sqrt(Math.max(1e-9, xx * yy - xy * xy))) };
};

/** Where the middle of a nut lies, by how dark each pixel of it is and not by whole pixels. */
const middle = (light, width, height, nut) => {
  const { xx, yy, xy } = nut.moments;
  const whole = xx * yy - xy * xy;
  const inside = (x, y) => {
    const [dx, dy] = [x - nut.x, y - nut.y];
    return (yy * dx * dx - 2 * xy * dx * dy + xx * dy * dy) / whole;
  };
  const [pale, black] = [[], []];
  const reach = 3 + Math.ceil(2.6 * Math.sqrt(Math.max(xx, yy)));
  const box = (visit) => {
    for (let y = Math.max(0, Math.floor(nut.y - reach)); y <= Math.min(height - 1, nut.y + reach); y += 1) {
      for (let x = Math.max(0, Math.floor(nut.x - reach)); x <= Math.min(width - 1, nut.x + reach); x += 1) visit(x, y, inside(x, y));
    }
  };
  // In its own moments the edge of an ellipse lies at 4; the hole ends at about 0.7.
  box((x, y, at) => {
    if (at > 1.4 && at < 2.8) black.push(light[y * width + x]);
    if (at > 5.6 && at < 7.2) pale.push(light[y * width + x]);
  });
  if (pale.length < 8 || black.length < 8) return null;
  const mid = (list) => list.sort((a, b) => a - b)[list.length >> 1];
  const [low, high] = [mid(black), mid(pale)];
  if (high - low < 30) return null;
  let [sum, sx, sy] = [0, 0, 0];
  box((x, y, at) => {
    if (at > 6) return;
    const weight = Math.min(1, Math.max(0, (high - light[y * width + x]) / (high - low)));
    sum += weight;
    sx += weight * x;
    sy += weight * y;
  });
  // The outermost, the white around it, is to be white all round.
  const grain = pale.filter((one) => one < low + 0.6 * (high - low)).length / pale.length;
  return grain > 0.2 ? null : [sx / sum + 0.5, sy / sum + 0.5];
};

/** What looks like a nut: [{x, y, size}], the largest first: letters have holes too, and are smaller. */
export const nuts = (image) => {
  const { width, height } = image;
  const light = grey(image);
  const { label, all } = regions(darkness(light, width, height), width, height);
  const holes = new Map();
  for (const one of all.values()) {
    if (one.dark || one.left === 0 || one.top === 0 || one.right === width - 1 || one.bottom === height - 1) continue;
    const around = label[one.first - 1];
    holes.set(around, [...(holes.get(around) ?? []), one]);
  }
  const found = [];
  for (const [of, one] of all) {
    if (!one.dark || one.area < LEAST_AREA || one.area > MOST_SHARE * width * height || !holes.has(of)) continue;
    const inner = holes.get(of).sort((a, b) => b.area - a.area);
    const hole = moments(inner[0]);
    const filled = inner.reduce(plus, one);
    const shape = moments(filled);
    const share = inner[0].area / filled.area;
    const size = Math.sqrt(filled.area);
    const off = Math.hypot(hole.x - shape.x, hole.y - shape.y) / size;
    const flat = Math.min(shape.xx, shape.yy) / Math.max(shape.xx, shape.yy);
    if (share < 0.07 || share > 0.34 || off > 0.11 || shape.full < 0.9 || shape.full > 1.1 || flat < 0.06) continue;
    const at = middle(light, width, height, { x: shape.x, y: shape.y, moments: shape });
    if (at) found.push({ x: at[0], y: at[1], size });
  }
  return found.sort((a, b) => b.size - a.size);
};

/** Eight unknowns from four points: from the first pair of coordinates to the second. */
export const fourPoint = (from, to) => {
  const rows = [];
  for (let i = 0; i < 4; i += 1) {
    const [[x, y], [u, v]] = [from[i], to[i]];
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  return solve(rows);
};

const solve = (rows) => {
  const n = rows.length;
  for (let k = 0; k < n; k += 1) {
    let best = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(rows[i][k]) > Math.abs(rows[best][k])) best = i;
    if (Math.abs(rows[best][k]) < 1e-12) return null;
    [rows[k], rows[best]] = [rows[best], rows[k]];
    for (let i = 0; i < n; i += 1) {
      if (i === k) continue;
      const by = rows[i][k] / rows[k][k];
      if (by !== 0) for (let j = k; j <= n; j += 1) rows[i][j] -= by * rows[k][j];
    }
  }
  return rows.map((row, i) => row[n] / row[i]);
};

/** The same from more points, by least squares of the plain equations; the numbers are scaled first. */
export const manyPoint = (from, to) => {
  const scale = (points) => {
    const [x, y] = [0, 1].map((axis) => points.reduce((sum, p) => sum + p[axis], 0) / points.length);
    const by = 1 / Math.max(1e-9, points.reduce((sum, p) => sum + Math.hypot(p[0] - x, p[1] - y), 0) / points.length);
    return { x, y, by, points: points.map((p) => [(p[0] - x) * by, (p[1] - y) * by]) };
  };
  const [a, b] = [scale(from), scale(to)];
  const normal = Array.from({ length: 8 }, () => new Array(9).fill(0));
  a.points.forEach(([x, y], i) => {
    const [u, v] = b.points[i];
    for (const row of [[x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]]) {
      for (let r = 0; r < 8; r += 1) for (let c = 0; c < 9; c += 1) normal[r][c] += row[r] * row[c];
    }
  });
  const h = solve(normal);
  if (!h) return null;
  return (x, y) => {
    const [p, q] = [(x - a.x) * a.by, (y - a.y) * a.by];
    const w = h[6] * p + h[7] * q + 1;
    return [(h[0] * p + h[1] * q + h[2]) / w / b.by + b.x, (h[3] * p + h[4] * q + h[5]) / w / b.by + b.y];
  };
};

const through = (h, [x, y]) => {
  const w = h[6] * x + h[7] * y + 1;
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
};

/** How far, in px, the other four lie from where four of them say. */
const misses = (points) => {
  const even = [0, 2, 4, 6];
  const h = fourPoint(even.map((i) => MARKS[i]), even.map((i) => points[i]));
  if (!h) return Infinity;
  let sum = 0;
  for (const i of [1, 3, 5, 7]) {
    const [x, y] = through(h, MARKS[i]);
    sum += (x - points[i][0]) ** 2 + (y - points[i][1]) ** 2;
  }
  return Math.sqrt(sum / 4);
};

const around = (points) => {
  const [x, y] = [0, 1].map((axis) => points.reduce((sum, p) => sum + p[axis], 0) / points.length);
  return [...points].sort((a, b) => Math.atan2(a[1] - y, a[0] - x) - Math.atan2(b[1] - y, b[0] - x));
};

function* eights(n) {
  const pick = Array.from({ length: 8 }, (_, i) => i);
  for (;;) {
    yield pick;
    let at = 7;
    while (at >= 0 && pick[at] === n - 8 + at) at -= 1;
    if (at < 0) return;
    pick[at] += 1;
    for (let i = at + 1; i < 8; i += 1) pick[i] = pick[i - 1] + 1;
  }
}

/** A nut seen aslant has its middle of gravity beside its middle: by how much, from where all of them lie. */
const straightened = (points) => {
  let seen = points;
  for (let round = 0; round < 2; round += 1) {
    const project = manyPoint(MARKS, seen);
    if (!project) return points;
    const ring = (mark, radius) => {
      let [area, x, y] = [0, 0, 0];
      const edge = Array.from({ length: 24 }, (_, i) => project(mark[0] + radius * Math.cos(i * Math.PI / 12), mark[1] + radius * Math.sin(i * Math.PI / 12)));
      edge.forEach((p, i) => {
        const q = edge[(i + 1) % 24];
        const cross = p[0] * q[1] - q[0] * p[1];
        area += cross / 2;
        x += (p[0] + q[0]) * cross / 6;
        y += (p[1] + q[1]) * cross / 6;
      });
      return [area, x, y];
    };
    seen = points.map((point, i) => {
      const [outer, inner] = [ring(MARKS[i], FLATS / 2 * 1.05), ring(MARKS[i], HOLE)];
      const area = outer[0] - inner[0];
      const [x, y] = project(...MARKS[i]);
      return [point[0] - ((outer[1] - inner[1]) / area - x), point[1] - ((outer[2] - inner[2]) / area - y)];
    });
  }
  return seen;
};

/**
 * The card in a picture: {marks: [[px, px, mm, mm]…], misses: px, sure: how many times worse the next best turn is}, or {found: n} where
 * only so many nuts were seen.
 */
export const findCard = (image) => {
  const seen = nuts(image).slice(0, MOST_CANDIDATES);
  if (seen.length < 8) return { found: seen.length };
  let [best, next] = [null, Infinity];
  for (const pick of eights(seen.length)) {
    const points = around(pick.map((i) => [seen[i].x, seen[i].y]));
    for (let turn = 0; turn < 8; turn += 1) {
      const turned = points.map((_, i) => points[(i + turn) % 8]);
      const off = misses(turned);
      const size = Math.hypot(turned[4][0] - turned[0][0], turned[4][1] - turned[0][1]);
      const share = off / Math.max(1, size);
      if (!best || share < best.share) {
        if (best) next = Math.min(next, best.share);
        best = { share, off, points: turned };
      } else {
        next = Math.min(next, share);
      }
    }
  }
  if (best.share > 0.012 || next < 3 * best.share) return { found: Math.min(7, seen.length) };
  return { marks: straightened(best.points).map((p, i) => [...p, ...MARKS[i]]), misses: best.off, sure: next / Math.max(1e-9, best.share) };
};

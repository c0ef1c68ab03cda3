// A camera of the tests: a card and two spots on a plane, seen from a known place through a lens that bends, blurred and grainy. Written
// apart from what is tested: another lens model, another way onto the plane, the texture by its own sums.

export const luck = (seed) => {
  let state = (seed * 2654435761) >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const between = (low, high) => low + (high - low) * next();
  const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  return { next, between, normal };
};

const inHex = (x, y, flats) => {
  const [a, b] = [Math.abs(x), Math.abs(y)];
  return Math.max(b, 0.8660254 * a + 0.5 * b) <= flats / 2;
};

/** Pose, lens and light of one scene. */
export const scene = (seed, marks, how = {}) => {
  // A card that is not wholly in the picture is none to be found: seen from somewhere else then.
  for (let i = 0; ; i += 1) {
    const one = seen(seed + 100_000 * i, marks, how);
    const inside = ([x, y]) => { const [a, b] = one.project([x, y]); return a > 4 && b > 4 && a < one.width - 4 && b < one.height - 4; };
    const corners = marks.flatMap(([x, y]) => [[x - 8, y - 8], [x + 8, y - 8], [x + 8, y + 8], [x - 8, y + 8]]);
    if (corners.every(inside)) return one;
  }
};

const seen = (seed, marks, { hard = false, hexes = true }) => {
  const dice = luck(seed);
  const [width, height] = dice.next() < 0.5 ? [1200, 900] : [900, 1200];
  const focal = Math.max(width, height) * dice.between(0.75, 1.05);
  const far = dice.between(190, hard ? 520 : 420);
  const tilt = dice.between(0, hard ? 50 : 38) * Math.PI / 180;
  const way = dice.between(0, 2 * Math.PI);
  const spin = dice.between(0, 2 * Math.PI);
  // Looks at the middle of the card from a place on a sphere around it, then turns about its own axis.
  const eye = [65 + far * Math.sin(tilt) * Math.cos(way), 40 + far * Math.sin(tilt) * Math.sin(way), -far * Math.cos(tilt)];
  const at = [65 + dice.between(-14, 14), 40 + dice.between(-14, 14), 0];
  const unit = (v) => { const l = Math.hypot(...v); return v.map((c) => c / l); };
  const cross = (a, b) => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
  const dot = (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const ahead = unit(at.map((c, i) => c - eye[i]));
  const right0 = unit(cross([0, 1, 0], ahead).map((c) => c));
  const down0 = cross(ahead, right0);
  const right = right0.map((c, i) => Math.cos(spin) * c + Math.sin(spin) * down0[i]);
  const down = right0.map((c, i) => -Math.sin(spin) * c + Math.cos(spin) * down0[i]);
  const k1 = dice.between(-0.055, 0.055);
  const k2 = dice.between(-0.012, 0.012);
  const half = Math.hypot(width, height) / 2 / focal;

  /** From mm on the plane to px: bent as Brown has it, outwards from what is straight. */
  const project = ([x, y]) => {
    const ray = [x - eye[0], y - eye[1], -eye[2]];
    const [u, v] = [dot(ray, right) / dot(ray, ahead), dot(ray, down) / dot(ray, ahead)];
    const r2 = (u * u + v * v) / (half * half);
    const by = 1 + k1 * r2 + k2 * r2 * r2;
    return [width / 2 + focal * by * u, height / 2 + focal * by * v];
  };
  /** Back again, by trying; onto a place of two numbers, so that nothing is made for each pixel. */
  const unproject = (px, py, to) => {
    const [ud, vd] = [(px - width / 2) / focal, (py - height / 2) / focal];
    let u = ud;
    let v = vd;
    for (let i = 0; i < 4; i += 1) {
      const r2 = (u * u + v * v) / (half * half);
      const by = 1 + k1 * r2 + k2 * r2 * r2;
      u = ud / by;
      v = vd / by;
    }
    const reach = -eye[2] / (right[2] * u + down[2] * v + ahead[2]);
    to[0] = eye[0] + (right[0] * u + down[0] * v + ahead[0]) * reach;
    to[1] = eye[1] + (right[1] * u + down[1] * v + ahead[1]) * reach;
  };

  // What is measured: two spots on the plane, beside or within the card.
  const spot = () => [dice.between(-25, 155), dice.between(-25, 105)];
  let points = [spot(), spot()];
  for (let i = 0; i < 200; i += 1) {
    const inView = points.every((p) => { const [x, y] = project(p); return x > 15 && y > 15 && x < width - 15 && y < height - 15; });
    const clear = points.every((p) => marks.every(([x, y]) => Math.hypot(p[0] - x, p[1] - y) > 13));
    if (inView && clear && Math.hypot(points[0][0] - points[1][0], points[0][1] - points[1][1]) > 40) break;
    points = [spot(), spot()];
  }
  // Bolts lie about, some with a hole in them, off the card.
  const bolts = hexes ? Array.from({ length: 7 }, () => [dice.between(-90, 220), dice.between(-80, 160), dice.between(7, 20), dice.next() < 0.6]).filter(([x, y]) => x < -24 || x > 154 || y < -24 || y > 104) : [];
  const letters = Array.from({ length: 60 }, () => [dice.between(12, 118), dice.between(12, 62), dice.between(0.8, 2)]);
  const [glow, slope, turn] = [dice.between(150, 235), dice.between(0, 0.0022), dice.between(0, 2 * Math.PI)];
  const [ground, coarse] = [dice.between(60, 150), dice.between(8, 26)];

  // What may lie at a place, by squares of 4 mm.
  const cells = new Map();
  const enter = (x, y, reach, shape) => {
    for (let i = Math.floor((x - reach) / 4); i <= Math.floor((x + reach) / 4); i += 1) {
      for (let j = Math.floor((y - reach) / 4); j <= Math.floor((y + reach) / 4); j += 1) {
        const key = i * 4096 + j;
        if (!cells.has(key)) cells.set(key, []);
        cells.get(key).push(shape);
      }
    }
  };
  for (const [x, y] of marks) enter(x, y, 7, (a, b) => (Math.hypot(a - x, b - y) < 2.6 ? glow : (inHex(a - x, b - y, 12) ? 0.14 * glow : null)));
  for (const [x, y, r] of letters) enter(x, y, r, (a, b) => { const away = Math.hypot(a - x, b - y); return away < r && away > 0.45 * r ? 0.2 * glow : null; });
  for (const [x, y] of points) enter(x, y, 1, (a, b) => (Math.abs(a - x) < 0.7 && Math.abs(b - y) < 0.7 ? 0.1 * glow : null));
  for (const [x, y, size, holed] of bolts) enter(x, y, size, (a, b) => (holed && Math.hypot(a - x, b - y) < 0.24 * size ? ground * 1.35 : (inHex(a - x, b - y, size) ? 0.35 * ground : null)));

  const paint = (x, y) => {
    const shade = 1 + slope * ((x - 65) * Math.cos(turn) + (y - 40) * Math.sin(turn));
    for (const shape of cells.get(Math.floor(x / 4) * 4096 + Math.floor(y / 4)) ?? []) {
      const value = shape(x, y);
      if (value !== null) return value * shade;
    }
    if (x >= -10 && x <= 140 && y >= -10 && y <= 90) return glow * shade;
    return Math.max(0, (ground + Math.sin(x / coarse) * Math.cos(y / (0.7 * coarse)) * 18) * shade);
  };

  const render = () => {
    const light = new Float32Array(width * height);
    const to = [0, 0];
    for (let py = 0; py < height; py += 1) {
      for (let px = 0; px < width; px += 1) {
        let sum = 0;
        for (let part = 0; part < 4; part += 1) {
          unproject(px + 0.25 + 0.5 * (part & 1), py + 0.25 + 0.25 * (part & 2), to);
          sum += paint(to[0], to[1]);
        }
        light[py * width + px] = sum / 4;
      }
    }
    const soft = blurred(light, width, height, dice.between(0.4, 1.3));
    const noise = dice.between(1, 6);
    const data = new Uint8ClampedArray(4 * width * height);
    for (let i = 0; i < light.length; i += 1) {
      const value = soft[i] + noise * dice.normal();
      data[4 * i] = value;
      data[4 * i + 1] = value * 0.98;
      data[4 * i + 2] = value * 0.93;
      data[4 * i + 3] = 255;
    }
    return { data, width, height };
  };

  return { width, height, points, project, render, dice, far, tilt: tilt * 180 / Math.PI };
};

const blurred = (light, width, height, sigma) => {
  const reach = Math.ceil(3 * sigma);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const all = weights.reduce((a, b) => a + b);
  const pass = (from, stepX, stepY) => {
    const to = new Float32Array(from.length);
    for (let y = 0; y < height; y += 1) {
      for (let x = 0; x < width; x += 1) {
        let sum = 0;
        for (let i = -reach; i <= reach; i += 1) {
          const sx = Math.min(width - 1, Math.max(0, x + i * stepX));
          const sy = Math.min(height - 1, Math.max(0, y + i * stepY));
          sum += weights[i + reach] * from[sy * width + sx];
        }
        to[y * width + x] = sum / all;
      }
    }
    return to;
  };
  return pass(pass(light, 1, 0), 0, 1);
};

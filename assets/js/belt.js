// The belt's way round its pulleys, as core/BeltDrive/BeltPath has it, for the moment a pulley is dragged; a test holds the two alike.
const TURN = 2 * Math.PI;
const MISSED = 5.5;

/**
 * @param {{x: number, y: number, d: number, ribs: boolean}[]} pulleys in belt order, seen from the front, y up, mm
 * @returns {{path: string, length: number, wraps: number[]}|null} the pitch line with y down; null where no belt can run
 */
export const belt = (pulleys, be, tb) => {
  if (pulleys.length < 2 || !pulleys.some((p) => p.ribs) || pulleys.some((p) => ![p.x, p.y, p.d].every(Number.isFinite))) return null;
  for (const [i, a] of pulleys.entries()) {
    for (const b of pulleys.slice(i + 1)) if (Math.hypot(a.x - b.x, a.y - b.y) <= (a.d + b.d) / 2) return null;
  }
  const area = pulleys.reduce((sum, p, i) => {
    const next = pulleys[(i + 1) % pulleys.length];
    return sum + p.x * next.y - next.x * p.y;
  }, 0);
  const sense = area < 0 ? -1 : 1;
  return running(pulleys, be, tb, sense) ?? running(pulleys, be, tb, -sense);
};

const running = (pulleys, be, tb, sense) => {
  const count = pulleys.length;
  const pitch = pulleys.map((p) => p.d / 2 + (p.ribs ? be : tb));
  const radii = pulleys.map((p, i) => sense * (p.ribs ? 1 : -1) * pitch[i]);
  const spans = [];
  for (let i = 0; i < count; i += 1) {
    const [a, b, j] = [pulleys[i], pulleys[(i + 1) % count], (i + 1) % count];
    const apart = Math.hypot(b.x - a.x, b.y - a.y);
    const across = radii[j] - radii[i];
    if (apart <= Math.abs(across) + 1e-9) return null;
    const way = Math.atan2(b.y - a.y, b.x - a.x) - Math.asin(across / apart);
    const [left, up] = [-Math.sin(way), Math.cos(way)];
    spans.push({
      way, length: Math.sqrt(apart ** 2 - across ** 2),
      start: [a.x - radii[i] * left, a.y - radii[i] * up], end: [b.x - radii[j] * left, b.y - radii[j] * up],
    });
  }
  let [sum, length] = [0, -TURN * be];
  const turns = spans.map((span, i) => {
    const sign = radii[i] > 0 ? 1 : -1;
    const raw = ((span.way - spans[(i + count - 1) % count].way) * sign) % TURN;
    const turn = raw < -1e-9 ? raw + TURN : Math.max(0, raw);
    sum += sign * turn;
    length += pitch[i] * turn + span.length;
    return turn;
  });
  if (Math.abs(Math.abs(sum) - TURN) > 1e-6 || (count > 2 && Math.max(...turns) > MISSED)) return null;
  const n = (value) => value.toFixed(2);
  let path = `M${n(spans[0].start[0])} ${n(-spans[0].start[1])}`;
  spans.forEach((span, i) => {
    const next = (i + 1) % count;
    const to = spans[next].start;
    path += ` L${n(span.end[0])} ${n(-span.end[1])} A${n(pitch[next])} ${n(pitch[next])} 0 ${turns[next] > Math.PI ? 1 : 0} ${radii[next] > 0 ? 0 : 1} ${n(to[0])} ${n(-to[1])}`;
  });
  return { path: `${path} Z`, length, wraps: turns.map((turn) => (turn * 180) / Math.PI) };
};

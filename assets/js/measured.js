// What was measured in a picture a moment ago, for the form that asks for it: places of bolts, or pulleys in belt order.
const read = () => {
  try {
    return JSON.parse(sessionStorage.getItem('nk-measured') ?? 'null');
  } catch {
    return null;
  }
};

const tell = (field) => field.dispatchEvent(new Event('input', { bubbles: true })) && field.dispatchEvent(new Event('change', { bubbles: true }));

export const startMeasured = () => {
  const found = read();
  const points = document.querySelector('[data-measured-points]');
  // Of bolt holes measured as circles their middles, else the points themselves.
  const places = found?.circles.length > 1 ? found.circles : found?.points ?? [];
  if (points && places.length > 1) {
    points.hidden = false;
    points.textContent = `Take the ${places.length} places measured`;
    points.addEventListener('click', () => {
      const field = document.getElementById(points.dataset.measuredPoints);
      const middle = [0, 1].map((axis) => places.reduce((sum, p) => sum + p[axis], 0) / places.length);
      field.value = places.map(([x, y]) => `${(x - middle[0]).toFixed(1)},${(y - middle[1]).toFixed(1)}`).join('; ');
      tell(field);
    });
  }
  document.addEventListener('click', (event) => {
    if (!event.target.closest('[data-measured-pulleys]')) return;
    const form = document.getElementById('board');
    const [ox, oy] = found.circles[0];
    found.circles.forEach(([x, y, d], i) => {
      const value = { x: x - ox, y: oy - y, d };
      for (const key of ['x', 'y', 'd']) {
        const field = form.elements.namedItem(`p[${i}][${key}]`);
        if (field) field.value = String(Math.round(10 * value[key]) / 10);
      }
    });
    tell(form.elements.namedItem('p[0][x]'));
  });
  const offer = () => {
    const pulleys = document.querySelector('[data-measured-pulleys]');
    if (!pulleys || !(found?.circles.length > 1)) return;
    pulleys.hidden = false;
    pulleys.textContent = `Take the ${found.circles.length} pulleys measured`;
  };
  offer();
  document.addEventListener('htmx:after:swap', offer);
};

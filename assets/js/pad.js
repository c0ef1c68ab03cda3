// A sketch pad for the places of fasteners: pick a shape, tap where each one sits, tap one again to take it away. The
// numbers stand in the field beside it, in mm, and may be typed there instead.
const NS = 'http://www.w3.org/2000/svg';

const read = (field) => field.value.split(/[;\n]+/).map((pair) => pair.trim().split(/[\s,]+/).map(Number)).filter((pair) => pair.length === 2 && pair.every(Number.isFinite));

const draw = (pad, field) => {
  const layer = pad.querySelector('[data-dots]');
  layer.replaceChildren();
  read(field).forEach(([x, y], i) => {
    const dot = document.createElementNS(NS, 'g');
    dot.setAttribute('transform', `translate(${x} ${y})`);
    dot.dataset.place = String(i);
    const head = document.createElementNS(NS, 'circle');
    head.setAttribute('r', '9');
    head.setAttribute('class', 'metal');
    const number = document.createElementNS(NS, 'text');
    number.setAttribute('text-anchor', 'middle');
    number.setAttribute('y', '4.5');
    number.setAttribute('font-size', '12');
    number.textContent = String(i + 1);
    dot.append(head, number);
    layer.append(dot);
  });
};

const place = (pad, event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(pad.getScreenCTM().inverse());
  return [Math.round(at.x), Math.round(at.y)];
};

export const startPad = () => {
  for (const pad of document.querySelectorAll('[data-pad]')) {
    const field = document.getElementById(pad.dataset.pad);
    const shape = document.getElementById(pad.dataset.shape);
    const outline = () => { for (const path of pad.querySelectorAll('[data-outline]')) path.toggleAttribute('hidden', path.dataset.outline !== shape.value); };
    pad.addEventListener('click', (event) => {
      const points = read(field);
      const dot = event.target.closest('[data-place]');
      if (dot) points.splice(Number(dot.dataset.place), 1);
      else points.push(place(pad, event));
      field.value = points.map((p) => p.join(',')).join('; ');
      draw(pad, field);
    });
    field.addEventListener('input', () => draw(pad, field));
    shape.addEventListener('change', outline);
    outline();
    draw(pad, field);
  }
};

// Makes what is shown like what the server sent, and leaves alone what belongs to the hand: typed text, focus, what is open.
const same = (a, b) => a.nodeType === b.nodeType && a.nodeName === b.nodeName && (a.id || '') === (b.id || '');

const OURS = { DETAILS: ['open'], DIALOG: ['open'] };

const isDirty = (field) => (field.type === 'checkbox' || field.type === 'radio' ? field.checked !== field.defaultChecked : field.value !== field.defaultValue);

/** What is wrong with what somebody wrote stands until it is written again, or until something else is asked: only this side knows of it. */
const stands = (told) => told !== null && !told.hidden && told.dataset.of === told.closest('[data-mark-form]')?.dataset.markForm;
const isWrong = (field) => stands(field.closest('[data-mark-form]')?.querySelector('[data-wrong]') ?? null);

const attributes = (old, fresh) => {
  const keep = OURS[old.nodeName] ?? [];
  // What is bound on this side is the page's own.
  const ours = (name) => keep.includes(name) || name === 'data-armed' || (name === 'aria-invalid' && isWrong(old)) || old.hasAttribute(`:${name}`) || (name === 'aria-pressed' && old.hasAttribute('data-unit'));
  for (const { name } of Array.from(old.attributes)) if (!fresh.hasAttribute(name) && !ours(name)) old.removeAttribute(name);
  for (const { name, value } of Array.from(fresh.attributes)) {
    if (ours(name)) continue;
    if (old.getAttribute(name) !== value) old.setAttribute(name, value);
  }
};

const children = (old, fresh) => {
  const byId = new Map(Array.from(old.children).filter((child) => child.id).map((child) => [child.id, child]));
  let at = old.firstChild;
  for (const next of Array.from(fresh.childNodes)) {
    const known = next.id ? byId.get(next.id) : undefined;
    if (known && known !== at && known.nodeName === next.nodeName) old.insertBefore(known, at);
    const match = known && known.nodeName === next.nodeName ? known : at;
    if (match && same(match, next)) {
      at = match.nextSibling;
      morph(match, next);
    } else {
      old.insertBefore(document.importNode(next, true), at);
    }
  }
  while (at) {
    const gone = at;
    at = at.nextSibling;
    gone.remove();
  }
};

export const morph = (old, fresh) => {
  if (old.nodeType !== Node.ELEMENT_NODE) {
    if (old.nodeValue !== fresh.nodeValue) old.nodeValue = fresh.nodeValue;
    return;
  }
  if (old.hasAttribute('data-keep') || (old.hasAttribute('data-wrong') && stands(old))) return;
  const typed = old.matches('input, textarea, select') && (document.activeElement === old || isDirty(old));
  attributes(old, fresh);
  if (typed) return;
  children(old, fresh);
};

/** Morphs the inside of an element to a piece of HTML. */
export const morphInside = (element, html) => {
  const fresh = new DOMParser().parseFromString(`<body>${html}</body>`, 'text/html').body;
  children(element, fresh);
};

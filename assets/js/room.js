// Gives the texts of a step as many lines as the screen has room for: cautions stand whole before them, the drawing keeps its share, and
// where even one line a text leaves it none it gives way. A text that is cut says so and is opened by a tap.

const WHOLE = 20;
/** What the step says is cut before what its stage says; [lines of the step, lines in turn]. */
const CUTS = [[WHOLE, WHOLE], [8, WHOLE], [6, WHOLE], [5, WHOLE], [4, WHOLE], [3, WHOLE], [3, 6], [3, 4], [2, 4], [2, 3], [2, 2], [1, 2], [1, 1]];
/** A drawing has this much of the height as long as a text has two lines left; its lines never less than so many px. */
const SHARE = 0.3;
const LEAST = 92;
/** Bolts in a drawing lower than this cannot be tapped. */
const TAPPED = 48;
/** Lines below which the drawing gives way. */
const FEW = 2;

const over = (element) => element.scrollHeight - element.clientHeight > 1;

/** A tray under what stands in its way may go on below, and is scrolled to; the figure and what stands in the way are seen at once. */
const isFigureSeen = (panes) => [...panes.querySelectorAll('.turn .figure-number, .turn .figure-word, .turn .stops')].every((one) => (
  one.getBoundingClientRect().bottom - panes.getBoundingClientRect().top <= panes.parentElement.clientHeight + 0.5
));

const isRoomy = (panes, share) => {
  const drawing = panes.querySelector('.draw');
  const isDrawn = drawing && getComputedStyle(drawing).display !== 'none';
  const isSeen = () => drawing.clientHeight >= share * panes.clientHeight && ![...drawing.querySelectorAll('svg')].some((svg) => svg.getBoundingClientRect().height < LEAST);
  return !over(panes) && isFigureSeen(panes) && ![...panes.querySelectorAll('.say, .turn')].some(over) && (!isDrawn || isSeen());
};

const give = (panes, [said, turned]) => {
  for (const text of panes.querySelectorAll('.say > .text')) text.style.setProperty('--lines', said);
  for (const text of panes.querySelectorAll('.turn > .text')) text.style.setProperty('--lines', turned);
};

const tell = (panes) => {
  for (const text of panes.querySelectorAll('.say > .text, .turn > .text')) {
    const isCut = over(text);
    text.toggleAttribute('data-cut', isCut);
    if (isCut) {
      text.setAttribute('role', 'button');
      text.setAttribute('tabindex', '0');
      text.setAttribute('aria-expanded', 'false');
    } else for (const one of ['role', 'tabindex', 'aria-expanded']) text.removeAttribute(one);
  }
};

const fit = (panes) => CUTS.some((cut) => {
  give(panes, cut);
  return isRoomy(panes, cut[0] > FEW ? SHARE : 0);
});

export const makeRoom = () => {
  const panes = document.querySelector('.panes');
  if (!panes) return;
  for (const open of panes.querySelectorAll('[data-open].text')) open.removeAttribute('data-open');
  panes.classList.remove('is-undrawn');
  if (!fit(panes) && (!panes.querySelector('.draw .bolt') || panes.querySelector('.draw').clientHeight < TAPPED)) {
    panes.classList.add('is-undrawn');
    fit(panes);
  }
  tell(panes);
};

const open = (text) => {
  text.toggleAttribute('data-open');
  text.setAttribute('aria-expanded', String(text.hasAttribute('data-open')));
  if (!text.hasAttribute('data-open')) makeRoom();
};

export const startRoom = () => {
  if (!document.getElementById('bench')) return;
  makeRoom();
  document.fonts?.ready.then(makeRoom);
  // A face that is first needed later changes every measure.
  document.fonts?.addEventListener('loadingdone', makeRoom);
  // Not only the window: a line that says the server is away takes of the room too.
  new ResizeObserver(makeRoom).observe(document.querySelector('.work'));
  document.addEventListener('bench:changed', makeRoom);
  document.addEventListener('click', (event) => {
    const text = event.target.closest('.text[data-cut]');
    if (text) open(text);
  });
  document.addEventListener('keydown', (event) => {
    const text = event.target.closest?.('.text[data-cut]');
    if (!text || event.key !== 'Enter') return;
    event.preventDefault();
    open(text);
  });
};

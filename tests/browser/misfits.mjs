// What does not fit on the screen of a bench, or is cut without saying so: asked in the page.

/** What does not fit on the screen, in words; read in the page. */
export const misfits = () => {
  const found = [];
  const [w, h] = [window.innerWidth, window.innerHeight];
  const thumb = document.querySelector('.thumb').getBoundingClientRect();
  const name = (e) => (e.id ? `#${e.id}` : `.${String(e.className.baseVal ?? e.className).split(' ')[0]}`);
  const check = (e, bottom) => {
    const r = e.getBoundingClientRect();
    if (r.width < 1 || r.height < 1) found.push(`${name(e)} is not shown`);
    else if (r.left < -0.5 || r.right > w + 0.5 || r.top < -0.5 || r.bottom > bottom + 0.5) found.push(`${name(e)} ends at ${Math.round(r.right)},${Math.round(r.bottom)} of ${w},${Math.round(bottom)}`);
  };
  if (document.documentElement.scrollWidth > w) found.push(`sideways ${document.documentElement.scrollWidth}`);
  if (document.documentElement.scrollHeight > h + 1) found.push(`page scrolls ${document.documentElement.scrollHeight}`);
  const turn = document.querySelector('.turn');
  if (turn.scrollHeight > turn.clientHeight + 1) found.push(`turn needs ${turn.scrollHeight} of ${turn.clientHeight}`);
  const say = document.querySelector('.say');
  if (say.scrollHeight > say.clientHeight + 2) found.push(`say needs ${say.scrollHeight} of ${say.clientHeight}`);
  for (const e of document.querySelectorAll('#step-title, .turn .figure-number, .turn .figure-word, .turn .caution.must, .turn .caution.must button, #ask-form, #ask-form input, #ask-form .units, .stops, .tool-list, .turn .tag-row')) check(e, thumb.top);
  check(document.querySelector('.thumb .go'), h);
  for (const tray of document.querySelectorAll('.tray-list')) check(tray, thumb.top);
  if (!document.querySelector('.figure-number, .figure-word, .caution.must, .lead, .stops, .asked')) found.push('nothing to act on');
  for (const svg of document.querySelectorAll('.draw svg')) {
    if (getComputedStyle(svg.closest('.draw')).display === 'none') continue;
    // The path of the charge air is as long as it is: its window is on the screen, and it is scrolled sideways in that.
    check(svg.closest('.scroll') ?? svg, thumb.top);
    const r = svg.getBoundingClientRect();
    if (r.height < 90) found.push(`drawing only ${Math.round(r.height)} high`);
    for (const bolt of svg.querySelectorAll('.bolt .hole')) check(bolt, thumb.top);
  }
  // A caution is whole and on the screen; a text that is cut says so.
  for (const e of document.querySelectorAll('.say .caution.told, .turn .caution.told')) {
    check(e, thumb.top);
    const box = e.closest('.say, .turn').getBoundingClientRect();
    if (e.scrollHeight > e.clientHeight + 1 || e.getBoundingClientRect().bottom > box.bottom + 1) found.push(`a caution is cut: ${e.textContent.trim().slice(0, 40)}`);
  }
  for (const e of document.querySelectorAll('.say > .text, .turn > .text')) {
    if (e.getBoundingClientRect().height < 1) found.push(`a text is not shown: ${e.textContent.slice(0, 40)}`);
    else if (e.scrollHeight > e.clientHeight + 1 && e.dataset.cut === undefined) found.push(`a text is cut and does not say so: ${e.textContent.slice(0, 40)}`);
  }
  const go = document.querySelector('.thumb .go');
  if (go.scrollHeight > go.clientHeight + 2) found.push('the button’s words do not fit');
  return found;
};

/** Room is given in the frame after a page has changed its size. */
export const settled = async (page) => {
  const { width, height } = page.viewportSize();
  await page.waitForFunction(([w, h]) => window.innerWidth === w && window.innerHeight === h && document.fonts.status === 'loaded', [width, height]);
  await page.evaluate(() => new Promise((done) => { requestAnimationFrame(() => requestAnimationFrame(done)); }));
};

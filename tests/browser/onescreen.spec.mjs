// Title, number, whole drawing, open input, caution and button are on the screen together at every step and every act in turn,
// with no scrolling and nothing sideways, at five sizes. A sample of the procedures; all of them with NK_ALL=1.
import { test, expect } from '@playwright/test';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { signIn, watchConsole, workUntil } from './hands.mjs';

const demo = new Demo();
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const SIZES = [[1280, 800], [1024, 768], [1180, 820], [820, 1180], [360, 740]];
const FITS = [
  ['veldra-tarn-20t', 'thermostat-under', 'c_fill=vacuum'], ['veldra-tarn-20t', 'spark-plugs', ''], ['corrin-drover-27d', 'gearbox-mount', ''],
  ['veldra-tarn-20t', 'thermostat-under', 'c_fill=burp'], ['ostrel-vane-s6', 'serpentine-belt', ''], ['ostrel-vane-s6', 'crank-damper', ''], ['corrin-drover-27d', 'starter', ''],
  ['corrin-drover-27d', 'water-pump', ''], ['corrin-drover-27d', 'oil-filter-housing', ''], ['corrin-drover-27d', 'engine-mounts', ''], ['ostrel-vane-s6', 'thermostat-front', ''],
];
const SAMPLE = sample(FITS, 'screens', FITS.length);

/** What does not fit on the screen, in words; read in the page. */
const misfits = () => {
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
    check(svg, thumb.top);
    const r = svg.getBoundingClientRect();
    if (r.height < 90) found.push(`drawing only ${Math.round(r.height)} high`);
    for (const bolt of svg.querySelectorAll('.bolt .hole')) check(bolt, thumb.top);
  }
  const go = document.querySelector('.thumb .go');
  if (go.scrollHeight > go.clientHeight + 2) found.push('the button’s words do not fit');
  return found;
};

for (const [vehicle, procedure, choices] of SAMPLE) {
  test(`${procedure} ${choices}: one screen at every act`, async ({ page }) => {
    test.setTimeout(900_000);
    const errors = watchConsole(page);
    await signIn(page, demo.base, /Ines Tarrow/);
    await page.goto(`${demo.base}/start?vehicle=${vehicle}&procedure=${procedure}&${choices}`);
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    await page.waitForURL(/\/fits\//);
    await page.getByRole('link', { name: 'Go to the bench' }).click();
    await page.evaluate(() => document.fonts.ready);
    const found = [];
    let acts = 0;
    await workUntil(page, '', async (step, turn) => {
      acts += 1;
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        for (const one of await page.evaluate(misfits)) found.push(`${step} (${turn}) at ${width}x${height}: ${one}`);
      }
      await page.setViewportSize({ width: 1280, height: 800 });
    });
    expect(acts).toBeGreaterThan(20);
    expect(found).toEqual([]);
    expect(errors).toEqual([]);
  });
}

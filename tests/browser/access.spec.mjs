// Every main view at three widths: no accessibility violation, nothing runs off the side, nothing breaks the policy.
import { test, expect } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { signIn, watchConsole } from './hands.mjs';

const demo = new Demo();
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const views = async (page) => {
  await page.goto(`${demo.base}/`);
  const fit = new URL(await page.getByRole('link', { name: /Tarn 20T: thermostat/ }).first().getAttribute('href'), demo.base).pathname;
  return {
    yard: '/', fits: '/fits', sheet: fit, bench: `${fit}/bench`, 'a removal': `${fit}/bench/off.under-pan`, 'a reading': `${fit}/bench/vacuum-pull`, 'the mix': `${fit}/bench/mix`, 'a caution': `${fit}/bench/start-first`, 'a booking': `${fit}/bench/book-level`, 'loose ends': `${fit}/loose-ends`,
    start: '/start', procedures: '/start?vehicle=veldra-tarn-20t', questions: '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under', vehicles: '/vehicles', vehicle: '/vehicles/corrin-drover-27d',
    sums: '/sums', 'torque check': '/sums/torque-check', 'wrench set': '/sums/wrench-set', 'coolant mix': '/sums/coolant-mix', 'a bad sum': '/sums/coolant-mix?capacity=x', kit: '/kit', logbook: '/logbook', 'edit a vehicle': '/vehicles/corrin-drover-27d/edit?item=starter', replan: `${fit}/replan?item=plate&before=under-pan`, 'several at once': '/start?vehicle=corrin-drover-27d&procedures[]=starter&procedures[]=gearbox-mount', estimate: '/sums/torque-estimate', 'an angle': '/sums/angle-tighten', vacuum: '/sums/vacuum-fill', 'a level': '/sums/coolant-level', 'a curve': '/sums/warm-up', oil: '/sums/oil-fill', 'a clamp': '/sums/clamp-size', fluids: '/vehicles/veldra-tarn-20t/fluids', practice: '/practice', 'a warm-up': `${fit}/bench/warm-up`, 'a fill': `${fit}/bench/vacuum-fill`, 'a level on the bench': `${fit}/bench/level-cold`, jump: '/jump', 'a search': '/jump?q=45%20ft-lb', import: '/import', review: `${fit}/review`, 'hand-over': `${fit}/hand-over`, labels: `${fit}/labels`, cost: `${fit}/cost`, 'a list of items': '/vehicles/corrin-drover-27d/list', 'a joint': '/vehicles/corrin-drover-27d/edit?joint=pump-bolts', 'all procedures': '/procedures', 'a procedure': '/procedures/starter', writing: '/procedures/write?of=starter', people: '/people', me: '/me', hands: '/hands', workshop: '/workshop', backups: '/backups', 'a belt': '/vehicles/ostrel-vane-s6/drives/blower', 'another pulley': '/vehicles/ostrel-vane-s6/drives/blower/change?d=64', 'a new belt': '/vehicles/ostrel-vane-s6/drives/new', routing: '/vehicles/ostrel-vane-s6/drives/blower/routing?step=3', tension: '/vehicles/ostrel-vane-s6/drives/blower/tension', nowhere: '/nowhere',
  };
};

test('the sign-in page is open to all', async ({ page }) => {
  const errors = watchConsole(page);
  await page.goto(`${demo.base}/sign-in`);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  expect(errors).toEqual([]);
});

for (const theme of ['light', 'dark']) {
  test(`main views on the ${theme} board`, async ({ page }) => {
    test.setTimeout(480_000);
    const errors = watchConsole(page);
    await signIn(page, demo.base, /Ines Tarrow/);
    if (theme === 'dark') await page.getByRole('button', { name: 'Dark bay' }).click();
    const found = [];
    const shown = sample(Object.entries(await views(page)).filter(([name]) => theme === 'light' || ['yard', 'sheet', 'bench', 'a removal', 'the mix', 'a caution', 'questions', 'kit', 'torque check'].includes(name)), `axe ${theme}`, 4);
    for (const [name, path] of shown) {
      await page.goto(demo.base + path);
      const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
      found.push(...violations.map((v) => `${name}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`));
    }
    expect(found).toEqual([]);
    expect(errors.filter((e) => !e.includes('404'))).toEqual([]);
  });
}

test('nothing runs off the side at 360, 800 and 1280', async ({ page }) => {
  test.setTimeout(360_000);
  await signIn(page, demo.base, /Ines Tarrow/);
  const all = await views(page);
  const wide = [];
  for (const width of [360, 800, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    for (const [name, path] of sample(Object.entries(all), `wide ${width}`, 3)) {
      await page.goto(demo.base + path);
      const needs = await page.evaluate(() => document.documentElement.scrollWidth);
      if (needs > width) wide.push(`${name} at ${width} needs ${needs}`);
    }
  }
  expect(wide).toEqual([]);
});

test('what a glove must hit on the bench is 64 px', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  const all = await views(page);
  for (const width of [360, 800, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of [all.bench, all['a removal'], all['a caution']]) {
      await page.goto(demo.base + path);
      const small = await page.locator('.thumb .slab:visible, .tray-list .slab:visible, .caution .slab, .bolt[role=button] .reach').evaluateAll((targets) => targets.map((t) => { const { width: w, height: h } = t.getBoundingClientRect(); return { name: t.textContent.trim() || 'bolt', w, h }; }).filter(({ w, h }) => h < 64 || (w < 44)));
      expect(small, `${path} at ${width}`).toEqual([]);
    }
  }
});

test('keys: help opens, sections follow G, a tap of a digit finds its fastener', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'Sums' })).toBeVisible();
  // A heading is seen before the page's scripts have run: nobody hears a key until then.
  await page.waitForLoadState('load');
  await page.keyboard.press('/');
  await page.locator('#q').fill('mix');
  await expect(page.locator('#hits li')).toHaveCount(1);
  const { bench } = await views(page);
  await page.goto(demo.base + bench);
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: '9 loose ends' })).toBeVisible();
});

test('a sum answers while typing, and its address brings it back', async ({ page }) => {
  await signIn(page, demo.base, /Petra Lunn/);
  await page.goto(`${demo.base}/sums/torque-check`);
  await expect(page.getByRole('heading', { name: 'The two figures disagree' })).toBeVisible();
  await page.getByLabel('The figure as written').fill('17 lbf·ft (23 N·m)');
  await expect(page.locator('#answer')).toContainText('The two statements agree');
  await page.getByLabel('The figure as written').fill('seventeen of something');
  await expect(page.locator('#answer [role=alert]')).toContainText('is not a');
  await expect(page.getByLabel('The figure as written')).toHaveValue('seventeen of something');
  await page.getByLabel('The figure as written').fill('9 Nm');
  await expect(page.locator('#answer .figure-number')).toContainText('9.0');
  await page.goto(page.url());
  await expect(page.getByLabel('The figure as written')).toHaveValue('9 Nm');
  await expect(page.locator('#answer .figure-number')).toContainText('9.0');
});

// The engine on a bar, on a hook and a jack, on a jack, handed over: the drawing says who holds it at each step.
import { test, expect } from '@playwright/test';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { signIn, stepId, workUntil } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const plan = async (page, way, jobs = ['engine-mounts']) => {
  await page.goto(`${demo.base}/start?vehicle=corrin-drover-27d&${jobs.map((job) => `procedures[]=${job}`).join('&')}&c_engine-hold=${way}`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Who carries what' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
};

/** Works to a step and writes down what the drawing said on the way. */
const told = async (page, until) => {
  const said = {};
  await workUntil(page, until, async (step) => {
    const text = page.locator('.ledger-said');
    if (!(step in said) && (await text.count())) said[step] = (await text.innerText()).replace(/\s+/g, ' ');
  });
  expect(await stepId(page)).toBe(until);
  return said;
};

const both = 'left engine mount, right engine mount undone';
const walks = [
  ['bar-two', 'emount-left-off', { 'emount-bar-two': 'Then: own mounts and support bar', 'emount-up': `Support bar; ${both}` }],
  ['bar-one', 'emount-left-upper', { 'emount-level': 'Then: own mounts and support bar and jack with timber' }],
  ['jack', 'emount-left-upper', { 'emount-jack': 'Then: own mounts and jack with timber' }],
  ['jack-bar', 'emount-left-tight', {
    'emount-to-bar': 'Own mounts and jack with timber Then: own mounts and support bar',
    'emount-left-off': 'Then: support bar, 40 mm up; right engine mount undone; left engine mount off',
    'emount-down': 'Then: own mounts, undone',
  }],
];

for (const [way, until, expected] of sample(walks, 'holds', 4)) {
  test(`the engine is held: ${way}`, async ({ page }) => {
    test.setTimeout(180_000);
    await signIn(page, demo.base, /Ines Tarrow/);
    await plan(page, way);
    const said = await told(page, until);
    for (const [step, text] of Object.entries(expected)) expect(said[step], step).toContain(text);
  });
}

test('a mount does not come out before the engine is held, nor the second before the first is in', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await plan(page, 'bar-two');
  await page.waitForSelector('#bench');
  const bench = page.url().replace(/bench.*/, 'bench');
  await page.goto(`${bench}/emount-left-off`);
  await expect(page.locator('.stops')).toContainText('Nothing holds the engine yet');
  await expect(page.locator('.thumb .go')).toHaveText('Go and do it first');
});

test('the gearbox stays on its jack while the crossmember is let down', async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page, demo.base, /Ines Tarrow/);
  await page.goto(`${demo.base}/start?vehicle=askerby-roan-30t&procedure=gearbox-crossmember`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  const said = await told(page, 'cross-mount-on');
  expect(said['cross-hold-beam']).toContain('Gearbox Own mounts and jack with timber');
  expect(said['cross-down']).toContain('Then: stand, 30 mm down');
  expect(said['cross-mount-off']).toContain('Then: jack with timber; gearbox mount on its crossmember off');
});

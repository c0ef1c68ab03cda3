// The slip clutch of the Vane: a stack of discs brought into its band, trial by trial, and put together as it lay.
import { expect, test } from '@playwright/test';
import { afterMark, go, signIn, tapGo, watchConsole, workUntil } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo();

test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const shot = async (page, name) => { if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` }); };

test('a stack comes into its band in at most four trials, and goes together as it was tried', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  await page.goto(`${demo.base}/start?vehicle=ostrel-vane-s6&procedure=slip-clutch`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.waitForURL(/\/fits\//);
  const fit = new URL(page.url()).pathname;
  await page.goto(`${demo.base}${fit}/bench`);
  await workUntil(page, 'clutch-trials');
  await expect(page.locator('.turn')).toContainText('130 N·m once bedded in');
  await expect(go(page)).toBeDisabled();
  const stack = page.getByLabel('Discs from below, u or d each; or 2p 3s');
  const pulls = page.getByLabel('Pulls the way it runs, each to its peak, N·m');
  // Two pulls are no trial, and what was typed stays.
  await stack.fill('2p 3s');
  await page.getByLabel('Set to, mm').fill('19.5');
  // Half a millimetre of shims lies under it: they can come out too, so that the box reaches every friction there is.
  await page.getByLabel('Shims under it, mm').fill('0.5');
  await page.getByLabel('Shims in the box').fill('0.05 0.1 0.2 0.2 0.4 0.8');
  await page.getByLabel('Thread left on the nut').fill('2.5 mm');
  await pulls.fill('140 150');
  await page.getByRole('button', { name: 'Keep the trial' }).click();
  await expect(page.locator('.flash, .notice.bad').first()).toContainText('Three pulls or more');
  await expect(pulls).toHaveValue('140 150');
  await expect(stack).toHaveValue('2p 3s');
  let trials = 0;
  while (trials < 4) {
    await page.getByRole('button', { name: 'Pull the simulated clutch' }).click();
    await expect(pulls).toHaveValue(/^[\d.]+ [\d.]+ [\d.]+$/);
    await page.getByRole('button', { name: 'Keep the trial' }).click();
    trials += 1;
    await expect(page.locator('.trials li')).toHaveCount(trials);
    await shot(page, `trial-${trials}`);
    if (await page.locator('.trials li').first().locator('.level.ok').count()) break;
    await expect(page.locator('.turn')).toContainText('in a hundred that it lies in its band');
  }
  await expect(page.locator('.trials li').first().locator('.level.ok')).toHaveText('in its band');
  await expect(page.locator('.draw svg[aria-label*="Disc springs cut through"]').first()).toBeVisible();
  await afterMark(page, () => tapGo(page));
  await workUntil(page, 'clutch-on');
  await workUntil(page, 'wheel-nut');
  await expect(page.locator('.turn')).toContainText('Left-hand thread');
  await shot(page, 'left-hand');
  await workUntil(page, 'nowhere');
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await page.getByRole('link', { name: 'Review and sign' }).click();
  await page.getByLabel(/I have read/).check();
  await page.getByRole('button', { name: 'Sign it off' }).click();
  await expect(page.getByText('Signed off. Follow-ups are in the logbook.')).toBeVisible();
  expect(errors).toEqual([]);
});

// A bolt snaps: named in three taps, mended step by step, seen on the other tablet, in the logbook afterwards.
import { test, expect } from '@playwright/test';
import { Demo } from './server.mjs';
import { go, signIn, tapGo, watchConsole, workUntil } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

test('a snapped bolt is named, mended and told of', async ({ page, browser }) => {
  test.setTimeout(120_000);
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.locator('a[href$="/bench"]').first().click();
  await page.waitForSelector('#bench');
  const bench = new URL(page.url()).pathname.replace(/bench.*/, 'bench');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, demo.base, /Petra Lunn/);
  await other.goto(`${demo.base}${bench}/housing-tight`);
  await expect(go(other)).toContainText('Bolt 3');

  await page.goto(`${demo.base}${bench}/housing-tight`);
  await page.locator('.thumb .fell').click();
  await page.getByRole('link', { name: 'Snapped bolt' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Snapped bolt');
  await page.locator('label', { hasText: 'It is flush or below' }).click();
  await page.getByRole('button', { name: 'Add these steps' }).click();
  await expect(page.locator('#step-title')).toHaveText('Look before you touch it again');

  // The other tablet is told without asking, and is not offered the bolt any more.
  await expect(go(other)).toHaveText('Mend it first', { timeout: 15_000 });
  await tapGo(other);
  await expect(other.locator('#step-title')).toHaveText('Look before you touch it again');
  await other.close();

  const seen = await workUntil(page, 'housing-tight');
  expect(seen).toContain('mend1-try');
  await page.goto(`${demo.base}${bench.replace(/bench$/, 'loose-ends')}`);
  await expect(page.locator('.ends.big')).not.toContainText('Snapped bolt');
  await expect(page.locator('.review').first()).toBeVisible();
  await expect(page.locator('main')).toContainText('Snapped bolt: M6 thermostat housing bolt 3. It is flush or below');
  await page.goto(`${demo.base}/logbook`);
  await expect(page.locator('main')).toContainText('Snapped bolt: M6 thermostat housing bolt 3');
  expect(errors).toEqual([]);
});

test('without a connection the bench says where the steps come from and stays', async ({ page, context }) => {
  test.setTimeout(90_000);
  await signIn(page, demo.base, /Joss Wending/);
  await page.locator('a[href$="/bench"]').first().click();
  await page.waitForSelector('#bench');
  await context.setOffline(true);
  await page.locator('.thumb .fell').click();
  await page.getByRole('link', { name: 'Wrong part' }).click();
  await expect(page.locator('#dropped [data-offline]')).toBeVisible({ timeout: 15_000 });
  await expect(page.locator('#bench')).toBeVisible();
});

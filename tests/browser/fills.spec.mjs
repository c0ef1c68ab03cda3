// The other two ways of filling, walked to the end; and a tablet that is switched off with marks still on it.
import { test, expect } from '@playwright/test';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { afterMark, signIn, stepId, tapGo, watchConsole, workUntil } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

for (const [way, label, marks] of sample([
  ['bleed', 'Engine-off bleed screw', ['bleed-fill', 'bleed-close']],
  ['burp', 'Run and burp', ['burp-fill', 'burp-run']],
], 'fills', 2)) {
  test(`filled by the way “${label}”`, async ({ page }) => {
    test.setTimeout(240_000);
    const errors = watchConsole(page);
    await signIn(page, demo.base, /Ines Tarrow/);
    await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=${way}&c_shield=before-start`);
    await expect(page.getByRole('radio', { name: label })).toBeChecked();
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    await page.waitForURL(/\/fits\//);
    const fit = new URL(page.url()).pathname;
    await page.getByRole('link', { name: 'Go to the bench' }).click();
    const seen = await workUntil(page, '');
    for (const step of marks) expect(seen).toContain(step);
    expect(seen).not.toContain('vacuum-pull');
    expect(seen.indexOf('on.under-pan'), 'shields on before the first start').toBeLessThan(seen.indexOf('start-first'));
    await page.goto(`${demo.base}${fit}/review`);
    await page.getByLabel(/I have read/).check();
    await page.getByRole('button', { name: 'Sign it off' }).click();
    await expect(page.getByText('Signed off.')).toBeVisible();
    expect(errors).toEqual([]);
  });
}

test('marks on a tablet that was switched off without a connection are sent when it is on again', async ({ context }) => {
  const page = await context.newPage();
  await signIn(page, demo.base, /Joss Wending/);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  expect(await stepId(page)).toBe('housing-tight');
  const url = page.url();
  await page.waitForSelector('.thumb .go[data-armed]');
  await demo.kill();
  await tapGo(page);
  await page.locator('.thumb [data-open="note"]').click();
  await page.locator('#note-text').fill('Written with the plug out.');
  await page.getByRole('button', { name: 'Save note' }).click();
  await expect(page.locator('#keeping')).toContainText('2 marks are safe on this tablet');
  await page.close();
  await demo.start({ reset: false });
  const again = await context.newPage();
  await again.goto(`${demo.base}/`);
  await again.goto(url);
  await expect(again.locator('#keeping')).toBeHidden({ timeout: 40_000 });
  await again.reload();
  await again.getByRole('button', { name: 'Look up' }).click();
  await expect(again.locator('.bolt').nth(2)).toHaveAttribute('aria-label', /Bolt 3, final/);
  await expect(again.getByText('Written with the plug out.')).toHaveCount(1);
});

test('a mark the server refuses is said to be refused, and the tablet goes on', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/`);
  await page.getByRole('link', { name: 'Back to the bench' }).first().click();
  await page.waitForURL(/\/bench/);
  await page.waitForLoadState('load');
  await page.evaluate(() => {
    const button = document.createElement('button');
    button.id = 'forged';
    button.dataset.marks = JSON.stringify([{ type: 'fastener-marked', joint: 'thermostat-cover-bolts', bolt: 99, stage: 1 }]);
    document.getElementById('bench').append(button);
    button.click();
  });
  await expect(page.locator('#refused')).toContainText('fasteners 1 to 3');
  await expect(page.locator('#keeping')).toBeHidden();
  // It stays, with its reason, until it is thrown away by hand.
  await page.reload();
  await expect(page.locator('#refused')).toContainText('fasteners 1 to 3');
  await page.getByRole('button', { name: 'Throw away' }).click();
  await expect(page.locator('#refused')).toBeHidden();
  await afterMark(page, async () => {
    await page.keyboard.press('n');
    await page.locator('#note-text').fill('Still writing.');
    await page.getByRole('button', { name: 'Save note' }).click();
  });
  await page.getByRole('button', { name: 'Look up' }).click();
  await expect(page.getByText('Still writing.')).toBeVisible();
});

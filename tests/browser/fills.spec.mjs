// The other two ways of filling, walked to the end; and a tablet that is switched off with marks still on it.
import { test, expect } from '@playwright/test';
import { Demo } from './server.mjs';
import { afterMark, go, signIn, stepId, watchConsole, workUntil, writeReadings } from './hands.mjs';

const demo = new Demo(8075);
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

for (const [way, label, marks] of [
  ['bleed', 'Engine-off bleed screw', ['bleed-fill', 'bleed-close']],
  ['burp', 'Run and burp', ['burp-fill', 'burp-run']],
]) {
  test(`filled by the way «${label}»`, async ({ page }) => {
    test.setTimeout(240_000);
    const errors = watchConsole(page);
    await signIn(page, demo.base, /Ines Tarrow/);
    await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=${way}&c_shield=before-start`);
    await expect(page.getByRole('radio', { name: label })).toBeChecked();
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    const fit = new URL(page.url()).pathname;
    await page.getByRole('link', { name: 'Go to the bench' }).click();
    const seen = await workUntil(page, '');
    for (const step of marks) expect(seen).toContain(step);
    expect(seen).not.toContain('vacuum-pull');
    expect(seen.indexOf('on.under-pan'), 'shields on before the first start').toBeLessThan(seen.indexOf('start-first'));
    await page.goto(`${demo.base}${fit}/loose-ends`);
    await page.getByRole('button', { name: 'Sign it off' }).click();
    await expect(page.getByText('Signed off.')).toBeVisible();
    expect(errors).toEqual([]);
  });
}

test('a vacuum fill is held, walked away from, and goes on at the same second', async ({ page }) => {
  test.setTimeout(240_000);
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=vacuum&altitude=1200`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await workUntil(page, 'vacuum-pull');
  const url = `${new URL(page.url()).pathname.replace(/bench.*/, '')}bench/vacuum-pull`;
  await afterMark(page, () => go(page).click());
  await expect(page.locator('.stage-title')).toHaveText('Cone in, everything else shut');
  await afterMark(page, () => go(page).click());
  await expect(page.locator('.act .figure-number').first()).toContainText('77.0');
  await expect(page.locator('svg.dial')).toBeVisible();
  await writeReadings(page);
  await afterMark(page, () => go(page).click());
  const left = async () => { const [m, s] = (await page.locator('.timer').innerText()).split(/[: ]/).map(Number); return 60 * m + s; };
  await expect(go(page)).toBeDisabled();
  const before = await left();
  const at = Date.now();
  await demo.kill();
  await demo.start({ reset: false });
  await page.goto(`${demo.base}${url}`);
  await expect(page.locator('.timer')).toBeVisible();
  await page.waitForTimeout(400);
  expect(Math.abs(before - (Date.now() - at) / 1000 - (await left()))).toBeLessThan(2.5);
  await writeReadings(page);
  await expect(page.getByText(/It holds|It loses/)).toBeVisible();
  await expect(go(page)).toHaveText('Done');
  expect(errors.filter((text) => !text.includes('ERR_CONNECTION'))).toEqual([]);
});

test('trapped air is found by the warm-up watch, stands as a loose end, and goes when the next curve is sound', async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page, demo.base, /Ines Tarrow/);
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=bleed`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  const fit = new URL(page.url()).pathname;
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  const seen = await workUntil(page, 'warm-up');
  expect(seen).toContain('bleed-fill');
  await page.goto(`${demo.base}${fit}/bench/warm-up`);
  await page.getByRole('button', { name: /coolant probe in hand/ }).click();
  const run = async (fault) => {
    await page.locator('details', { hasText: 'What the simulated engine is like' }).locator('summary').click();
    await page.selectOption('[data-engine-fault]', fault);
    await page.getByRole('button', { name: 'Start the simulated engine' }).click();
  };
  await run('trapped-air');
  await expect(page.locator('.judged')).toContainText('air trapped', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Engine off' }).click();
  await expect.poll(async () => { await page.goto(`${demo.base}${fit}/loose-ends`); return page.getByText('Warm-up: air trapped').count(); }, { timeout: 20_000 }).toBeGreaterThan(0);
  await page.goto(`${demo.base}${fit}/bench/warm-up`);
  await run('none');
  await expect(page.locator('.judged')).toContainText('Sound: it opened', { timeout: 90_000 });
  await page.getByRole('button', { name: 'Engine off' }).click();
  await expect(page.locator('.given')).toContainText('from the curve', { timeout: 20_000 });
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.getByText('Warm-up: air trapped')).toHaveCount(0);
});

test('marks on a tablet that was switched off without a connection are sent when it is on again', async ({ context }) => {
  const page = await context.newPage();
  await signIn(page, demo.base, /Joss Wending/);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  expect(await stepId(page)).toBe('housing-tight');
  const url = page.url();
  await demo.kill();
  await go(page).click();
  await page.locator('[data-open="note"]').click();
  await page.locator('#note-text').fill('Written with the plug out.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('#keeping')).toContainText('2 marks are safe on this tablet');
  await page.close();
  await demo.start({ reset: false });
  const again = await context.newPage();
  await again.goto(`${demo.base}/`);
  await again.goto(url);
  await expect(again.locator('#keeping')).toBeHidden({ timeout: 20_000 });
  await again.reload();
  await expect(again.locator('.bolt').nth(2)).toHaveAttribute('aria-label', /Bolt 3, final/);
  await expect(again.getByText('Written with the plug out.')).toHaveCount(1);
});

test('a mark the server refuses is said to be refused, and the tablet goes on', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/`);
  await page.getByRole('link', { name: 'Back to the bench' }).first().click();
  await page.evaluate(() => {
    const button = document.createElement('button');
    button.id = 'forged';
    button.dataset.marks = JSON.stringify([{ type: 'fastener-marked', joint: 'thermostat-cover-bolts', bolt: 99, stage: 1 }]);
    document.getElementById('bench').append(button);
    button.click();
  });
  await expect(page.locator('#refused')).toContainText('fasteners 1 to 3');
  await expect(page.locator('#keeping')).toBeHidden();
  await afterMark(page, async () => {
    await page.keyboard.press('n');
    await page.locator('#note-text').fill('Still writing.');
    await page.getByRole('button', { name: 'Keep it' }).click();
  });
  await expect(page.getByText('Still writing.')).toBeVisible();
});

// The fluid sums while typing, by their address, and the fluid log of a vehicle.
import { test, expect } from '@playwright/test';
import { Demo } from './server.mjs';
import { signIn, watchConsole } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

test('the vacuum is worked out while typing, and its address gives it back', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Petra Lunn/);
  await page.goto(`${demo.base}/sums/vacuum-fill`);
  // The example is drawn and stands in no field.
  await expect(page.locator('#answer')).toContainText('an example');
  await expect(page.getByLabel('Height above the sea, if known')).toHaveValue('');
  for (const [field, value] of [['temperature', '20 °C'], ['volume', '6.6 L'], ['pulled', '25 inHg']]) await page.locator(`#f-${field}`).fill(value);
  await expect(page.locator('#answer')).not.toContainText('an example');
  await page.getByLabel('Height above the sea, if known').fill('1,200 m');
  await expect(page.locator('#answer')).toContainText('can mean');
  await expect(page.locator('[data-wrong-at="altitude"]')).toContainText('can mean');
  await page.getByLabel('Height above the sea, if known').fill('1200 m');
  await expect(page.locator('#answer .figure-number')).toContainText('76.8');
  await page.getByLabel('Gauge shows').fill('26 inHg');
  await expect(page.locator('#answer .level.stop').first()).toBeVisible();
  await expect(page.locator('#answer')).toContainText('the gauge or the altitude is wrong');
  await expect.poll(() => page.url()).toContain('26');
  await page.goto(page.url());
  await expect(page.getByLabel('Gauge shows')).toHaveValue('26 inHg');
  await expect(page.locator('#answer')).toContainText('the gauge or the altitude is wrong');
  expect(errors).toEqual([]);
});

test('a curve that is pasted is judged', async ({ page }) => {
  await signIn(page, demo.base, /Petra Lunn/);
  await page.goto(`${demo.base}/sums/warm-up`);
  const rows = Array.from({ length: 60 }, (_, i) => `${i * 10} ${(18 + i * 1.8).toFixed(1)}`).join('; ');
  await page.getByLabel('Curve').fill(rows);
  await page.locator('#f-opens').fill('88 °C');
  await expect(page.locator('#answer .figure-number')).toContainText('stuck closed');
  await expect(page.locator('#answer')).toContainText('Stop the engine now');
  await expect(page.locator('#answer svg.plot polyline').first()).toBeVisible();
});

test('a sum is pinned to the step in hand', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/sums/coolant-protect?base=eg&percent=48&cap=1.2+bar`);
  await page.getByRole('button', { name: /Pin it/ }).click();
  await expect(page.locator('.pinned')).toContainText('Freezes at');
  await page.getByRole('button', { name: 'Look up' }).click();
  await page.locator('.pinned a').click();
  await expect(page.locator('#f-percent')).toHaveValue('48');
});

test('the fluid log takes a top-up, judges it and learns the stick', async ({ page }) => {
  const errors = watchConsole(page);
  await page.setViewportSize({ width: 360, height: 760 });
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6`);
  await page.getByRole('link', { name: 'Fluids' }).click();
  await page.locator('#oil-kind').selectOption('topped-up');
  await page.locator('#oil-litres').fill('plenty');
  await page.locator('#oil-note').fill('kept');
  await page.locator('#oil').getByRole('button', { name: 'Write it down' }).click();
  await expect(page.locator('#oil [role=alert]')).toContainText('volume');
  await expect(page.locator('#oil-note')).toHaveValue('kept');
  await page.locator('#oil-litres').fill('1 pt');
  await page.locator('#o-before').fill('10 mm');
  await page.locator('#o-after').fill('20 mm');
  await page.locator('#oil').getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('It stands in the log.')).toBeVisible();
  await expect(page.locator('#oil')).toContainText('47 mL');
  await page.locator('#coolant-kind').selectOption('strength');
  await page.locator('#c-percent').fill('34');
  await page.locator('#coolant').getByRole('button', { name: 'Write it down' }).click();
  await expect(page.locator('#coolant')).toContainText('34.0');
  await expect(page.locator('#coolant .level.watch').first()).toBeVisible();
  expect(errors.filter((e) => !e.includes('422'))).toEqual([]);
});

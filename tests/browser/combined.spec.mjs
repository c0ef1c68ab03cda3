// Three jobs at once on the Drover, from the yard to the signature, with a surprise in the middle.
import { test, expect } from '@playwright/test';
import { Demo } from './server.mjs';
import { signIn, signOut, stepId, tapGo, watchConsole, workUntil } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

let fitUrl = '';

test('starter, gearbox mount and water pump are planned together', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/start?vehicle=corrin-drover-27d`);
  for (const name of ['Starter motor', 'Gearbox mount with insert', 'Water pump']) await page.getByLabel(`Add to this job: ${name}`).check();
  await page.getByRole('button', { name: 'Plan what is ticked, together' }).click();
  await expect(page.getByRole('heading', { name: /Starter motor/ })).toBeVisible();
  const one = await page.locator('#preview .pair b').first().innerText();
  await page.getByText('Two', { exact: true }).click();
  await expect(page.locator('#preview .pair b').first()).not.toHaveText(one);
  await expect(page.locator('#preview')).toContainText(/saves|costs|No minutes/);
  await page.getByText('One', { exact: true }).click();
  await expect(page.locator('#preview .pair b').first()).toHaveText(one);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Time lane' })).toBeVisible();
  await expect(page.locator('svg.lane rect').first()).toBeVisible();
  expect(await page.locator('.step-row').count()).toBeGreaterThan(55);
  fitUrl = new URL(page.url()).pathname;
  expect(errors).toEqual([]);
});

test('what comes off surprises: the sheet is planned again and every mark stays', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}${fitUrl}/bench`);
  await workUntil(page, 'pump-drain');
  await page.goto(demo.base + fitUrl);
  const closed = await page.locator('.step-row.is-closed').count();
  expect(closed).toBeGreaterThan(10);
  await page.getByRole('link', { name: 'Something came up: plan again' }).click();
  await page.getByLabel('What is it?').fill('Tow hook bracket');
  await page.getByLabel('It lies in front of').selectOption({ label: 'starter cover' });
  await page.getByLabel('Fasteners').fill('4');
  await page.getByRole('button', { name: 'Show what changes' }).click();
  await expect(page.getByText('Take off the Tow hook bracket')).toBeVisible();
  await page.getByLabel('What came up').fill('A bracket for a tow hook over the starter cover.');
  await page.getByRole('button', { name: 'Take the new sheet' }).click();
  await expect(page.getByText('every mark is kept')).toBeVisible();
  expect(await page.locator('.step-row.is-closed').count()).toBe(closed);
});

test('it is worked through, the starter never with a live battery, and signed', async ({ page }) => {
  test.setTimeout(300_000);
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}${fitUrl}/bench`);
  const seen = await workUntil(page, '');
  const at = (id) => seen.indexOf(id);
  expect(at('off.tow-hook-bracket')).toBeGreaterThan(-1);
  expect(at('off.tow-hook-bracket')).toBeLessThan(at('starter-cover-off'));
  expect(at('release-gearbox')).toBeLessThan(at('mount-tight'));
  expect(at('battery-on')).toBeLessThan(at('start'));
  expect(await stepId(page)).toBeTruthy();
  await tapGo(page);
  await expect(page.getByRole('heading', { name: '0 loose ends' })).toBeVisible();
  await signOut(page);
  await signIn(page, demo.base, /Ines Tarrow/);
  await page.goto(`${demo.base}${fitUrl}/review`);
  if (await page.getByLabel(/I have read/).count()) await page.getByLabel(/I have read/).check();
  await page.getByRole('button', { name: 'Sign it off' }).click();
  await expect(page.getByText('Signed off.')).toBeVisible();
  expect(errors).toEqual([]);
});

test('a vehicle is entered as one talks, and the map is drawn', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles`);
  await page.getByLabel('Name of a new vehicle').fill('Marl Heron 12');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await page.getByLabel('What it is').fill('starter cover');
  await page.getByLabel('Loose pieces, one kind a line').fill('2x flange nuts, 10 mm socket');
  await page.getByRole('button', { name: 'Save the item' }).click();
  await expect(page.getByText('Kept on the vehicle sheet.')).toBeVisible();
  await page.getByLabel('What it is').fill('starter');
  await page.getByLabel('starter cover', { exact: true }).first().check();
  await page.getByRole('button', { name: 'Save the item' }).click();
  await page.getByLabel('As you would say it').fill('2x M10x60 8.8 into cast iron 47 Nm / 35 ft-lb dry 15 mm socket line');
  await expect(page.locator('#read-back')).toContainText('47 N·m');
  await page.locator('#j-name').fill('starter bolts');
  await page.locator('#j-item').selectOption({ label: 'starter' });
  await page.getByRole('button', { name: 'Save the joint' }).click();
  await page.goto(`${demo.base}/vehicles/marl-heron-12`);
  await expect(page.getByRole('group', { name: /starter lies behind starter cover/ })).toBeVisible();
  await expect(page.getByText('47 Nm / 35 ft-lb')).toBeVisible();
  expect(errors).toEqual([]);
});

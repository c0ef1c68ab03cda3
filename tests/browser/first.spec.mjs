// From an empty database to a fit on the bench, on a vehicle entered by hand: no shell but for the code of the first lead.
import { expect, test } from '@playwright/test';
import { act, workUntil } from './hands.mjs';
import { Demo } from './server.mjs';

const workshop = new Demo({ empty: true });

test.beforeAll(async () => { await workshop.start(); });
test.afterAll(async () => { await workshop.kill(); });

/** Every tap there is, whoever makes it. */
const counted = (context) => context.addInitScript(() => document.addEventListener('click', () => {
  localStorage.setItem('taps', String(Number(localStorage.getItem('taps') ?? 0) + 1));
}, true));

test('a workshop that has never seen the demo gets from nothing to a signed and handed-over fit', async ({ page, context }) => {
  test.setTimeout(240_000);
  await counted(context);
  const began = Date.now();
  await page.goto(workshop.base);
  await expect(page.getByRole('heading', { name: 'Nobody is here yet' })).toBeVisible();

  // The demo first: a workshop of its own beside the empty one.
  await page.getByRole('button', { name: 'Open the demo workshop' }).click();
  await page.getByRole('button', { name: /Ines Tarrow/ }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.locator('.beside-banner')).toContainText('nothing of it is yours');
  await page.getByRole('link', { name: 'Vehicles' }).click();
  await expect(page.locator('.vehicles')).toContainText('Veldra Tarn 20T');
  await page.getByRole('button', { name: 'Back to your workshop' }).click();
  await expect(page.getByRole('heading', { name: 'Nobody is here yet' })).toBeVisible();

  await page.getByLabel('Code').fill(workshop.console('account:code').trim());
  await page.getByLabel('Name').fill('Ada Quill');
  await page.getByLabel('Login').fill('ada');
  await page.getByLabel('Password').fill('seven dry threads');
  await page.getByRole('button', { name: 'Start the workshop' }).click();

  await page.getByLabel('Name of the workshop').fill('Pit Lane Nine');
  await page.getByLabel('Usual warmth').fill('16 °C');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();

  await page.getByRole('link', { name: 'People', exact: true }).click();
  await page.getByLabel('Name').fill('Hale Brisk');
  await page.getByLabel('Login').fill('hale');
  await page.getByLabel('Password').fill('wet hose clamp');
  await page.getByRole('button', { name: 'Add the person' }).click();
  await expect(page.getByText('Hale Brisk can sign in')).toBeVisible();

  // A lead looks into the demo and comes back still signed in; then it is thrown away.
  await page.getByRole('link', { name: 'Workshop', exact: true }).first().click();
  await page.getByRole('button', { name: 'Open the demo' }).click();
  await expect(page.getByRole('heading', { name: 'In hand' })).toBeVisible();
  await page.getByRole('button', { name: 'Back to your workshop' }).click();
  await expect(page.locator('.person')).toHaveText('Ada Quill');
  await page.getByRole('link', { name: 'Workshop', exact: true }).first().click();
  await page.getByRole('button', { name: 'Delete the demo' }).click();
  await expect(page.getByText('The demo workshop is gone')).toBeVisible();

  await page.getByRole('link', { name: 'Vehicles' }).click();
  await expect(page.locator('.vehicles')).not.toContainText('Veldra');
  await page.getByPlaceholder('Name of a new vehicle').fill('Harrow Pin 12');
  await page.getByRole('button', { name: 'Enter it' }).click();
  const carried = page.locator('#carried');
  await expect(carried).toContainText('0 of');
  for (const item of ['starter cover', 'starter']) {
    await carried.locator('li', { hasText: 'Starter motor' }).getByRole('link', { name: item, exact: true }).click();
    await expect(page.locator('#i-name')).toHaveValue(item);
    await page.getByRole('button', { name: 'Save the item' }).click();
  }
  for (const [joint, line] of [['starter bolts', '2x M10x50 8.8 into steel 47 Nm'], ['starter cable nut', '1x M8 into brass 9 Nm']]) {
    await carried.locator('li', { hasText: 'Starter motor' }).getByRole('link', { name: joint, exact: true }).click();
    await page.getByLabel('As you would say it').fill(line);
    await page.getByLabel('Holds', { exact: true }).selectOption({ label: 'starter' });
    await page.getByRole('button', { name: 'Save the joint' }).click();
    await expect(page.getByText('Kept on the vehicle sheet')).toBeVisible();
  }
  await carried.getByRole('link', { name: 'Plan Starter motor' }).click();
  await expect(page.getByLabel('How warm is the workshop?')).toHaveValue('16 °C');
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  const fit = page.url().replace(/\/bench.*/, '');
  await workUntil(page, 'starter-off');
  await act(page);
  await expect(page.locator('#bench')).toBeVisible();
  const planned = Number(await page.evaluate(() => localStorage.getItem('taps')));
  const plannedAt = Date.now();
  await workUntil(page, '');

  await page.goto(`${fit}/job`);
  await page.getByLabel('Registration').fill('AB 12 CDE');
  await page.getByLabel('Customer').fill('Rosa Quill');
  await page.getByLabel('What was asked for').fill('It clicks and does not turn.');
  await page.getByRole('button', { name: 'Save' }).click();

  await page.goto(`${fit}/review`);
  if (await page.getByLabel(/I have read/).count()) await page.getByLabel(/I have read/).check();
  await page.getByRole('button', { name: 'Sign it off' }).click();
  await expect(page.getByText('Signed off.')).toBeVisible();
  await page.getByRole('link', { name: 'Hand-over sheet' }).click();
  for (const said of ['It clicks and does not turn.', 'Starter motor', 'Signed off by Ada Quill', 'Rosa Quill']) await expect(page.locator('.hand-over')).toContainText(said);
  const paper = await page.request.get(`${fit}/print/hand-over`);
  expect(paper.status()).toBe(200);
  expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const taps = Number(await page.evaluate(() => localStorage.getItem('taps')));
  // What it took stands in the logbook, and what is due next is the workshop's own to say.
  await page.goto(`${fit}/times`);
  await expect(page.locator('table.times')).toContainText('Ada Quill');
  await page.goto(`${workshop.base}/logbook/times`);
  await expect(page.locator('table.times tbody tr').first()).toContainText('1');
  await page.goto(`${workshop.base}/vehicles`);
  await page.locator('.vehicles a').first().click();
  await page.getByRole('link', { name: 'Due', exact: true }).click();
  await expect(page.locator('.intervals')).toContainText('Nothing is entered yet');
  await page.getByLabel('The clock shows').fill('128 400 km');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.locator('.figure-time')).toContainText('128');
  await page.getByLabel('What', { exact: true }).fill('Gearbox oil');
  await page.getByLabel('Every, distance').fill('100 000 km');
  await page.getByLabel('The clock showed then').fill('29 000 km');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('.intervals')).toContainText('600');
  await expect(page.locator('.intervals .level')).toHaveText('soon');
  await page.goto(`${workshop.base}/practice/cause?symptom=overheats`);
  await page.getByRole('button', { name: /^Do it/ }).first().click();
  await expect(page.locator('.answers-given .chip')).toHaveCount(1);
  console.log(`first hour: ${planned} taps and ${((plannedAt - began) / 60_000).toFixed(1)} min to the first removal, ${taps} taps and ${((Date.now() - began) / 60_000).toFixed(1)} min to the hand-over`);
});

// From an empty database to a fit on the bench, on a vehicle entered by hand: no shell but for the code of the first lead.
import { expect, test } from '@playwright/test';
import { act, workUntil } from './hands.mjs';
import { Demo } from './server.mjs';

const workshop = new Demo(8089, { empty: true });

test.beforeAll(async () => { await workshop.start(); });
test.afterAll(async () => { await workshop.kill(); });

test('a workshop that has never seen the demo begins by itself', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto(workshop.base);
  await expect(page.getByRole('heading', { name: 'Nobody is here yet' })).toBeVisible();

  // The demo first: a workshop of its own beside the empty one.
  await page.getByRole('button', { name: 'Look into the demo workshop' }).click();
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
  await page.getByRole('button', { name: 'Look into it' }).click();
  await expect(page.getByRole('heading', { name: 'In hand' })).toBeVisible();
  await page.getByRole('button', { name: 'Back to your workshop' }).click();
  await expect(page.locator('.person')).toHaveText('Ada Quill');
  await page.getByRole('link', { name: 'Workshop', exact: true }).first().click();
  await page.getByRole('button', { name: 'Throw it away' }).click();
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
  await workUntil(page, 'starter-off');
  await act(page);
  await expect(page.locator('#bench')).toBeVisible();
});

// Where the vehicle stands: one control on the bench, what it says is true now, with the server and without it.
import { expect, test } from '@playwright/test';
import { go, signIn, tapGo } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo();
test.use({ serviceWorkers: 'allow' });
test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const begun = async (page, procedure) => {
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedures[]=${procedure}`);
  await page.getByRole('button', { name: 'Make the sheet' }).last().click();
  await page.waitForURL(/\/fits\//);
  return new URL(page.url()).pathname;
};
const chip = (page) => page.locator('.stance');
const says = async (page, what) => {
  await chip(page).click();
  await page.getByRole('button', { name: `It is ${what}`, exact: true }).click();
  await expect(chip(page)).toContainText(what);
};

test('it is said where it stands, and the steps that move it go by it', async ({ page }) => {
  await signIn(page, demo.base, 'joss');
  const fit = await begun(page, 'thermostat-under');
  await page.goto(`${demo.base}${fit}/bench/off.front-shield`);
  await expect(chip(page)).toContainText('on the floor');
  await expect(page.locator('.wants')).toContainText('wanted on stands');
  await says(page, 'on the lift');
  await expect(page.locator('.wants')).toHaveCount(0);
  await page.goto(`${demo.base}${fit}/bench/raise-1`);
  await expect(page.locator('.turn .caution.must')).toHaveCount(0);
  await expect(go(page)).toHaveText('It is on the lift already');
  await tapGo(page);
  await page.goto(`${demo.base}${fit}/bench/off.front-shield`);
  await says(page, 'on the floor');
  // The raise is closed by now: the button leads to the control and not to a step that has nothing to do.
  await page.getByRole('button', { name: 'Say where it stands' }).click();
  await expect(page.getByRole('heading', { name: 'Where it stands' })).toBeVisible();
  await page.getByRole('button', { name: 'It is on its stands', exact: true }).click();
  await expect(page.locator('.thumb .go')).toContainText('in the tray');
  await expect(page.locator('.thumb .undo')).toContainText('on its stands');
});

test('it is not moved while it drains; a wheel that is said to be off is on before it comes down', async ({ page }) => {
  await signIn(page, demo.base, 'joss');
  await begun(page, 'serpentine-belt');
  await page.goto(`${demo.base}${new URL(page.url()).pathname}/bench`);
  await says(page, 'on its stands');
  await chip(page).click();
  await page.getByRole('button', { name: 'Front left', exact: true }).click();
  await expect(chip(page)).toContainText('front left wheel off');
  await chip(page).click();
  await expect(page.getByRole('heading', { name: 'Not on the floor yet' })).toBeVisible();
  await expect(page.locator('dialog#stance')).toContainText('A wheel is said to be off.');
  await expect(page.locator('dialog#stance button.stop')).toHaveCount(0);
});

test('without the server the tablet says and refuses the same', async ({ page, context }) => {
  await signIn(page, demo.base, 'joss');
  const fit = await begun(page, 'spark-plugs');
  await page.goto(`${demo.base}${fit}/bench`);
  const id = fit.split('/')[2];
  await expect.poll(() => page.evaluate((one) => Object.hasOwn(JSON.parse(localStorage.getItem('nk-carried') ?? '{}'), one), id), { timeout: 15_000 }).toBe(true);
  await context.setOffline(true);
  await says(page, 'on the lift');
  // What the page offers is not all that a hand can send.
  await page.evaluate(() => { document.querySelector('dialog#stance [data-says]').dataset.marks = JSON.stringify([{ type: 'stood', stance: 'lift', rolls: 1 }]); });
  await chip(page).click();
  await page.locator('dialog#stance [data-says]').first().click();
  await expect(page.locator('#not-here')).toContainText('It rolls on its wheels');
  await context.setOffline(false);
  await expect.poll(async () => { await page.reload(); return chip(page).textContent(); }, { timeout: 20_000 }).toContain('on the lift');
});

test('that it can be rolled away is said on the floor', async ({ page }) => {
  await signIn(page, demo.base, 'joss');
  const fit = await begun(page, 'oil-filter-housing');
  await page.goto(`${demo.base}${fit}/bench`);
  await chip(page).click();
  await page.getByRole('button', { name: 'It rolls', exact: true }).click();
  await chip(page).click();
  await expect(page.getByRole('button', { name: 'It rolls', exact: true })).toHaveAttribute('aria-pressed', 'true');
});

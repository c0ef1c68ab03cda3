// A whole fit without the server: carried, worked from one step to the last, reloaded on the way, and sent when the server is back.
import { expect, test } from '@playwright/test';
import { act, go, signIn, stepId, tapGo, turn, watchConsole } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo(8104);
test.use({ serviceWorkers: 'allow' });
test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const begin = async (page, procedure, vehicle = 'veldra-tarn-20t') => {
  await page.goto(`${demo.base}/start?vehicle=${vehicle}&procedures[]=${procedure}`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.waitForURL(/\/fits\//);
  return new URL(page.url()).pathname.split('/')[2];
};
const waits = (page) => page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox') ?? '[]').length);
const carried = (page, fit) => expect.poll(() => page.evaluate((id) => Object.hasOwn(JSON.parse(localStorage.getItem('nk-carried') ?? '{}'), id), fit), { timeout: 15_000 }).toBe(true);
const controlled = (page) => expect.poll(() => page.evaluate(() => Boolean(navigator.serviceWorker.controller)), { timeout: 15_000 }).toBe(true);
let why = 0;
const READINGS = { coolant_temperature: '19' };

/** Whatever is in turn, by hand, without a server. */
const actOffline = async (page) => {
  const before = `${await stepId(page)}|${await go(page).textContent()}|${await waits(page)}`;
  const now = await turn(page);
  if (now === 'caution') await page.getByRole('button', { name: 'Understood' }).click();
  else if (now === 'tools') await page.locator('.tool-list button').first().click();
  else if (now === 'photo') await page.locator('.thumb .go input').setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64') });
  else if (await page.locator('.answers button').count()) await page.locator('.answers button').first().click();
  else if (await page.locator('#ask-form').count()) {
    const { field } = JSON.parse(await page.locator('#ask-form').getAttribute('data-mark-form'));
    const form = page.locator('#ask-form');
    const [low, high] = [await form.getAttribute('data-low'), await form.getAttribute('data-high')];
    await form.locator('input[name=text]').fill(READINGS[field] ?? (low === null ? '12' : String(Math.round(100 * (Number(low) + Number(high) > 0 ? (Number(low) + Number(high)) / 2 : Number(high))) / 100)));
    await tapGo(page);
  } else if (await go(page).isDisabled()) {
    // A compound that cures is not waited out in a test.
    await page.locator('.turn .over').click();
    await page.locator('#over-why').fill(['Nobody waits here', 'Not in this test', 'Hurried on again'][(why += 1) % 3]);
    await page.locator('#overrule').getByRole('button', { name: 'Close anyway' }).click();
  } else await tapGo(page);
  await expect.poll(async () => `${await stepId(page)}|${await go(page).textContent()}|${await waits(page)}`, { timeout: 10_000, intervals: [20, 40, 80] }).not.toBe(before);
};

test('from the second step to the last without a server, then every mark is there once', async ({ page, context }) => {
  test.setTimeout(150_000);
  page.setDefaultTimeout(8000);
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  const fit = await begin(page, 'gate-lock');
  const from = Date.now();
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  await carried(page, fit);
  const ready = Date.now() - from;
  await controlled(page);
  const size = await page.evaluate(async () => { let bytes = 0; for (const name of await caches.keys()) for (const request of await (await caches.open(name)).keys()) bytes += (await (await (await caches.open(name)).match(request)).clone().arrayBuffer()).byteLength; return bytes; });
  console.log(`ready off line after ${ready} ms, ${(size / 1e6).toFixed(2)} MB`);
  expect(ready).toBeLessThan(5000);
  expect(size).toBeLessThan(6e6);
  const first = await stepId(page);
  while ((await stepId(page)) === first) await act(page);
  await context.setOffline(true);
  await expect(page.locator('#keeping')).toContainText('No connection', { timeout: 15_000 });
  const seen = new Set();
  for (let i = 0; i < 400; i += 1) {
    const step = await stepId(page);
    seen.add(step);
    if ((await go(page).textContent()).includes('sign off')) break;
    if (seen.size >= 5 && !seen.has('reloaded')) {
      // A page that is loaded anew without a server goes on where it was.
      seen.add('reloaded');
      const was = await waits(page);
      await page.reload();
      await expect(page.locator('.unconfirmed')).toBeVisible({ timeout: 15_000 });
      expect(await stepId(page)).toBe(step);
      expect(await waits(page)).toBe(was);
    }
    await actOffline(page);
  }
  expect(seen.size).toBeGreaterThan(20);
  const marks = await waits(page);
  expect(marks).toBeGreaterThan(30);
  const ids = await page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox')).map((one) => one.id));
  await context.setOffline(false);
  await expect.poll(() => waits(page), { timeout: 60_000 }).toBe(0);
  await expect(page.locator('#refused')).toBeHidden();
  const log = JSON.parse(await (await page.request.get(`${demo.base}/fits/${fit}/export`)).text()).events;
  for (const id of ids) expect(log.filter((event) => event.id === id)).toHaveLength(1);
  expect(errors.filter((error) => !/Failed to load resource|net::ERR/.test(error))).toEqual([]);
});

// A picture from the strip to the step that puts it back: taken, drawn on, found again; without a connection, and when it is none.
import { expect, test } from '@playwright/test';
import { words } from '../../assets/js/aloud.js';
import { arrowHead } from '../../assets/js/draw.js';
import { afterMark, signIn, watchConsole } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo();
let fit = '';
test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const open = async (page, step) => {
  if (!fit) fit = (await page.locator('a[href*="/bench"]').first().getAttribute('href')).split('/')[2];
  await page.goto(`${demo.base}/fits/${fit}/bench/${step}`);
};
const drag = async (page, from, to) => {
  const box = await page.locator('.photo-frame.large').boundingBox();
  await page.mouse.move(box.x + from[0] * box.width, box.y + from[1] * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + to[0] * box.width, box.y + to[1] * box.height, { steps: 5 });
  await page.mouse.up();
};
const sample = async (page, name) => {
  await page.keyboard.press('p');
  await page.getByRole('button', { name }).click();
};
const kept = (page) => page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox') ?? '[]').length);

test('taken at the strip, drawn on, found again where it goes back', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Joss Wending');
  await open(page, 'housing-off');
  await afterMark(page, () => sample(page, 'A sealed joint'));
  await expect(page.locator('.thumb .picture')).toContainText('1 taken');
  await page.keyboard.press('p');
  await page.locator('dialog#photo .photo-frame').click();
  await expect(page.getByText('Drag from where it begins')).toBeVisible();
  await drag(page, [0.9, 0.2], [0.7, 0.3]);
  await page.getByRole('radio', { name: 'Number' }).check();
  await drag(page, [0.2, 0.8], [0.2, 0.8]);
  await drag(page, [0.8, 0.8], [0.8, 0.8]);
  await page.getByRole('radio', { name: 'Words' }).check();
  await drag(page, [0.4, 0.9], [0.4, 0.9]);
  await expect(page.getByRole('alert').filter({ hasText: 'Write the words first.' })).toBeVisible();
  await page.locator('[data-photo-text]').fill('dowel');
  await drag(page, [0.4, 0.9], [0.4, 0.9]);
  await page.getByRole('radio', { name: 'Ring' }).check();
  await drag(page, [0.5, 0.5], [0.6, 0.5]);
  await page.getByRole('button', { name: 'Take the last one off' }).click();
  await expect.poll(() => kept(page)).toBe(0);
  await page.reload();
  // Drawn by the server now, the same as it was drawn under the finger.
  await expect(page.locator('[data-photo-marks] li')).toHaveText([/arrow/, /number\s+1/, /number\s+2/, /text\s+dowel/]);
  const tip = await page.locator('.marks path[d*="Z"]').last().evaluate((one) => one.getAttribute('d').match(/[\d.]+/g).map(Number));
  const [wide, high, unit] = await page.locator('[data-photo-page]').evaluate((one) => ['width', 'height', 'unit'].map((name) => Number(one.dataset[name])));
  arrowHead(0.9 * wide, 0.2 * high, 0.7 * wide, 0.3 * high, 5.5 * unit).flat().forEach((value, i) => expect(Math.abs(value - tip[i])).toBeLessThan(3));
  await open(page, 'housing-on');
  await expect(page.locator('.as-it-was img').first()).toHaveJSProperty('complete', true);
  expect(await page.locator('.as-it-was img').first().evaluate((one) => one.naturalWidth)).toBe(1600);
  await expect(page.locator('.as-it-was .marks text').filter({ hasText: 'dowel' }).last()).toBeVisible();
  expect(errors).toEqual([]);
});

test('without a connection it waits on the tablet and outlives the page; a page in a picture’s name is refused', async ({ page, context }) => {
  await signIn(page, demo.base, 'Joss Wending');
  await open(page, 'hose-off');
  await page.keyboard.press('p');
  await page.locator('dialog#photo label.go input').setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('<script>alert(1)</script>') });
  await expect(page.locator('dialog#photo').getByRole('alert')).toContainText('no picture that can be shown');
  await page.locator('dialog#photo').getByRole('button', { name: 'Back to the step' }).click();
  const picture = await (await page.request.get(`${demo.base}/practice/pictures/hoses.jpg`)).body();
  await context.setOffline(true);
  await page.keyboard.press('p');
  await page.locator('dialog#photo label.go input').setInputFiles({ name: 'hoses.jpg', mimeType: 'image/jpeg', buffer: picture });
  await expect(page.locator('#keeping')).toContainText('1 mark is safe on this tablet');
  await expect.poll(() => kept(page)).toBe(1);
  await context.setOffline(false);
  await page.reload();
  await expect.poll(() => kept(page)).toBe(0);
  await expect(page.locator('.thumb .picture')).toContainText('1 taken');
});

test('what is read aloud is the title and the number, its unit in words; a caution goes before', () => {
  const page = (texts) => ({ querySelector: (selector) => (texts[selector] ? { textContent: texts[selector] } : null) });
  expect(words(page({ '#step-title': ' Tighten the housing ', '.turn .lead': 'Set the wrench to', '.turn .figure-number': '7.9 N·m' }))).toBe('Tighten the housing. Set the wrench to 7.9 newton metres');
  expect(words(page({ '#step-title': 'Turn on', '.turn .figure-number': '90 °' }))).toBe('Turn on. 90 degrees');
  expect(words(page({ '#step-title': 'Cold', '.caution.must p': 'It burns.', '.turn .figure-number': '19 °C' }))).toBe('Cold. Caution. It burns.');
});

test('two pictures lie side by side, and the fit goes out with both', async ({ page }) => {
  await signIn(page, demo.base, 'Joss Wending');
  await page.goto(`${demo.base}/fits/${fit}/photos`);
  for (const box of await page.getByLabel('Side by side').all()) await box.check();
  await page.getByRole('button', { name: 'Lay the chosen ones side by side' }).click();
  await expect(page.locator('.photo-sides figure')).toHaveCount(2);
  const [left, right] = await Promise.all([0, 1].map((i) => page.locator('.photo-sides figure').nth(i).boundingBox()));
  expect(Math.abs(left.y - right.y)).toBeLessThan(2);
  const zip = await page.request.get(`${demo.base}/fits/${fit}/export.zip`);
  expect((await zip.body()).subarray(0, 2).toString()).toBe('PK');
});

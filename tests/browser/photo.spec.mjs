// Measured in a picture: drawn in perspective here, so that what is true is known. Nothing of it leaves the browser.
import { expect, test } from '@playwright/test';
import { asked, marks } from '../../assets/js/photo.js';
import { signIn, watchConsole } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo();
test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

/** From mm on the card to px in the picture. */
const H = [[8, 0.6, 300], [0.3, 7.5, 200], [0.0006, 0.0009, 1]];
const seen = ([x, y]) => {
  const [a, b, c] = H.map(([p, q, r]) => p * x + q * y + r);
  return [a / c, b / c];
};

const lay = (page, corners, dots) => page.evaluate(async ([ring, spots]) => {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [1400, 900];
  const paper = canvas.getContext('2d');
  paper.fillStyle = '#8a8578';
  paper.fillRect(0, 0, 1400, 900);
  paper.fillStyle = '#fff';
  paper.beginPath();
  ring.forEach(([x, y], i) => (i ? paper.lineTo(x, y) : paper.moveTo(x, y)));
  paper.fill();
  paper.fillStyle = '#000';
  for (const [x, y] of spots) paper.fillRect(x - 3, y - 3, 6, 6);
  const blob = await new Promise((done) => { canvas.toBlob(done, 'image/png'); });
  const files = new DataTransfer();
  files.items.add(new File([blob], 'card.png', { type: 'image/png' }));
  const input = document.querySelector('[data-photo-file]');
  input.files = files.files;
  input.dispatchEvent(new Event('change', { bubbles: true }));
}, [corners, dots]);

test('a card of known size measures what lies beside it, nudged by key, and nothing is sent', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Joss Wending');
  const sent = [];
  page.on('request', (request) => { if (request.method() !== 'GET') sent.push(request.url()); });
  await page.goto(`${demo.base}/sums/photo-plane`);
  const corners = [[0, 0], [100, 0], [100, 70], [0, 70]].map(seen);
  const dots = [[20, 20], [60, 50], [60, 20]].map(seen);
  await lay(page, corners, dots);
  const canvas = page.locator('[data-photo-canvas]');
  await expect(canvas).toBeVisible();
  await expect(page.locator('[data-photo-said]')).toContainText('top left corner');
  // What moves is not tapped at.
  let last = -1;
  await expect.poll(async () => {
    const { y } = await canvas.boundingBox();
    const isStill = y === last;
    last = y;
    return isStill;
  }).toBe(true);
  const tap = async ([x, y]) => {
    await canvas.scrollIntoViewIfNeeded();
    const box = await canvas.boundingBox();
    await page.mouse.move(box.x + (x * box.width) / 1400, box.y + (y * box.height) / 900);
    await page.mouse.down();
    await expect(page.locator('[data-photo-loupe]')).toBeVisible();
    await page.mouse.up();
    await expect(page.locator('[data-photo-loupe]')).toBeHidden();
  };
  for (const corner of corners) await tap(corner);
  await expect(page.locator('[data-photo-said]')).toContainText('two points for each distance');
  for (const dot of dots.slice(0, 2)) await tap(dot);
  await expect(page.locator('#f-measure')).toHaveValue('1-2');
  await expect(page.locator('#answer .figure-number')).toContainText(/^\s*(49\.[6-9]|50\.[0-4])/);
  await expect(page.locator('#answer')).toContainText('give or take');
  // Ten pixels to the right by key is another distance; ten back is the same again.
  const before = await page.locator('#f-points').inputValue();
  await canvas.focus();
  for (let i = 0; i < 10; i += 1) await page.keyboard.press('ArrowRight');
  expect(await page.locator('#f-points').inputValue()).not.toBe(before);
  for (let i = 0; i < 10; i += 1) await page.keyboard.press('ArrowLeft');
  expect(await page.locator('#f-points').inputValue()).toBe(before);
  // The angle at the second of three is a right one.
  await page.getByRole('button', { name: 'Take the last point back' }).click();
  await page.getByLabel('Angles').check();
  await tap(dots[2]);
  await tap(dots[1]);
  await expect(page.locator('#f-measure')).toHaveValue('1-2-3');
  await expect(page.locator('#answer .figure-number')).toContainText(/^\s*(89|90)/);
  expect(sent).toEqual([]);
  expect(errors).toEqual([]);
});

test('what is no picture is said, and the numbers are as the sum reads them', async ({ page }) => {
  await signIn(page, demo.base, 'Joss Wending');
  await page.goto(`${demo.base}/sums/photo-plane`);
  await page.locator('[data-photo-file]').setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.locator('[data-photo-said]')).toContainText('no picture');
  expect(asked('distance', 5)).toBe('1-2; 3-4');
  expect(asked('angle', 6)).toBe('1-2-3; 4-5-6');
  expect(asked('circle', 2)).toBe('');
  expect(asked('circle', 4)).toBe('circle 1 2 3 4');
  expect(asked('circle', 8, [0, 3])).toBe('circle 1 2 3; circle 4 5 6 7 8');
  expect(asked('circle', 5, [0, 3])).toBe('circle 1 2 3');
  expect(asked('offset', 3)).toBe('3 off 1-2');
  expect(marks([[1, 2], [3, 4], [5, 6], [7, 8]], 100, 70)).toBe('1.00 2.00 0 0; 3.00 4.00 100 0; 5.00 6.00 100 70; 7.00 8.00 0 70');
});

// The belt board with a finger and with keys, and that the browser draws the belt the core computes.
import { test, expect } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { belt } from '../../assets/js/belt.js';
import { Demo } from './server.mjs';
import { signIn, watchConsole } from './hands.mjs';

const demo = new Demo();
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const figure = (page) => page.locator('#drawn .figure-number').first();
const centre = async (page, i) => {
  const box = await page.locator(`svg.board [data-pulley="${i}"] circle`).first().boundingBox();
  return [box.x + box.width / 2, box.y + box.height / 2];
};

test('a pulley is dragged, nudged, undone and kept', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6`);
  await page.getByRole('link', { name: 'Eight-rib blower belt', exact: true }).click();
  await expect(figure(page)).toContainText('1 057');
  const [x, y] = await centre(page, 2);
  const line = page.locator('svg.board [data-belt]').first();
  const before = await line.getAttribute('d');
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 6, y - 20, { steps: 4 });
  // Drawn before anybody let go, and before the server was asked.
  expect(await line.getAttribute('d')).not.toBe(before);
  await page.mouse.up();
  await expect(figure(page)).not.toContainText('1 057');
  const dragged = await page.locator('[name="p[2][y]"]').inputValue();
  expect(Number(dragged)).toBeGreaterThan(338);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[name="p[2][y]"]')).toHaveValue('338');
  await expect(figure(page)).toContainText('1 057');
  await page.locator('svg.board [data-pulley="2"]').focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.locator('[name="p[2][y]"]')).toHaveValue('348');
  await expect(figure(page)).toContainText('1 076');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('[name="p[2][y]"]')).toHaveValue('347');
  await expect(figure(page)).toContainText('1 074');
  await expect(page.locator('svg.board [data-pulley="2"]')).toBeFocused();
  await page.getByRole('button', { name: 'Save the belt' }).click();
  await expect(page.locator('.notice.good, .passing').first()).toContainText('Kept');
  await expect(page.locator('[name="p[2][y]"]')).toHaveValue('347');
  expect(errors).toEqual([]);
});

test('a drag answers within a frame, the server within fifty milliseconds and a breath', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6/drives/accessory`);
  const [x, y] = await centre(page, 4);
  await page.mouse.move(x, y);
  await page.mouse.down();
  const spent = await page.evaluate(([cx, cy]) => {
    const times = [];
    for (let i = 0; i < 60; i += 1) {
      const from = performance.now();
      document.dispatchEvent(new PointerEvent('pointermove', { clientX: cx - i, clientY: cy + i / 2, bubbles: true }));
      times.push(performance.now() - from);
    }
    return times.sort((a, b) => a - b)[30];
  }, [x, y]);
  await page.mouse.up();
  expect(spent).toBeLessThan(8);
});

test('the belt order is tapped, and the belt is seen from behind', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1100 });
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6/drives/accessory`);
  await page.getByRole('button', { name: 'Tap in belt order' }).click();
  for (const i of [4, 3, 2, 1, 0]) await page.locator(`svg.board [data-pulley="${i}"]`).focus().then(() => page.keyboard.press('Enter'));
  await expect(page.locator('[name="p[0][name]"]')).toHaveValue('pump');
  await expect(page.locator('[name="p[4][name]"]')).toHaveValue('crank');
  await expect(page.locator('[name="drives"]:checked')).toHaveValue('4');
  // Round the other way it is the same belt.
  await expect(figure(page)).toContainText('1 380');
  await page.getByRole('link', { name: 'From behind' }).click();
  await expect(page.locator('#drawn')).toContainText('Seen from behind');
  const [crank] = await centre(page, 0);
  const [pump] = await centre(page, 4);
  expect(pump).toBeGreaterThan(crank);
});

test('a photo is laid under the board to scale and sent nowhere', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6/drives/blower`);
  await page.getByText('Trace over a photo').click();
  await page.getByRole('button', { name: 'Lay it under the board' }).click();
  await expect(page.locator('.traced')).toContainText('Choose a photo');
  // A picture of our own: 400 by 300, red.
  const picture = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(400, 300);
    const pen = canvas.getContext('2d');
    pen.fillStyle = '#a33';
    pen.fillRect(0, 0, 400, 300);
    return [...new Uint8Array(await (await canvas.convertToBlob()).arrayBuffer())];
  });
  await page.locator('#ph-file').setInputFiles({ name: 'bay.png', mimeType: 'image/png', buffer: Buffer.from(picture) });
  await page.locator('#ph-known').fill('100');
  const sent = [];
  page.on('request', (request) => { if (request.method() === 'POST') sent.push(request.postData() ?? ''); });
  await page.getByRole('button', { name: 'Lay it under the board' }).click();
  await expect(page.locator('.traced')).toContainText('first of two');
  // The board is drawn anew when a field has been filled in.
  let box = null;
  await expect.poll(async () => { box = await page.locator('svg.board').boundingBox(); return box; }).not.toBeNull();
  const tap = async (x, y) => page.mouse.click(box.x + x, box.y + y);
  const scale = await page.evaluate(() => 1 / document.querySelector('svg.board').getScreenCTM().a);
  const photo = () => page.locator('svg.board .photo').evaluate((one) => ['x', 'y', 'width'].map((name) => Number(one.getAttribute(name))));
  const [, , before] = await photo();
  await tap(box.width / 2 - 100, box.height / 2);
  await tap(box.width / 2 + 100, box.height / 2);
  await expect(page.locator('.traced')).toContainText('middle of the crank');
  expect((await photo())[2] / before).toBeCloseTo(100 / (200 * scale), 1);
  const [x] = await photo();
  await tap(box.width / 2, box.height / 2);
  await expect(page.locator('.traced')).toContainText('Drag each pulley');
  expect((await photo())[0]).not.toBe(x);
  // What the server draws anew has it under it still.
  await page.locator('svg.board [data-pulley="2"]').focus();
  await page.keyboard.press('ArrowUp');
  await expect(figure(page)).toContainText('mm');
  await expect(page.locator('[name="p[2][y]"]')).toHaveValue('348');
  await expect(page.locator('svg.board .photo canvas')).toHaveCount(1);
  expect(sent.some((data) => data.includes('PNG'))).toBe(false);
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.locator('svg.board .photo')).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('the browser draws what the core computes', () => {
  let seed = 17;
  const luck = (low, high) => {
    seed = (seed * 16807) % 2147483647;
    return low + ((high - low) * (seed % 10000)) / 10000;
  };
  const drives = Array.from({ length: 200 }, () => {
    const count = 2 + Math.floor(luck(0, 6));
    const pulleys = [];
    for (let i = 0; i < count; i += 1) {
      const angle = (2 * Math.PI * (i + luck(-0.1, 0.1))) / count;
      pulleys.push({ name: `p${i}`, x: luck(180, 380) * Math.cos(angle), y: luck(180, 380) * Math.sin(angle), d: luck(50, 120), side: luck(0, 1) < 0.2 ? 'back' : 'ribs' });
    }
    return pulleys;
  });
  const input = drives.map((pulleys) => JSON.stringify({ pulleys })).join('\n');
  const lines = execFileSync('php', ['bin/console', 'sum:run', 'belt-path', '--batch'], { input, encoding: 'utf8', env: { ...demo.env, APP_DEBUG: '0' } }).trim().split('\n');
  let legal = 0;
  lines.forEach((line, i) => {
    const answer = JSON.parse(line);
    const drawn = belt(drives[i].map((p) => ({ ...p, ribs: p.side === 'ribs' })), 2, 1.2);
    expect(drawn === null).toBe(Boolean(answer.error));
    if (!drawn) return;
    legal += 1;
    expect(Math.abs(drawn.length - answer.values.length.value)).toBeLessThan(1e-6);
    drawn.wraps.forEach((wrap, at) => expect(Math.abs(wrap - answer.values.wraps.value[at])).toBeLessThan(1e-6));
  });
  expect(legal).toBeGreaterThan(50);
});

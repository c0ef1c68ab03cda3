// Makes docs/screenshots anew from the demo data: npm run screenshots
import { chromium } from '@playwright/test';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './chromium.mjs';
import { act, answer, PASSWORD, READINGS, turn, workUntil, writeReading } from './hands.mjs';
import { Demo } from './server.mjs';

const out = `${dirname(dirname(dirname(fileURLToPath(import.meta.url))))}/docs/screenshots`;
const demo = await new Demo().start();
const browser = await chromium.launch(launchOptions);
try {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage();
  await page.goto(`${demo.base}/sign-in`);
  await page.fill('#login', 'ines');
  await page.fill('#password', PASSWORD);
  await page.click('button.go');
  await page.waitForURL(`${demo.base}/`);
  const fit = new URL(await page.getByRole('link', { name: /Tarn 20T: thermostat/ }).first().getAttribute('href'), demo.base).pathname;
  await page.goto(`${demo.base}/fits`);
  const signed = await page.locator('table.list tbody a').first().getAttribute('href');
  const views = {
    yard: ['/'], 'start-fit': ['/start?vehicle=veldra-tarn-20t&procedure=thermostat-under'], 'fit-sheet': [fit], bench: [`${fit}/bench`],
    review: [`${signed}/review`], 'hand-over': [`${signed}/hand-over`, 1280, 900], 'belt-board': ['/vehicles/ostrel-vane-s6/drives/accessory'], 'charge-path': ['/vehicles/veldra-tarn-20t/charge', 1280, 1620],
    times: ['/logbook/times'],
    cause: ['/causes/slow-start?vehicle=corrin-drover-27d&f[sound]=slow&f[rest]=good&m[rest]=12.6&f[crank]=good&m[crank]=10.2'],
  };
  for (const [name, [path, width = 1280, height = 800]] of Object.entries(views)) {
    await page.setViewportSize({ width, height });
    await page.goto(demo.base + path);
    await page.evaluate(() => document.fonts.ready);
    if (path.includes('#')) await page.waitForTimeout(700);
    if (name.startsWith('bench')) await page.waitForTimeout(900);
    await page.screenshot({ path: `${out}/${name}.png` });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  // The wrench in hand, pulled to its figure.
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.getByRole('button', { name: /Use the 3\/8 in digital wrench/ }).click();
  const hold = page.getByRole('button', { name: 'Hold to pull' });
  await hold.dispatchEvent('pointerdown', { pointerId: 1, button: 0 });
  await page.waitForFunction(() => parseFloat(document.querySelector('.gauge-now')?.textContent ?? '0') >= 8.7, null, { timeout: 30_000, polling: 40 });
  await hold.dispatchEvent('pointerup', { pointerId: 1, button: 0 });
  await page.getByText('Marked.').waitFor();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${out}/bench-trace.png` });
  // A warm-up that opens, on a fit that has come that far.
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=bleed`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  await workUntil(page, 'warm-up');
  await act(page);
  await page.goto(page.url().replace(/bench.*/, 'bench/warm-up'));
  await page.getByRole('button', { name: 'Use the coolant probe' }).click();
  await page.getByRole('button', { name: 'Start the simulated engine' }).click();
  await page.getByText('Sound: it opened').waitFor({ timeout: 90_000 });
  await page.waitForTimeout(4000);
  await page.screenshot({ path: `${out}/bench-warm-up.png` });
  // Gate, leak test and boost run on one fit; a clutch brought into its band on another.
  const simulate = async (fault, name) => {
    if (!(await page.locator('.curve-form').isVisible())) await page.locator('details.waive summary').first().click();
    await page.locator('#curve-fault').selectOption(fault);
    await page.getByRole('button', { name, exact: true }).click();
    await page.locator('.judged').waitFor();
  };
  const until = async (what) => { while ((await turn(page)) !== what) await act(page); };
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedures[]=charge-pipes&procedures[]=wastegate-actuator`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  await workUntil(page, 'charge-test');
  while (!(await page.getByRole('heading', { name: 'Leave it alone' }).count())) await act(page);
  await simulate('leaking', 'Shut it and watch');
  await workUntil(page, 'gate-drive-full');
  await until('reading');
  await simulate('none', 'Run it');
  await page.locator('#curve-target').fill('100');
  await simulate('none', 'Run it');
  await page.screenshot({ path: `${out}/bench-boost.png` });
  await page.goto(`${demo.base}/start?vehicle=ostrel-vane-s6&procedure=slip-clutch`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  await workUntil(page, 'clutch-trials');
  await page.getByLabel('Shims in the box').fill('0.05 0.1 0.2 0.2 0.4 0.8');
  await page.getByLabel('Shims under it, mm').fill('0.5');
  for (let n = 1; n <= 3; n += 1) {
    if (n === 1) await page.getByLabel('Discs from below, u or d each; or 2p 3s').fill('2p 3s');
    if (n === 1) await page.getByLabel('Set to, mm').fill('19.1');
    await page.getByLabel('Thread left on the nut').fill(`${(2.9 - 0.2 * n).toFixed(1)} mm`);
    await page.getByRole('button', { name: 'Pull the simulated clutch' }).click();
    await page.getByRole('button', { name: 'Keep the trial' }).click();
    await page.locator('.trials li').nth(n - 1).waitFor();
  }
  await page.screenshot({ path: `${out}/bench-clutch.png` });
  // Plugs as they are read, and where the leads of the meter go.
  await page.goto(`${demo.base}/start?vehicle=askerby-roan-30t&procedure=spark-plugs`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  await workUntil(page, 'plugs-read');
  for (const [gap, face] of [['0.92', 'Even tan'], ['0.94', 'Even tan'], ['1.15', 'White'], ['0.91', 'Even tan'], ['0.93', null]]) {
    await writeReading(page, gap);
    if (face) await answer(page, face);
  }
  await page.screenshot({ path: `${out}/bench-plugs.png` });
  // A picture of the strip, drawn on, beside the step that puts it back.
  await page.goto(`${demo.base}/start?vehicle=ostrel-vane-s6&procedure=serpentine-belt`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  const belt = new URL(page.url()).pathname.split('/bench')[0];
  await page.goto(`${demo.base}${belt}/bench/belt-off`);
  await page.keyboard.press('p');
  await page.getByRole('button', { name: 'Belt on its pulleys' }).click();
  await page.locator('.thumb .picture').getByText('1 taken').waitFor();
  await page.keyboard.press('p');
  await page.locator('dialog#photo .photo-frame').click();
  const frame = page.locator('.photo-frame.large');
  await frame.waitFor();
  const drag = async (from, to) => {
    const box = await frame.boundingBox();
    await page.mouse.move(box.x + from[0] * box.width, box.y + from[1] * box.height);
    await page.mouse.down();
    await page.mouse.move(box.x + to[0] * box.width, box.y + to[1] * box.height, { steps: 4 });
    await page.mouse.up();
  };
  await drag([0.68, 0.62], [0.57, 0.45]);
  await page.getByRole('radio', { name: 'Words' }).check();
  await page.locator('[data-photo-text]').fill('back runs here');
  await drag([0.66, 0.69], [0.66, 0.69]);
  await page.waitForTimeout(600);
  await workUntil(page, 'belt-on').catch(() => {});
  await page.goto(`${demo.base}${belt}/bench/belt-on`);
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${out}/bench-photo.png` });
  // A gap measured in a picture by the target card.
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedure=gate-lock`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  READINGS.gap_wanted = '14';
  await workUntil(page, 'lock-gap');
  await page.getByRole('button', { name: 'From a picture' }).click();
  await page.getByRole('button', { name: 'Bracket with the card' }).click();
  await page.waitForURL(/measure/);
  await page.getByText('Target card found').waitFor();
  const canvas = page.locator('[data-photo-canvas]');
  for (const [x, y] of [[0.4, 0.2655], [0.404, 0.316]]) {
    const { width, height } = await canvas.boundingBox();
    await canvas.click({ position: { x: x * width, y: y * height } });
  }
  await page.locator('.readout b').waitFor();
  await page.mouse.move(1200, 780);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `${out}/measure.png` });
  // The bench without a server.
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.waitForTimeout(5000);
  await page.context().setOffline(true);
  await page.locator('.unconfirmed').waitFor();
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${out}/bench-off-line.png` });
  await page.context().setOffline(false);
  await page.waitForTimeout(5000);
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.locator('.thumb .more').click();
  await page.locator('#more').getByRole('button', { name: 'Dark bay' }).click();
  await page.locator('#more').getByRole('button', { name: 'Back to the step' }).click();
  await page.setViewportSize({ width: 360, height: 740 });
  await page.goto(`${demo.base}${fit}/bench`);
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${out}/bench-360.png` });
} finally {
  await browser.close();
  await demo.kill();
}

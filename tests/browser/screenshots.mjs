// Makes docs/screenshots anew from the demo data: npm run screenshots
import { chromium } from '@playwright/test';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './chromium.mjs';
import { act, PASSWORD, workUntil } from './hands.mjs';
import { Demo } from './server.mjs';

const out = `${dirname(dirname(dirname(fileURLToPath(import.meta.url))))}/docs/screenshots`;
const demo = await new Demo(8079).start();
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
    yard: ['/'], 'start-fit': ['/start?vehicle=veldra-tarn-20t&procedure=thermostat-under'], 'fit-sheet': [fit], bench: [`${fit}/bench`], 'bench-360': [`${fit}/bench`, 360, 740],
    review: [`${signed}/review`], 'hand-over': [`${signed}/hand-over`, 1280, 900], 'belt-board': ['/vehicles/ostrel-vane-s6/drives/accessory'], 'pulley-sweep': ['/vehicles/ostrel-vane-s6/drives/blower/change?d=64&shelf=8PK1040%3B%208PK1070', 1280, 900],
    'belt-routing': ['/vehicles/ostrel-vane-s6/drives/accessory/routing?step=3'], 'press-fit': ['/sums/press-fit', 1280, 900],
    vehicle: ['/vehicles/corrin-drover-27d'], 'edit-vehicle': ['/vehicles/corrin-drover-27d/edit?joint=pump-bolts#joint-form'],
    logbook: ['/logbook'],
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
  // The engine handed over from the jack to the bar.
  await page.goto(`${demo.base}/start?vehicle=corrin-drover-27d&procedure=engine-mounts&c_engine-hold=jack-bar`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.getByRole('link', { name: 'Go to the bench' }).click();
  await page.waitForSelector('#bench');
  await workUntil(page, 'emount-to-bar');
  await act(page);
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${out}/bench-ledger.png` });
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
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.locator('.thumb .more').click();
  await page.locator('#more').getByRole('button', { name: 'Dark bay' }).click();
  await page.locator('#more').getByRole('button', { name: 'Back to the step' }).click();
  await page.screenshot({ path: `${out}/bench-dark.png` });
} finally {
  await browser.close();
  await demo.kill();
}

// The first hour, on a database with nobody in it.
const empty = await new Demo(8080, { empty: true }).start();
const again = await chromium.launch(launchOptions);
try {
  const page = await (await again.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage();
  await page.goto(empty.base);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: `${out}/first-hour.png` });
} finally {
  await again.close();
  await empty.kill();
}

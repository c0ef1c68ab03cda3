// Makes docs/screenshots anew from the demo data: npm run screenshots
import { chromium } from '@playwright/test';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './chromium.mjs';
import { afterMark, go, PASSWORD, writeReadings } from './hands.mjs';
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
  const views = {
    yard: ['/'], 'start-fit': ['/start?vehicle=veldra-tarn-20t&procedure=thermostat-under'], 'fit-sheet': [fit], bench: [`${fit}/bench`], 'bench-800': [`${fit}/bench`, 800, 1100], 'bench-360': [`${fit}/bench`, 360, 760],
    'bench-mix': [`${fit}/bench/mix`], 'loose-ends': [`${fit}/loose-ends`], vehicle: ['/vehicles/corrin-drover-27d'], 'edit-vehicle': ['/vehicles/corrin-drover-27d/edit?item=starter'], fluids: ['/vehicles/veldra-tarn-20t/fluids'],
    'sum-torque-estimate': ['/sums/torque-estimate'], kit: ['/kit'], practice: ['/practice'], logbook: ['/logbook'],
  };
  for (const [name, [path, width = 1280, height = 800]] of Object.entries(views)) {
    await page.setViewportSize({ width, height });
    await page.goto(demo.base + path);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${out}/${name}.png` });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  // The wrench in hand, pulled to its figure.
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.getByRole('button', { name: /digital wrench in hand/ }).click();
  const hold = page.getByRole('button', { name: 'Hold to pull' });
  await hold.dispatchEvent('pointerdown', { pointerId: 1, button: 0 });
  await page.waitForFunction(() => parseFloat(document.querySelector('.gauge-now')?.textContent ?? '0') >= 8.7, null, { timeout: 30_000, polling: 40 });
  await hold.dispatchEvent('pointerup', { pointerId: 1, button: 0 });
  await page.getByText('Marked.').waitFor();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${out}/bench-trace.png` });
  // The vacuum that is held.
  await page.goto(`${demo.base}${fit}/bench/vacuum-pull`);
  await afterMark(page, () => go(page).click());
  await afterMark(page, () => go(page).click());
  await writeReadings(page);
  await afterMark(page, () => go(page).click());
  await page.waitForTimeout(600);
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.screenshot({ path: `${out}/bench-vacuum.png` });
  // A warm-up that opens.
  await page.goto(`${demo.base}${fit}/bench/warm-up`);
  await page.getByRole('button', { name: /coolant probe in hand/ }).click();
  await page.getByRole('button', { name: 'Start the simulated engine' }).click();
  await page.getByText('Sound: it opened').waitFor({ timeout: 90_000 });
  await page.waitForTimeout(4000);
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.screenshot({ path: `${out}/bench-warm-up.png` });
  await page.goto(`${demo.base}${fit}/bench/housing-tight`);
  await page.getByRole('button', { name: 'More' }).click();
  await page.locator('#more [data-theme-switch]').click();
  await page.locator('#more').getByRole('button', { name: 'Back to the step' }).click();
  await page.screenshot({ path: `${out}/bench-dark.png` });
} finally {
  await browser.close();
  await demo.kill();
}

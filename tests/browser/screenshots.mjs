// Makes docs/screenshots anew from the demo data: npm run screenshots
import { chromium } from '@playwright/test';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './chromium.mjs';
import { PASSWORD } from './hands.mjs';
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
    'bench-tray': [`${fit}/bench/on.under-pan`], 'bench-mix': [`${fit}/bench/mix`], 'loose-ends': [`${fit}/loose-ends`], vehicle: ['/vehicles/corrin-drover-27d'], 'sum-torque-check': ['/sums/torque-check'], 'sum-wrench-set': ['/sums/wrench-set'], 'sum-coolant-mix': ['/sums/coolant-mix'], kit: ['/kit'], logbook: ['/logbook'],
    several: ['/start?vehicle=corrin-drover-27d&procedures[]=starter&procedures[]=gearbox-mount&procedures[]=water-pump&people=2'], replan: [`${fit}/replan?item=stiffener%20plate&before=thermostat-housing&fasteners=3`], 'edit-vehicle': ['/vehicles/corrin-drover-27d/edit?item=starter'],
  };
  for (const [name, [path, width = 1280, height = 800]] of Object.entries(views)) {
    await page.setViewportSize({ width, height });
    await page.goto(demo.base + path);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${out}/${name}.png` });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${demo.base}${fit}/bench`);
  await page.getByRole('button', { name: 'More' }).click();
  await page.locator('#more [data-theme-switch]').click();
  await page.locator('#more').getByRole('button', { name: 'Back to the step' }).click();
  await page.screenshot({ path: `${out}/bench-dark.png` });
} finally {
  await browser.close();
  await demo.kill();
}

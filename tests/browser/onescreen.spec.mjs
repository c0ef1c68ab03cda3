// Title, number, whole drawing, open input, caution and button are on the screen together at every step and every act in turn,
// with no scrolling and nothing sideways, at five sizes. A sample of the procedures; all of them with NK_ALL=1.
import { test, expect } from '@playwright/test';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { signIn, watchConsole, workUntil } from './hands.mjs';
import { misfits, settled } from './misfits.mjs';

const demo = new Demo();
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const SIZES = [[1280, 800], [1024, 768], [1180, 820], [820, 1180], [360, 740]];
const FITS = [
  ['veldra-tarn-20t', 'thermostat-under', 'c_fill=vacuum'], ['veldra-tarn-20t', 'spark-plugs', ''], ['corrin-drover-27d', 'gearbox-mount', ''],
  ['veldra-tarn-20t', 'thermostat-under', 'c_fill=burp'], ['ostrel-vane-s6', 'serpentine-belt', ''], ['ostrel-vane-s6', 'crank-damper', ''], ['corrin-drover-27d', 'starter', ''],
  ['corrin-drover-27d', 'water-pump', ''], ['corrin-drover-27d', 'oil-filter-housing', ''], ['corrin-drover-27d', 'engine-mounts', ''], ['ostrel-vane-s6', 'thermostat-front', ''],
];
const SAMPLE = sample(FITS, 'screens', FITS.length);

for (const [vehicle, procedure, choices] of SAMPLE) {
  test(`${procedure} ${choices}: one screen at every act`, async ({ page }) => {
    test.setTimeout(900_000);
    const errors = watchConsole(page);
    await signIn(page, demo.base, /Ines Tarrow/);
    await page.goto(`${demo.base}/start?vehicle=${vehicle}&procedure=${procedure}&${choices}`);
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    await page.waitForURL(/\/fits\//);
    await page.getByRole('link', { name: 'Go to the bench' }).click();
    await page.evaluate(() => document.fonts.ready);
    const found = [];
    let acts = 0;
    await workUntil(page, '', async (step, turn) => {
      acts += 1;
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await settled(page);
        for (const one of await page.evaluate(misfits)) found.push(`${step} (${turn}) at ${width}x${height}: ${one}`);
      }
      await page.setViewportSize({ width: 1280, height: 800 });
    });
    expect(acts).toBeGreaterThan(20);
    expect(found).toEqual([]);
    expect(errors).toEqual([]);
  });
}

// Every step of every shipped sheet, as it stands before anything is done, on a phone and on a tablet held upright: each caution whole and
// on the screen, and a text that is cut says so. A tenth of the sheets; all of them with NK_ALL=1.
import { readdirSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { sample } from './sample.mjs';
import { Demo } from './server.mjs';
import { signIn } from './hands.mjs';
import { misfits, settled } from './misfits.mjs';

const demo = new Demo();
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

const SIZES = [[360, 740], [820, 1180]];
// Under what stands in its way a tray may go on below: it is scrolled to. Worked in its order it fits (onescreen.spec.mjs).
const LISTS = /^\.tray-list ends|^turn needs/;
const names = (folder) => readdirSync(new URL(`../../${folder}`, import.meta.url)).map((file) => file.replace('.yaml', ''));
const SHEETS = names('demo/vehicles').flatMap((vehicle) => names('procedures').filter((one) => one !== 'common').map((procedure) => [vehicle, procedure]));

for (const [vehicle, procedure] of sample(SHEETS, 'cautions', 10)) {
  test(`${procedure} on the ${vehicle}: no caution is cut`, async ({ page }) => {
    test.setTimeout(300_000);
    // Nothing is carried from here, nor asked for again: only looked at.
    await page.route(/\/(carry|carried|pulse)/, (route) => route.abort());
    await signIn(page, demo.base, /Ines Tarrow/);
    await page.goto(`${demo.base}/start?vehicle=${vehicle}&procedures[]=${procedure}`);
    const make = page.getByRole('button', { name: 'Make the sheet' }).last();
    test.skip(!(await make.isVisible()), 'that job does not go on that vehicle');
    await make.click();
    const went = await page.waitForURL(/\/fits\//, { timeout: 8_000 }).then(() => true, () => false);
    test.skip(!went, 'that job does not go on that vehicle');
    const bench = `${new URL(page.url()).pathname}/bench/`;
    const steps = await page.evaluate(() => [...new Set([...document.querySelectorAll('a[href*="/bench/"]')].map((one) => new URL(one.href).pathname.split('/bench/')[1]))]);
    expect(steps.length).toBeGreaterThan(8);
    const found = [];
    for (const step of steps) {
      await page.goto(demo.base + bench + step, { waitUntil: 'domcontentloaded' });
      await page.evaluate(() => document.fonts.ready);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await settled(page);
        for (const one of await page.evaluate(misfits)) if (!LISTS.test(one)) found.push(`${step} at ${width}x${height}: ${one}`);
      }
    }
    expect(found).toEqual([]);
  });
}

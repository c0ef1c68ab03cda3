// Charge pipes and a wastegate actuator on the Tarn: from the box of hoses to the signature.
import { expect, test } from '@playwright/test';
import { act, afterMark, answer, go, signIn, signOut, stepId, tapGo, turn, watchConsole, workUntil, writeReading } from './hands.mjs';
import { Demo } from './server.mjs';

test.describe.configure({ mode: 'serial' });
const demo = new Demo();
let fit;

test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

/** The simulated device does as it is told, and its curve is judged. */
const shot = async (page, name) => { if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` }); };

const simulate = async (page, summary, fault, go_) => {
  const form = page.locator('.curve-form');
  if (!(await form.isVisible())) await page.getByText(summary, { exact: true }).click();
  await page.locator('#curve-fault').selectOption(fault);
  await page.getByRole('button', { name: go_, exact: true }).click();
};

/** Up to the thing in turn that a reading or a routine is. */
const until = async (page, what) => { while ((await turn(page)) !== what) await act(page); };

test('the box is sorted on the charge path, what is missing is named, each hose has a label', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Joss Wending');
  await page.goto(`${demo.base}/vehicles/veldra-tarn-20t`);
  await page.getByRole('link', { name: 'Charge path' }).click();
  await expect(page.locator('.weak')).toContainText('throttle hose, the end of the throttle, no bead');
  const hoses = page.getByLabel('Hoses of the box, one a line');
  const whole = await hoses.inputValue();
  await hoses.fill(whole.replace(/straight 63.*\n/, ''));
  await hoses.blur();
  await expect(page.locator('#drawn')).toContainText('Nothing of the box fits cooler out: 63.5 to 63.5 mm');
  await hoses.fill(whole);
  await hoses.blur();
  await expect(page.locator('#drawn')).toContainText('Throttle hose: reducer, turned round');
  await page.getByRole('button', { name: 'Put them on the path' }).click();
  await page.getByRole('button', { name: 'Save the path' }).click();
  await expect(page.locator('.holds')).toContainText('reducer, 63 mm to 67.5 mm');
  const labels = await page.request.get(`${demo.base}/vehicles/veldra-tarn-20t/charge/labels?sheet=2x7`);
  expect(labels.headers()['content-type']).toBe('application/pdf');
  expect(errors).toEqual([]);
});

test('pipes are fitted, leak-tested on the simulated path, the gate is tested and set', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  await page.goto(`${demo.base}/start?vehicle=veldra-tarn-20t&procedures[]=charge-pipes&procedures[]=wastegate-actuator`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.waitForURL(/\/fits\//);
  fit = new URL(page.url()).pathname;
  await page.goto(`${demo.base}${fit}/bench`);
  await workUntil(page, 'pipes-box');
  await expect(page.locator('.draw svg')).toBeVisible();
  await shot(page, 'box');
  await workUntil(page, 'gate-bare');
  await until(page, 'reading');
  await simulate(page, 'Its rows', 'leaking', 'Pump it up and down');
  await expect(page.locator('.judged .level.stop')).toHaveText('leaks');
  await simulate(page, 'Pump it up once more', 'none', 'Pump it up and down');
  await expect(page.locator('.judged .level.ok')).toHaveText('sound');
  await shot(page, 'pump');
  await workUntil(page, 'charge-test');
  await until(page, 'stage');
  while (!(await page.getByRole('heading', { name: 'Leave it alone' }).count())) await act(page);
  await shot(page, 'stand');
  await simulate(page, 'A gauge that records', 'letting-go', 'Shut it and watch');
  await expect(page.getByRole('alertdialog')).toContainText('Let it down now');
  await page.getByRole('button', { name: 'It is let down' }).click();
  await simulate(page, 'Another run of the gauge', 'none', 'Shut it and watch');
  await expect(page.locator('.judged .level.ok')).toHaveText('tight');
  await shot(page, 'tight');
  while (!(await page.getByRole('heading', { name: 'Soap and listen' }).count())) await act(page);
  await expect(page.locator('.turn')).toContainText('plugged bung of the hot pipe');
  await shot(page, 'soap');
  await workUntil(page, 'gate-after');
  await until(page, 'reading');
  await simulate(page, 'Its rows', 'none', 'Pump it up and down');
  await expect(page.locator('.judged .level.ok')).toHaveText('sound');
  await workUntil(page, 'gate-drive-full');
  expect(errors).toEqual([]);
});

test('boost comes up step by step, a run over the limit is stopped, the last one is sound, and it is signed', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  await page.goto(`${demo.base}${fit}/bench/gate-drive-full`);
  await until(page, 'reading');
  const target = page.getByLabel('This run aims at, kPa');
  await expect(target).toHaveValue('77');
  await simulate(page, 'Hand in a run', 'none', 'Run it');
  await expect(page.locator('.judged .level.ok')).toHaveText('sound');
  await target.fill('108');
  await simulate(page, 'Hand in the next run', 'spike', 'Run it');
  await expect(page.getByRole('alertdialog')).toContainText('Off the throttle now');
  await shot(page, 'over');
  await page.getByRole('button', { name: 'It is off the throttle' }).click();
  await expect(page.getByRole('alertdialog')).toHaveCount(0);
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.locator('main')).toContainText('Boost run: over limit');
  await page.goto(`${demo.base}${fit}/bench/gate-drive-full`);
  await target.fill('100');
  await simulate(page, 'Hand in the next run', 'none', 'Run it');
  await expect(page.locator('.judged .level.ok')).toHaveText('sound');
  await expect(page.locator('.draw polyline.before')).toHaveCount(1);
  await shot(page, 'run');
  await workUntil(page, 'nowhere');
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.locator('main')).not.toContainText('Boost run');
  await page.getByRole('link', { name: 'Review and sign' }).click();
  await expect(page.locator('main')).toContainText('Highest boost');
  await page.getByLabel(/I have read/).check();
  await page.getByRole('button', { name: 'Sign it off' }).click();
  await expect(page.getByText('Signed off. Follow-ups are in the logbook.')).toBeVisible();
  await signOut(page);
  expect(errors).toEqual([]);
});

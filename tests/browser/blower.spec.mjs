// A smaller blower pulley on the Vane, from the sweep to the signature.
import { expect, test } from '@playwright/test';
import { act, afterMark, answer, go, signIn, signOut, stepId, tapGo, turn, watchConsole, workUntil } from './hands.mjs';
import { Demo } from './server.mjs';

test.describe.configure({ mode: 'serial' });
const demo = new Demo();
let fit;

test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

test('the pulley is chosen on the sweep, its belt picked from the shelf, both put on the sheet', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Joss Wending');
  await page.goto(`${demo.base}/vehicles/ostrel-vane-s6/drives/blower/change`);
  await page.getByRole('link', { name: /^60 mm.*too fast/ }).click();
  await expect(page.getByText('It turns too fast', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: '68 mm: it fits' }).click();
  await expect(page.locator('.before-after')).toContainText('15 000 rpm');
  await expect(page.locator('.before-after')).toContainText('times what it must pull');
  await page.getByLabel('Belts on the shelf').fill('8PK1035; 8PK1048; 8PK1080');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.locator('.ends .ok + .what')).toContainText('8PK1048');
  await expect(page.getByLabel('Belt', { exact: true })).toHaveValue('8PK1048');
  await page.getByRole('button', { name: 'Put it on the vehicle sheet' }).click();
  await expect(page.locator('#drawn .figures')).toContainText('8PK1048 puts the arm at');
  expect(errors).toEqual([]);
});

test('the bench asks for calibration, presses the hub with its curve, lays the belt, checks its tension', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  await page.goto(`${demo.base}/start?vehicle=ostrel-vane-s6&procedure=blower-pulley&blower-size=other-belt`);
  await page.getByLabel(/Another size and another belt/).check();
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.waitForURL(/\/fits\//);
  fit = new URL(page.url()).pathname;
  await page.goto(`${demo.base}${fit}/bench`);
  await workUntil(page, 'blower-calibration');
  await expect(page.locator('.answers')).toContainText('Calibration of the control unit');
  // Put off: the step is skipped by the lead, and the job goes on.
  await page.locator('.thumb .more').click();
  await page.locator('#skip-why').fill('The tuner comes tomorrow');
  await afterMark(page, () => page.locator('#more').getByRole('button', { name: 'Skip it' }).click());
  await expect.poll(() => stepId(page)).not.toBe('blower-calibration');
  await workUntil(page, 'blower-hub-on');
  while ((await turn(page)) !== 'close') await act(page);
  await expect(page.locator('.turn')).toContainText('At the nut, about');
  for (const [fault, said] of [['crooked', 'picking up'], ['short', 'not seated'], ['loose', 'free']]) {
    await page.getByText(/^(Its|Another) curve$/).click();
    await page.getByLabel('The simulated press').selectOption(fault);
    await page.getByRole('button', { name: 'Press it on' }).click();
    await expect(page.locator('.judged .level.stop')).toHaveText(said);
    await expect(go(page)).toBeDisabled();
  }
  await page.getByText('Another curve').click();
  await page.getByLabel('mm and N·m, a row each').fill('mm;Nm\n0;3\n1;x');
  await page.getByRole('button', { name: 'Hand it in' }).click();
  await expect(page.locator('.flash, .notice.bad').first()).toContainText('row', { ignoreCase: true });
  await expect(page.getByLabel('mm and N·m, a row each'), 'what was refused stays').toHaveValue(/1;x/);
  await page.getByLabel('The simulated press').selectOption('none');
  await page.getByRole('button', { name: 'Press it on' }).click();
  await expect(page.locator('.judged .level.ok')).toHaveText('seated');
  await expect(page.locator('.draw svg')).toBeVisible();
  await workUntil(page, 'blower-belt-on');
  await expect(page.locator('.draw svg.drive .number')).toHaveCount(4);
  await workUntil(page, 'blower-tension');
  await answer(page, 'Outside it');
  await expect(page.locator('.answers .outside')).toContainText('It cannot hold this belt');
  await answer(page, 'Inside its window');
  expect(await turn(page)).toBe('reading');
  await page.locator('#ask-form input').fill('62');
  await afterMark(page, () => tapGo(page));
  await workUntil(page, 'nowhere');
  await expect(go(page)).toHaveText(/Loose ends/);
  expect(errors).toEqual([]);
});

test('nobody signs before the calibration is answered', async ({ page }) => {
  await signIn(page, demo.base, 'Ines Tarrow');
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.locator('main')).toContainText('“Calibration of the control unit” has no answer');
  await page.getByRole('link', { name: 'Calibration of the control unit' }).click();
  await expect(go(page)).toHaveText('Open it again');
  await afterMark(page, () => tapGo(page));
  await answer(page, 'Written for this pulley');
  await afterMark(page, () => tapGo(page));
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.locator('main')).not.toContainText('has no answer');
  await page.getByRole('link', { name: 'Review and sign' }).click();
  await expect(page.locator('main')).toContainText('Calibration of the control unit');
  await page.getByLabel(/I have read/).check();
  await page.getByRole('button', { name: 'Sign it off' }).click();
  await expect(page.getByText('Signed off. Follow-ups are in the logbook.')).toBeVisible();
  await signOut(page);
});

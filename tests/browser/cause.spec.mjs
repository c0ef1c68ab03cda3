// A slow start on the Drover, from the complaint to the cause: a bad earth, and no starter ordered.
import { expect, test } from '@playwright/test';
import { signIn, watchConsole } from './hands.mjs';
import { Demo } from './server.mjs';

const demo = new Demo(8100);

test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const ANSWERS = {
  'What is heard at the key?': 'It turns, slowly', 'Battery posts at rest': '12.4 V or more', 'Battery posts while it cranks': '9.6 V or more',
  'Starter case to battery minus, while it cranks': 'More', 'Battery plus to the stud of the starter, while it cranks': '0.5 V or less',
  'The small plug, with the key turned': 'Full voltage', 'Turn the engine by hand': 'As usual',
};

test('a slow start is found to be a bad earth in half the checks, and the way goes back and forth', async ({ page }) => {
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Joss Wending');
  await page.goto(`${demo.base}/vehicles/corrin-drover-27d`);
  await page.getByRole('link', { name: 'Complaint' }).click();
  await page.locator('article', { hasText: 'Slow or clicking starter' }).getByRole('link', { name: 'Find the cause' }).click();
  await expect(page.locator('.stack')).toContainText('Not one alone yet');
  const asked = [];
  while (!(await page.getByText('It is enough').count()) && asked.length < 7) {
    const check = (await page.locator('.causes > .card h2').first().innerText()).trim();
    asked.push(check);
    await page.locator('.answers').getByRole('link', { name: ANSWERS[check], exact: true }).click();
  }
  expect(asked.length).toBeLessThan(7);
  await expect(page.locator('.stack h2').first()).toHaveText('Bad earth, engine to battery');
  await expect(page.locator('.stack').getByRole('link', { name: /Start a fit/ })).toHaveCount(0);
  // The address holds it: another tablet sees the same; taken back, it is open again.
  await page.goto(page.url());
  await expect(page.locator('.stack h2').first()).toHaveText('Bad earth, engine to battery');
  await page.locator('li', { hasText: 'Starter case to battery minus' }).getByRole('link', { name: 'Take back' }).click();
  await expect(page.locator('.stack')).toContainText('Not one alone yet');
  expect(errors).toEqual([]);
});

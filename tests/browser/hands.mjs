// What the hands of a mechanic do on the bench.
import { expect } from '@playwright/test';

export const PASSWORD = 'brackenfell-mile';

export const signIn = async (page, base, name) => {
  await page.goto(`${base}/sign-in`);
  await page.getByRole('button', { name }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'In hand' })).toBeVisible();
};

export const signOut = async (page) => {
  await page.goto(`${new URL(page.url()).origin}/`);
  await page.getByTitle('Sign out').click();
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
};

/** No console error may pass unseen; a broken policy shows there. */
export const watchConsole = (page) => {
  const errors = [];
  page.on('console', (message) => { if (message.type() === 'error') errors.push(message.text()); });
  page.on('pageerror', (error) => errors.push(error.message));
  return errors;
};

export const go = (page) => page.locator('.thumb [data-key="space"], .thumb .go').first();

export const version = (page) => page.locator('#bench').getAttribute('hx-get');

/** Waits until the bench shows a newer state than it did. */
export const afterMark = async (page, act) => {
  const before = await version(page);
  await act();
  await expect.poll(() => version(page).catch(() => before), { timeout: 10_000 }).not.toBe(before);
  await page.waitForLoadState();
};

const READINGS = {
  coolant_temperature: '19 °C', strength_before: '32', drained: '4.1 L', vacuum_pulled: '25 inHg', vacuum_lost: '0.3', filled: '4.0', opened_at: '88', drive_temperature: '198 °F',
};

export const writeReadings = async (page) => {
  for (;;) {
    const form = page.locator('.ask form:visible').first();
    if ((await form.count()) === 0) return;
    const field = JSON.parse(await form.getAttribute('data-mark-form')).field;
    await form.locator('input').fill(READINGS[field] ?? '1');
    await afterMark(page, () => form.getByRole('button', { name: 'Keep' }).click());
    if ((await go(page).innerText()) !== 'Write down the reading') return;
  }
};

export const stepId = (page) => page.locator('#bench').getAttribute('data-step');

/** A stage that has to stand: read it early where it ends in a reading, else go on without waiting. */
const hurry = async (page) => {
  if (await page.locator('.ask form:visible').count()) await writeReadings(page);
  else await afterMark(page, () => page.getByRole('button', { name: 'Go on without waiting' }).click());
};

/** Works through the bench by its big button until a step, or until only the sign-off is left. */
export const workUntil = async (page, stop, seen = []) => {
  for (let i = 0; i < 400; i += 1) {
    const step = await stepId(page);
    if (step === stop) return seen;
    if (seen[seen.length - 1] !== step) seen.push(step);
    const label = (await go(page).innerText()).trim();
    if (label.startsWith('Loose ends')) return seen;
    if (await go(page).getAttribute('data-timer-until')) { await hurry(page); continue; }
    if (label.startsWith('Write down')) await writeReadings(page);
    else if (label.startsWith('Go on')) { await go(page).click(); await page.waitForLoadState(); } else await afterMark(page, () => go(page).click());
  }
  throw new Error(`never reached ${stop}; at ${await stepId(page)}`);
};

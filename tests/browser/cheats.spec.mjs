// What a tired, a hasty or a dishonest hand tries on the bench. Each of these went through once.
import { test, expect } from '@playwright/test';
import { Demo } from './server.mjs';
import { act, afterMark, closeAnyway, go, signIn, signOut, stepId, tapGo, turn, workUntil, writeReading } from './hands.mjs';

const demo = new Demo();
test.beforeAll(async () => { test.setTimeout(240_000); await demo.start(); });
test.afterAll(() => demo.kill());

/** A fit of one's own, worked honestly up to a step. */
const fitUpTo = async (page, who, stop) => {
  const fit = demo.console('demo:fit', 'veldra-tarn-20t', 'thermostat-under', `--until=${stop || 'decide-sign'}`, `--by=${who.source}`, '--with=fill=vacuum').trim();
  await signIn(page, demo.base, who);
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  return `/fits/${fit}`;
};

/** Sends marks past the screen, as a forged page would. */
const forge = (page, ...events) => page.evaluate(async (marks) => {
  const id = () => `01${Array.from(crypto.getRandomValues(new Uint8Array(24)), (b) => '0123456789ABCDEFGHJKMNPQRSTVWXYZ'[b % 32]).join('')}`;
  const response = await fetch(`/fits/${document.getElementById('bench').dataset.fit}/events`, {
    method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-Token': document.querySelector('meta[name=csrf]').content },
    body: JSON.stringify({ events: marks.map(({ type, ...payload }) => ({ id: id(), type, payload, at: new Date().toISOString() })) }),
  });
  return { status: response.status, said: (await response.json()).error?.message ?? '' };
}, events);

test('1: 95 °C does not open the cap', async ({ page }) => {
  const fit = await fitUpTo(page, /Joss Wending/, 'safe-cold');
  await act(page);
  await writeReading(page, '95');
  await expect(page.locator('.outside')).toContainText('Too hot to open');
  await expect(go(page)).toHaveText('Save new reading');
  await expect(page.locator('.turn .over')).toHaveCount(0);
  expect((await forge(page, { type: 'step-done', step: 'safe-cold', reason: 'feels cold enough' })).said).toContain('Only a lead overrules');
  await page.goto(`${demo.base}${fit}/bench/safe-cap`);
  await act(page);
  await expect(page.locator('.stops')).toContainText('95 °C, outside its limits. It stands before opening it.');
  await page.locator('.stops a').click();
  expect(await stepId(page)).toBe('safe-cold');
  await writeReading(page, '22');
  await expect(go(page)).toHaveText('Done');
});

test('2: the first start is not closed by way of the ruler', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, '');
  await page.locator('.ruler a', { hasText: 'Prove' }).click();
  await page.goto(page.url().replace(/bench.*/, 'bench/start-first'));
  // It stands on stands here: that is read as well as what the start itself warns of.
  await act(page);
  await act(page);
  expect(await turn(page)).toBe('barred');
  await expect(page.locator('.stops')).toContainText('The tools have not been counted.');
  await expect(page.getByText('Only a lead overrules this.').first()).toBeVisible();
  expect((await forge(page, { type: 'step-done', step: 'start-first', reason: 'customer is waiting' })).status).toBe(422);
});

test('3: a dropped pin does not go back on', async ({ page }) => {
  const fit = await fitUpTo(page, /Petra Lunn/, 'off.front-shield');
  await page.keyboard.press('d');
  await afterMark(page, () => page.locator('.fates li', { hasText: 'push pins' }).getByRole('button', { name: 'Fell' }).click());
  await expect(go(page)).toHaveText('All 9 in the tray');
  expect((await forge(page, { type: 'counted-all', step: 'off.front-shield' })).said).toContain('1 fell');
  await afterMark(page, () => tapGo(page));
  await expect(go(page)).toHaveText('Done');
  await page.goto(`${demo.base}${fit}/bench/on.front-shield`);
  expect((await forge(page, { type: 'counted', step: 'on.front-shield', thing: 'two-piece push pins', by: 12 })).said).toContain('4 came off, 1 fell');
});

test('4: 41 L do not come out of 6.6, and a gap is a loose end', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, 'drained');
  await page.locator('#ask-form input').fill('41');
  // The news that a refusal asks for is drawn over it, and takes nothing of it away.
  const news = page.waitForResponse((response) => response.url().includes('since=0'));
  await tapGo(page);
  await (await news).finished();
  await page.waitForTimeout(500);
  await expect(page.locator('#ask-wrong')).toContainText('holds 6.6 L');
  await expect(page.locator('#ask-form input')).toHaveAttribute('aria-invalid', 'true');
  await expect(page.locator('#ask-form input')).toHaveValue('41');
  await writeReading(page, '4.1');
  await workUntil(page, 'vacuum-fill');
  await act(page);
  await act(page);
  await page.locator('#ask-form input').fill('3.2');
  await afterMark(page, () => page.locator('#ask-form input').press('Enter'));
  await closeAnyway(page, 'Test does not wait');
  await page.locator('.tag').click();
  await expect(page.getByText('0.9 L less went in than came out')).toBeVisible();
});

test('5: eleven seconds are not two minutes', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, 'vacuum-pull');
  for (let i = 0; i < 4; i += 1) await act(page);
  await expect(go(page)).toBeDisabled();
  await expect(go(page)).toContainText('Hold 1:5');
  await page.locator('#ask-form input').fill('0.3');
  await afterMark(page, () => page.locator('#ask-form input').press('Enter'));
  await expect(page.locator('.short')).toContainText('Let it stand and read it again.');
  expect((await forge(page, { type: 'step-done', step: 'vacuum-pull' })).said).toContain('of 2:00');
});

test('6: a double tap acknowledges nothing, and a held key is one key', async ({ page }) => {
  const fit = await fitUpTo(page, /Joss Wending/, 'strength-before');
  await writeReading(page, '32');
  await page.waitForSelector('.thumb .go[data-armed]');
  // Done, and 120 ms later once more at the same place: the jack caution comes up there.
  const box = await go(page).boundingBox();
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await page.waitForTimeout(120);
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect.poll(() => stepId(page)).toBe('raise-1');
  await page.waitForTimeout(900);
  expect(await turn(page)).toBe('caution');
  const place = await page.getByRole('button', { name: 'Understood' }).boundingBox();
  expect(place.y + place.height, 'Understood does not lie where Done lay').toBeLessThan(box.y);
  // Held down for two seconds, Space closes one step at most.
  await page.goto(`${demo.base}${fit}/bench/decide-sign`);
  expect((await forge(page, { type: 'step-reopened', step: 'decide-sign' }, { type: 'step-reopened', step: 'decide-parts' })).status).toBe(200);
  await page.reload();
  await page.waitForSelector('.thumb .go[data-armed]');
  await page.evaluate(async () => {
    for (let i = 0; i < 40; i += 1) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', repeat: i > 0, bubbles: true, cancelable: true }));
      await new Promise((wake) => { setTimeout(wake, 50); });
    }
  });
  await page.goto(`${demo.base}${fit}/bench/decide-parts`);
  expect(await turn(page), 'the step after it is still open').toBe('close');
});

test('7: bolts out of order are said at once', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, 'housing-tight');
  await act(page);
  await act(page);
  await afterMark(page, () => page.locator('.bolt').nth(2).click());
  await expect(page.locator('.turn .short')).toContainText('left out (pass 1)');
});

test('8: a helper waives no circuit, and a reason has two words', async ({ page }) => {
  const fit = await fitUpTo(page, /Petra Lunn/, 'hose-off');
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await expect(page.locator('.ends li', { hasText: 'circuit open' })).toContainText('A mechanic waives this');
  await page.goto(`${demo.base}${fit}/bench`);
  await page.locator('.thumb .more').click();
  await page.locator('#skip-why').fill('later');
  await page.locator('#more').getByRole('button', { name: 'Skip it' }).click();
  await expect(page.locator('#more [data-wrong]').filter({ hasText: 'two words' })).toBeVisible();
});

test('9: no id is shown to a person before signing, and what was overruled is', async ({ page }) => {
  test.setTimeout(180_000);
  const fit = await fitUpTo(page, /Ines Tarrow/, 'housing-on');
  await page.locator('.thumb .more').click();
  await page.locator('#skip-why').fill('housing stays off today');
  await afterMark(page, () => page.locator('#more').getByRole('button', { name: 'Skip it' }).click());
  await page.goto(`${demo.base}${fit}/loose-ends`);
  await page.locator('.ends li', { hasText: 'circuit open' }).getByText('Waive', { exact: true }).click();
  await page.locator('.ends li', { hasText: 'circuit open' }).getByPlaceholder('Reason').fill('coolant comes tomorrow');
  await page.locator('.ends li', { hasText: 'circuit open' }).getByRole('button', { name: 'Waive it' }).click();
  await expect(page.getByText('housing stays off today')).toBeVisible();
  await expect(page.getByText('coolant comes tomorrow')).toBeVisible();
  const text = await page.locator('main').innerText();
  expect(text).not.toMatch(/circuit:|item:|joint:|dropped:|[0-9A-HJKMNP-TV-Z]{26}/);
  await expect(page.getByText('Nothing is open.')).toHaveCount(0);
});

test('10: a step closed by somebody else says so at once, and nothing repeats itself', async ({ browser }) => {
  const one = await (await browser.newContext()).newPage();
  const two = await (await browser.newContext()).newPage();
  const fit = await fitUpTo(one, /Joss Wending/, 'safe-floor');
  await signIn(two, demo.base, /Petra Lunn/);
  await two.goto(`${demo.base}${fit}/bench/safe-floor`);
  await afterMark(one, () => tapGo(one));
  await expect(two.locator('.closed-note')).toContainText('Closed by Joss Wending', { timeout: 12_000 });
  await expect(go(two)).toHaveText('Next step');
  for (const step of ['safe-cap', 'housing-off', 'start-first', 'vacuum-pull']) {
    await two.goto(`${demo.base}${fit}/bench/${step}`);
    const said = await two.locator('#bench-work').innerText();
    const sentences = said.split(/(?<=[.!?])\s+|\n+/).map((s) => s.trim()).filter((s) => s.length > 25 && /[.!?]$/.test(s));
    expect(sentences.filter((one, i) => sentences.indexOf(one) !== i), step).toEqual([]);
  }
  await one.context().close();
  await two.context().close();
});

test('news that was asked for before a tap draws nothing over what came after it', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, 'safe-floor');
  let letGo;
  const held = new Promise((done) => { letGo = done; });
  let asked;
  const isAsked = new Promise((done) => { asked = done; });
  await page.route('**/pulse?*', async (route) => {
    const response = await route.fetch();
    asked();
    await held;
    await route.fulfill({ response });
  }, { times: 1 });
  const answers = [];
  page.on('response', (response) => { if (response.url().includes('/pulse?')) answers.push(response.url()); });
  await page.evaluate(() => document.dispatchEvent(new CustomEvent('nk:pulse')));
  await isAsked;
  await afterMark(page, () => tapGo(page));
  const [step, version] = [await stepId(page), await page.locator('#bench').getAttribute('data-version')];
  expect(step).not.toBe('safe-floor');
  letGo();
  await page.waitForTimeout(500);
  expect(await stepId(page)).toBe(step);
  expect(await page.locator('#bench').getAttribute('data-version')).toBe(version);
  // What was to be shown anew is asked for anew, and that is of now.
  await expect.poll(() => answers.some((url) => url.includes(`step=${step}`) && url.includes('since=0'))).toBe(true);
});

test('what is being written survives marks of another tablet, dialog and focus too', async ({ browser }) => {
  const one = await (await browser.newContext()).newPage();
  const two = await (await browser.newContext()).newPage();
  const fit = await fitUpTo(one, /Joss Wending/, 'off.front-shield');
  await signIn(two, demo.base, /Petra Lunn/);
  await two.goto(`${demo.base}${fit}/bench/off.front-shield`);
  await one.keyboard.press('n');
  await one.locator('#note-text').fill('Half a sentence');
  await afterMark(two, () => two.getByRole('button', { name: 'One more: two-piece push pins' }).click());
  await expect(one.locator('.turn .figure-number')).toHaveText(/1\s*of 10/, { timeout: 12_000 });
  await expect(one.locator('#note-text')).toHaveValue('Half a sentence');
  await expect(one.locator('#note')).toHaveAttribute('open', '');
  await expect(one.locator('#note-text')).toBeFocused();
  await one.locator('#note').getByRole('button', { name: 'Cancel' }).click();
  await expect(one.locator('#note-text')).toHaveValue('Half a sentence');
  // The drawer and the dark bay are this tablet's own as well.
  await one.keyboard.press('w');
  await one.locator('#more').evaluate((dialog) => dialog.showModal());
  await one.locator('#more').getByRole('button', { name: 'Dark bay' }).click();
  await one.locator('#more').evaluate((dialog) => dialog.close());
  await afterMark(two, () => two.getByRole('button', { name: 'One more: two-piece push pins' }).click());
  await expect(one.locator('.turn .figure-number')).toHaveText(/2\s*of 10/, { timeout: 12_000 });
  await expect(one.locator('#bench-drawer')).toBeVisible();
  await expect(one.locator('.thumb .look')).toHaveAttribute('aria-expanded', 'true');
  await expect(one.locator('html')).toHaveAttribute('data-theme', 'dark');
  await expect(one.locator('#more button', { hasText: 'Dark bay' })).toHaveAttribute('aria-pressed', 'true');
  await one.locator('#bench-drawer').getByRole('button', { name: 'Close' }).click();
  await expect(one.locator('#bench-drawer')).toBeHidden();
  await one.context().close();
  await two.context().close();
});

test('a tap shows its new state in under 150 ms, and a kept mark moves nothing', async ({ page }) => {
  await fitUpTo(page, /Joss Wending/, 'off.under-pan');
  const times = [];
  let shift = 0;
  await page.evaluate(() => {
    window.nkShift = 0;
    new PerformanceObserver((list) => { for (const entry of list.getEntries()) { window.nkShift += entry.value; for (const s of entry.sources) window.nkMoved = `${window.nkMoved ?? ''} ${s.node?.nodeName}.${s.node?.className ?? s.node?.parentNode?.className}`; } }).observe({ type: 'layout-shift', buffered: false });
  });
  for (let i = 0; i < 20; i += 1) {
    const name = i % 2 === 0 ? 'One more: short screws' : 'One less: short screws';
    const wanted = i % 2 === 0 ? '1/7' : '0/7';
    times.push(await page.evaluate(async ([label, text]) => {
      const button = document.querySelector(`[aria-label="${label}"]`);
      const output = document.querySelector('[data-count="short screws"]');
      const start = performance.now();
      button.click();
      while (output.textContent !== text && performance.now() - start < 2000) await new Promise(requestAnimationFrame);
      return performance.now() - start;
    }, [name, wanted]));
    await expect(page.locator('#bench [aria-busy=true]')).toHaveCount(0);
    await page.waitForTimeout(30);
  }
  shift = await page.evaluate(() => window.nkShift);
  times.sort((a, b) => a - b);
  expect(times[Math.ceil(0.95 * times.length) - 1]).toBeLessThan(150);
  expect(shift, await page.evaluate(() => window.nkMoved)).toBe(0);
});

test('marks wait for their own maker, and ten taps without a connection are not thirty requests', async ({ page }) => {
  await signIn(page, demo.base, /Joss Wending/);
  await page.getByRole('link', { name: 'Back to the bench' }).first().click();
  await page.waitForSelector('.thumb .go[data-armed]');
  const url = page.url();
  let requests = 0;
  await page.route('**/events', (route) => { requests += 1; return route.abort(); });
  for (let i = 0; i < 10; i += 1) {
    await page.locator('.thumb .note').click();
    await page.locator('#note-text').fill(`Note number ${i}`);
    await page.locator('#note').getByRole('button', { name: 'Save note' }).click();
  }
  await page.waitForTimeout(1500);
  expect(requests).toBeLessThan(6);
  await expect(page.locator('#keeping')).toContainText('10 marks are safe on this tablet');
  await page.unroute('**/events');
  await page.route('**/events', (route) => route.abort());
  await signOut(page);
  await signIn(page, demo.base, /Petra Lunn/);
  await page.unroute('**/events');
  await page.goto(url);
  await expect(page.locator('#keeping')).toContainText('10 marks of Joss Wending wait on this tablet', { timeout: 5000 });
  await page.getByRole('button', { name: 'Look up' }).click();
  await expect(page.getByText('Note number 3')).toHaveCount(0);
  await page.locator('.drawer').getByRole('button', { name: 'Close' }).click();
  await signOut(page);
  await signIn(page, demo.base, /Joss Wending/);
  await page.goto(url);
  await expect(page.locator('#keeping')).toBeHidden({ timeout: 20_000 });
  await page.reload();
  await page.getByRole('button', { name: 'Look up' }).click();
  await expect(page.locator('.drawer .notice').filter({ hasText: 'Joss Wending' }).filter({ hasText: 'Note number 3' })).toHaveCount(1);
});

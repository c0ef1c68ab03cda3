// A whole fit without the server: carried, worked from one step to the last, reloaded on the way, and sent when the server is back.
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { act, go, signIn, stepId, tapGo, turn, watchConsole } from './hands.mjs';
import { Front } from './front.mjs';
import { Demo } from './server.mjs';

const demo = new Demo();
test.use({ serviceWorkers: 'allow' });
test.beforeAll(() => demo.start());
test.afterAll(() => demo.kill());

const begin = async (page, procedure, vehicle = 'veldra-tarn-20t', base = demo.base) => {
  await page.goto(`${base}/start?vehicle=${vehicle}&procedures[]=${procedure}`);
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await page.waitForURL(/\/fits\//);
  return new URL(page.url()).pathname.split('/')[2];
};
const waits = (page) => page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox') ?? '[]').length);
const carried = (page, fit) => expect.poll(() => page.evaluate((id) => Object.hasOwn(JSON.parse(localStorage.getItem('nk-carried') ?? '{}'), id), fit), { timeout: 15_000 }).toBe(true);
const controlled = (page) => expect.poll(() => page.evaluate(() => Boolean(navigator.serviceWorker.controller)), { timeout: 15_000 }).toBe(true);
let why = 0;
const READINGS = { coolant_temperature: '19' };

/** Whatever is in turn, by hand, without a server. */
const actOffline = async (page) => {
  const before = `${await stepId(page)}|${await go(page).textContent()}|${await waits(page)}`;
  const now = await turn(page);
  if (now === 'caution') await page.getByRole('button', { name: 'Understood' }).click();
  else if (now === 'tools') await page.locator('.tool-list button').first().click();
  else if (now === 'photo') await page.locator('.thumb .go input').setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64') });
  else if (await page.locator('.answers button').count()) await page.locator('.answers button').first().click();
  else if (await page.locator('#ask-form').count()) {
    const { field } = JSON.parse(await page.locator('#ask-form').getAttribute('data-mark-form'));
    const form = page.locator('#ask-form');
    const [low, high] = [await form.getAttribute('data-low'), await form.getAttribute('data-high')];
    await form.locator('input[name=text]').fill(READINGS[field] ?? (low === null ? '12' : String(Math.round(100 * (Number(low) + Number(high) > 0 ? (Number(low) + Number(high)) / 2 : Number(high))) / 100)));
    await tapGo(page);
  } else if (await go(page).isDisabled()) {
    // A compound that cures is not waited out in a test.
    await page.locator('.turn .over').click();
    await page.locator('#over-why').fill(['Nobody waits here', 'Not in this test', 'Hurried on again'][(why += 1) % 3]);
    await page.locator('#overrule').getByRole('button', { name: 'Close anyway' }).click();
  } else await tapGo(page);
  await expect.poll(async () => `${await stepId(page)}|${await go(page).textContent()}|${await waits(page)}`, { timeout: 10_000, intervals: [20, 40, 80] }).not.toBe(before);
};

test('from the second step to the last without a server, then every mark is there once', async ({ page, context }) => {
  test.setTimeout(150_000);
  page.setDefaultTimeout(8000);
  const errors = watchConsole(page);
  await signIn(page, demo.base, 'Ines Tarrow');
  const fit = await begin(page, 'gate-lock');
  const from = Date.now();
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  await carried(page, fit);
  const ready = Date.now() - from;
  await controlled(page);
  const size = await page.evaluate(async () => { let bytes = 0; for (const name of await caches.keys()) for (const request of await (await caches.open(name)).keys()) bytes += (await (await (await caches.open(name)).match(request)).clone().arrayBuffer()).byteLength; return bytes; });
  console.log(`ready off line after ${ready} ms, ${(size / 1e6).toFixed(2)} MB`);
  expect(ready).toBeLessThan(5000);
  expect(size).toBeLessThan(6e6);
  const first = await stepId(page);
  while ((await stepId(page)) === first) await act(page);
  await context.setOffline(true);
  await expect(page.locator('#keeping')).toContainText('No connection', { timeout: 15_000 });
  const seen = new Set();
  for (let i = 0; i < 400; i += 1) {
    const step = await stepId(page);
    seen.add(step);
    if ((await go(page).textContent()).includes('sign off')) break;
    if (seen.size >= 5 && !seen.has('reloaded')) {
      // A page that is loaded anew without a server goes on where it was.
      seen.add('reloaded');
      const was = await waits(page);
      await page.reload();
      await expect(page.locator('.unconfirmed')).toBeVisible({ timeout: 15_000 });
      expect(await stepId(page)).toBe(step);
      expect(await waits(page)).toBe(was);
    }
    await actOffline(page);
  }
  expect(seen.size).toBeGreaterThan(20);
  const marks = await waits(page);
  expect(marks).toBeGreaterThan(30);
  const ids = await page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox')).map((one) => one.id));
  await context.setOffline(false);
  await expect.poll(() => waits(page), { timeout: 60_000 }).toBe(0);
  await expect(page.locator('#refused')).toBeHidden();
  const log = JSON.parse(await (await page.request.get(`${demo.base}/fits/${fit}/export`)).text()).events;
  for (const id of ids) expect(log.filter((event) => event.id === id)).toHaveLength(1);
  expect(errors.filter((error) => !/Failed to load resource|net::ERR/.test(error))).toEqual([]);
});

test('two tablets off line at one joint: every mark is kept once, what both did is listed, and nobody’s is chosen in silence', async ({ browser }) => {
  test.setTimeout(150_000);
  const tablet = async (name) => {
    const context = await browser.newContext({ serviceWorkers: 'allow' });
    const page = await context.newPage();
    page.setDefaultTimeout(8000);
    await signIn(page, demo.base, name);
    return { context, page };
  };
  const [joss, petra] = [await tablet('Joss Wending'), await tablet('Petra Lunn')];
  const fit = await begin(joss.page, 'gate-lock');
  const tighten = (await (await joss.page.request.get(`${demo.base}/fits/${fit}/carry`)).json()).sheet.steps.find((step) => step.deed === 'tighten');
  const before = JSON.parse(await (await joss.page.request.get(`${demo.base}/fits/${fit}/export`)).text()).events.length;
  const path = `${demo.base}/fits/${fit}/bench/${tighten.id}`;
  for (const { page } of [joss, petra]) {
    await page.goto(path);
    await carried(page, fit);
    await controlled(page);
  }
  await joss.context.setOffline(true);
  await petra.context.setOffline(true);
  for (const { page } of [joss, petra]) {
    await expect(page.locator('#keeping')).toContainText('No connection', { timeout: 15_000 });
    // The bench of the tablet goes on: started by hand, then snug, then as far as a figure.
    while ((await turn(page)) === 'caution') await page.getByRole('button', { name: 'Understood' }).click();
    for (let i = 0; i < 2; i += 1) {
      const was = await waits(page);
      await tapGo(page);
      await expect.poll(() => waits(page)).toBeGreaterThan(was);
    }
  }
  const ids = await Promise.all([joss, petra].map(({ page }) => page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox')).map((one) => one.id))));
  expect(ids[0].length).toBeGreaterThan(1);
  // Longer ago than what counts as just now.
  await joss.page.waitForTimeout(16_000);
  for (const { context, page } of [joss, petra]) {
    await context.setOffline(false);
    await expect.poll(() => page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox')).filter((one) => !one.refused).length), { timeout: 60_000 }).toBe(0);
  }
  const log = JSON.parse(await (await joss.page.request.get(`${demo.base}/fits/${fit}/export`)).text()).events;
  const kept = ids.flat().filter((id) => log.some((event) => event.id === id));
  const refused = await petra.page.evaluate(() => JSON.parse(localStorage.getItem('nk-outbox')).length);
  expect(kept.length + refused).toBe(ids.flat().length);
  expect(new Set(log.map((event) => event.id)).size).toBe(log.length);
  expect(log.length).toBe(before + kept.length);
  await petra.page.goto(`${demo.base}/fits/${fit}/loose-ends`);
  await expect(petra.page.locator('main')).toContainText('marked twice, off line');
  await expect(petra.page.locator('main')).toContainText('each without the other: look at it');
  await joss.context.close();
  await petra.context.close();
});

test('a picture taken off line waits in order and arrives; on every page it is said how many wait', async ({ page, context }) => {
  page.setDefaultTimeout(8000);
  await signIn(page, demo.base, 'Joss Wending');
  const fit = await page.locator('article[data-carry]', { hasText: 'Tarn 20T: thermostat' }).getAttribute('data-carry');
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  await carried(page, fit);
  await controlled(page);
  const picture = await (await page.request.get(`${demo.base}/practice/pictures/belt.jpg`)).body();
  // One taken before, of the strip, is carried with the step that puts it back.
  await page.goto(`${demo.base}/fits/${fit}/bench/housing-off`);
  await page.keyboard.press('p');
  await page.locator('dialog#photo label.go input').setInputFiles({ name: 'joint.jpg', mimeType: 'image/jpeg', buffer: picture });
  await expect(page.locator('.thumb .picture')).toContainText('1 taken');
  const cached = () => page.evaluate(async () => (await (await caches.open('nk-pages')).keys()).filter((one) => one.url.endsWith('.jpg')).length);
  await expect.poll(cached, { timeout: 20_000 }).toBeGreaterThan(0);
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  await context.setOffline(true);
  await expect(page.locator('#keeping')).toContainText('No connection', { timeout: 15_000 });
  await page.keyboard.press('n');
  await page.locator('#note-text').fill('Off line, at the vehicle');
  await page.getByRole('button', { name: 'Save note' }).click();
  await page.keyboard.press('p');
  await page.locator('dialog#photo label.go input').setInputFiles({ name: 'belt.jpg', mimeType: 'image/jpeg', buffer: picture });
  await expect.poll(() => waits(page)).toBe(2);
  await expect(page.locator('.thumb .picture')).toContainText('1 taken');
  // The browser's own database has them as well as this page.
  expect(await page.evaluate(() => new Promise((done) => { const asked = indexedDB.open('nk-tablet'); asked.onsuccess = () => { const all = asked.result.transaction('marks').objectStore('marks').getAll(); all.onsuccess = () => done(all.result.length); }; }))).toBe(2);
  await page.goto(`${demo.base}/`);
  await expect(page.locator('[data-waiting]')).toContainText('2 marks wait here');
  await expect(page.locator('main')).toContainText('This is as the server last said it');
  await page.goto(`${demo.base}/kit`);
  await expect(page.getByRole('heading', { name: 'No connection' })).toBeVisible();
  await expect(page.locator('[data-carried-list] a').first()).toBeVisible();
  await page.locator('[data-carried-list] a').first().click();
  await expect(page.locator('#keeping')).toContainText('2 marks are safe', { timeout: 15_000 });
  // What only one store still has comes back from the other.
  await page.evaluate(() => localStorage.setItem('nk-outbox', '[]'));
  await context.setOffline(false);
  await page.goto(`${demo.base}/fits/${fit}/photos`);
  await expect.poll(() => page.request.get(`${demo.base}/fits/${fit}/export`).then((one) => one.json()).then((one) => one.events.filter((event) => event.type === 'photo-taken').length - 1 + one.events.filter((event) => event.payload.text === 'Off line, at the vehicle').length), { timeout: 30_000 }).toBe(2);
});

test('without the server nobody drives on stands or starts it empty: it is said before anything is marked, and what is refused waits nowhere', async ({ page, context }) => {
  page.setDefaultTimeout(8000);
  await signIn(page, demo.base, 'Joss Wending');
  const fit = await page.locator('article[data-carry]', { hasText: 'Tarn 20T: thermostat' }).getAttribute('data-carry');
  await page.goto(`${demo.base}/fits/${fit}/bench`);
  await carried(page, fit);
  await controlled(page);
  await context.setOffline(true);
  await expect(page.locator('#keeping')).toContainText('No connection', { timeout: 15_000 });
  const before = await waits(page);
  await page.goto(`${demo.base}/fits/${fit}/bench/drive-short`);
  await expect(page.locator('.stops')).toContainText('It is driven here, and the vehicle is still on its stands.');
  await expect(page.locator('.stops')).toContainText('The coolant circuit is open or empty.');
  await expect(go(page)).toBeDisabled();
  await expect(page.locator('#ask-form')).toHaveCount(0);
  // A mechanic with a reason is no lead.
  await page.locator('.turn .over').click();
  await page.locator('#over-why').fill('Only round the yard');
  await page.locator('#overrule').getByRole('button', { name: 'Close anyway' }).click();
  await expect(page.locator('#overrule')).toContainText('Only a lead overrules this.');
  expect(await waits(page)).toBe(before);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'It is driven here, and the vehicle is still on its stands.' }).click();
  await expect.poll(() => stepId(page)).toBe('lower-2');
  await context.setOffline(false);
});

const shipped = readFileSync(new URL('../../public/sw.js', import.meta.url), 'utf8');
const before = (file) => readFileSync(new URL(`before/${file}`, import.meta.url), 'utf8');

test('a new version waits for the end of the step and strands no mark; a pedal works the big button', async ({ page }) => {
  page.setDefaultTimeout(8000);
  const front = await new Front(demo).start();
  await signIn(page, front.base, 'Ines Tarrow');
  const fit = await begin(page, 'serpentine-belt', 'ostrel-vane-s6', front.base);
  await page.goto(`${front.base}/fits/${fit}/bench`);
  await carried(page, fit);
  await controlled(page);
  const step = await stepId(page);
  await page.evaluate(() => { window.stillHere = true; });
  front.instead.set('/sw.js', `${shipped}\n// the version after it`);
  await page.evaluate(() => navigator.serviceWorker.getRegistration().then((one) => one.update()));
  await expect(page.locator('#new-version')).toBeVisible({ timeout: 15_000 });
  expect(await page.evaluate(() => window.stillHere)).toBe(true);
  expect(await stepId(page)).toBe(step);
  while ((await stepId(page)) === step) {
    if (await page.locator('#ask-form').count() || (await turn(page)) === 'caution' || await page.locator('.answers button').count()) await act(page);
    else {
      const said = `${await stepId(page)}${await go(page).textContent()}`;
      await expect(page.locator('.thumb .go[data-armed]')).toBeVisible();
      await page.keyboard.press('PageDown');
      await expect.poll(async () => `${await stepId(page)}${await go(page).textContent()}`).not.toBe(said);
    }
  }
  await expect.poll(() => page.evaluate(() => window.stillHere ?? false).catch(() => false), { timeout: 15_000 }).toBe(false);
  await expect(page.locator('#step-title')).toBeVisible();
  await expect.poll(() => waits(page)).toBe(0);
  // A page kept by an older version asks for the files of then; without the server it gets those of now.
  await controlled(page);
  await front.stop();
  expect(await page.evaluate(() => fetch('/build/app.js?v=older').then((one) => one.text()).then((text) => text.length))).toBeGreaterThan(10_000);
});

test('marks and a picture that wait where they lay before this version are sent by it, in their order and once', async ({ page }) => {
  page.setDefaultTimeout(8000);
  const front = await new Front(demo).start();
  front.instead.set('/sw.js', before('sw.js'));
  for (const file of ['queue.js', 'blobs.js']) front.instead.set(`/before/${file}`, before(file));
  await signIn(page, front.base, 'Joss Wending');
  const fit = await page.locator('article[data-carry]', { hasText: 'Tarn 20T: thermostat' }).getAttribute('data-carry');
  await page.goto(`${front.base}/fits/${fit}/bench`);
  await carried(page, fit);
  await controlled(page);
  const bytes = [...await (await page.request.get(`${front.base}/practice/pictures/belt.jpg`)).body()];
  const log = async () => (await (await page.request.get(`${front.base}/fits/${fit}/export`)).json()).events;
  const had = (await log()).length;
  // What the page of before wrote down: three notes and a picture, of which this page has only the last note at hand.
  await page.evaluate(async ([of, file]) => {
    const [queue, blobs] = [await import('/before/queue.js'), await import('/before/blobs.js')];
    const by = document.querySelector('[data-person]').dataset.person;
    const id = (n) => `01${'0'.repeat(22)}B${n}`;
    const one = (n, more) => ({ id: id(n), seq: n, at: new Date(Date.now() - 60000 + 1000 * n).toISOString(), fit: of, batch: id(n), by, ...more });
    await blobs.keepBlob(id(2), new Blob([new Uint8Array(file)], { type: 'image/jpeg' }));
    const note = (n) => one(n, { type: 'noted', payload: { text: `Before ${n}`, step: 'clean' } });
    queue.store([note(1), one(2, { type: 'photo-taken', photo: true, payload: { step: 'clean', of: 'before' } }), note(3), note(4)]);
    await queue.onDisk();
    localStorage.setItem('nk-outbox', JSON.stringify([note(4)]));
  }, [fit, bytes]);
  // The worker of now takes over, and the page with it.
  front.instead.clear();
  await page.evaluate(() => navigator.serviceWorker.getRegistration().then((one) => one.update()));
  await page.goto(`${front.base}/`);
  await expect.poll(() => waits(page), { timeout: 30_000 }).toBe(0);
  await expect(page.locator('#refused')).toBeHidden();
  const told = (await log()).slice(had).map((event) => event.payload.text ?? event.type);
  expect(told).toEqual(['Before 1', 'photo-taken', 'Before 3', 'Before 4']);
  const left = await page.evaluate(async () => {
    const all = (name, store) => new Promise((done) => { const asked = indexedDB.open(name); asked.onsuccess = () => { const count = asked.result.transaction(store).objectStore(store).count(); count.onsuccess = () => { asked.result.close(); done(count.result); }; }; });
    return [await all('nk-queue', 'marks'), await all('nk-pictures', 'blobs'), await all('nk-tablet', 'marks'), await all('nk-tablet', 'pictures')];
  });
  expect(left).toEqual([0, 0, 0, 0]);
  await front.stop();
});

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
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
};

/** No console error may pass unseen; a broken policy shows there. */
export const watchConsole = (page) => {
  const errors = [];
  page.on('console', (message) => { if (message.type() === 'error') errors.push(message.text()); });
  page.on('pageerror', (error) => errors.push(error.message));
  return errors;
};

export const go = (page) => page.locator('.thumb .go').first();

/** The big button is deaf for a moment after what it says has changed; a hand waits for that. */
export const tapGo = async (page) => {
  await page.locator('.thumb .go[data-armed]').first().click();
};

/**
 * A hand that is faster than the button, for long walks: the wait is proved elsewhere. Armed and pressed in one breath, so that no
 * redrawing comes between and makes the button deaf again.
 */
const tapGoNow = async (page) => {
  await go(page).click({ trial: true });
  await expect.poll(() => page.evaluate(() => {
    const button = document.querySelector('.thumb .go');
    // A link here is another turn than the one that was looked at.
    if (!button || button.disabled || button.matches('a')) return false;
    button.setAttribute('data-armed', '');
    button.click();
    return true;
  }), { timeout: 10_000, intervals: [20, 40, 80] }).toBe(true);
};

export const version = (page) => page.locator('#bench').getAttribute('data-version');

/** Resolves in the page as soon as the bench shows another state than it did. */
const changed = (page, before) => page.evaluate((was) => new Promise((done) => {
  const bench = document.getElementById('bench');
  if (!bench || bench.dataset.version !== was) { done(); return; }
  const eye = new MutationObserver(() => { if (bench.dataset.version !== was) { eye.disconnect(); done(); } });
  eye.observe(bench, { attributes: true, attributeFilter: ['data-version'] });
  setTimeout(() => { eye.disconnect(); done(); }, 10_000);
}), before);

/** Waits until the bench shows a newer state than it did. */
export const afterMark = async (page, act) => {
  const before = await version(page);
  await act();
  await changed(page, before).catch(() => { /* another page came in between: asked again below */ });
  try {
    await expect.poll(() => version(page).catch(() => before), { timeout: 10_000, intervals: [20, 40, 80, 160] }).not.toBe(before);
  } catch (error) {
    throw new Error(`the bench stayed as it was: ${await told(page)}`, { cause: error });
  }
};

/** What went over the line of late, and when a page began. */
const diaries = new WeakMap();
const diary = (page) => {
  if (!diaries.has(page)) {
    const lines = [];
    const write = (text) => { lines.push(`${new Date().toISOString().slice(17, 23)} ${text}`); lines.splice(0, lines.length - 14); };
    page.on('response', (response) => { if (/\/(pulse|events)/.test(response.url())) write(`${response.status()} ${response.url().replace(/^.*\/fits\/[^/]+/, '').slice(0, 60)}`); });
    page.on('request', (request) => { if (/\/(pulse|events)/.test(request.url())) write(`asks ${request.url().replace(/^.*\/fits\/[^/]+/, '').slice(0, 60)}`); });
    page.on('requestfailed', (request) => write(`failed ${request.url().slice(-60)} ${request.failure()?.errorText}`));
    page.on('framenavigated', (frame) => write(`page ${frame.url().slice(-40)}`));
    diaries.set(page, lines);
  }
  return diaries.get(page);
};

/** What the bench says about a mark that did not come through. */
const told = async (page) => `${diary(page).join('; ')}; ${await asShown(page)}`;
const asShown = (page) => page.evaluate(() => JSON.stringify({
  at: new Date().toISOString(), version: document.getElementById('bench')?.dataset.version, step: document.getElementById('bench')?.dataset.step,
  button: document.querySelector('.thumb .go')?.outerHTML.slice(0, 600),
  ...Object.fromEntries(['refused', 'keeping', 'not-here', 'say'].map((id) => [id, document.getElementById(id)?.innerText.trim()])),
  queue: localStorage.getItem('nk-outbox')?.slice(0, 400), dialog: document.querySelector('dialog[open]')?.id,
})).catch(String);

export const stepId = (page) => page.locator('#bench').getAttribute('data-step');
export const turn = (page) => page.locator('.panes').getAttribute('data-turn');

export const READINGS = {
  coolant_temperature: '19', surface_temperature: '22', strength_before: '32', drained: '4.1', oil_drained: '6.1', vacuum_pulled: '82', vacuum_lost: '0.3', filled: '4.0', oil_filled: '6.1', opened_at: '88', drive_temperature: '92', snout: '30.02', snout_back: '30.02', bore: '29.98', bore_back: '29.98', hub_outside: '60', fit_length: '30', plug_gap: '0.7', face_gap: '0.05', bolt_length: '40', blower_snout: '20.02', blower_snout_back: '20.02', blower_bore: '20.00', blower_bore_back: '20.00', blower_hub_outside: '40', blower_fit_length: '22', blower_depth_before: '31.4', blower_depth_after: '31.4', blower_pulley_new: '68', pulley_run_out: '0.05', rib_offset_old: '11.2', rib_offset_new: '11.2', belt_note: '62', depth_before: '12.3', depth_after: '12.3', arm_swing_before: '5', arm_swing_after: '1', rattle_before: '4', rattle_after: '3', plunger_travel: '6', plunger_limit: '12', idler_turns: '2 turns', boost_limit: '110', gap_cold: '22', rock_seen: '6', charge_oil: '20', charge_volume: '5', test_from: '100', test_to: '99.5', boost_full: '96', boost_low: '60', gate_wanted: '70', gate_cracks_before: '55', gate_bare: '48', gate_rate: '7.5', rod_pitch: '1', rod_old: '84', gate_turns: '3', pin_air: '80', gate_cracks_after: '70', slip_wanted: '130', slip_band: '8', disc_outside: '50', disc_inside: '25.4', disc_thick: '3', disc_free: '4.1', lining_outside: '80', lining_inside: '56', lining_faces: '2', discs_at_hand: '8', wheel_heat: '110', rotor_room_wanted: '0.4', rotor_room: '0.42',
  volts_rest: '12.6', volts_crank: '10.4', volts_stud: '9.9', volts_ground: '0.1', volts_rest_after: '12.6', volts_crank_after: '10.6',
  volts_stud_after: '10.2', volts_ground_after: '0.1', gap_low: '0.7', gap_high: '0.8', gap_set: '0.7', plug_old: '0.9', plug_turns: '7',
};
/** What is written down for a reading; of one for each cylinder the same. */
const usual = (field) => READINGS[field] ?? READINGS[field.replace(/_\d+$/, '')] ?? '1';

/** Writes down the reading in turn and saves it by the big button. */
export const writeReading = async (page, text = null) => {
  const field = JSON.parse(await page.locator('#ask-form').getAttribute('data-mark-form')).field;
  await page.locator('#ask-form input').fill(text ?? usual(field));
  await afterMark(page, () => tapGoNow(page));
};

/** The clock of the server is not waited out in a test: a hold that is cut short is said why, each time in other words. */
let hurried = 0;
const excuse = () => { hurried += 1; return ['Clock cut short in this test', 'Nobody waits here', 'Hurried on by the test'][hurried % 3]; };
const hurry = async (page) => {
  if (await page.locator('[data-open="hurry"]').count()) {
    await page.locator('[data-open="hurry"]').click();
    await page.locator('#hurry-why').fill(excuse());
    await afterMark(page, () => page.locator('#hurry').getByRole('button', { name: 'Go on' }).click());
    return;
  }
  const field = JSON.parse(await page.locator('#ask-form').getAttribute('data-mark-form')).field;
  await page.locator('#ask-form input').fill(usual(field));
  await afterMark(page, () => page.locator('#ask-form input').press('Enter'));
};

export const closeAnyway = async (page, why) => {
  await page.locator('.turn .over').click();
  await page.locator('#over-why').fill(why);
  await afterMark(page, () => page.locator('#overrule').getByRole('button', { name: 'Close anyway' }).click());
};

/** The first tool that is still there; it may be drawn as taken while the hand reaches for it. */
const takeTool = async (page) => {
  const tool = page.locator('.tool-list button').first();
  try {
    await afterMark(page, () => tool.click({ timeout: 5_000 }));
  } catch (error) {
    if (await tool.count()) throw error;
  }
};

/** Taps one of the answers of a reading that is chosen: the first, or the one with these words. */
export const answer = (page, words = null) => afterMark(page, () => (words
  ? page.locator('.answers').getByRole('button', { name: words }).click()
  : page.locator('.answers button').first().click()));

/** What is on the bench, in one look. */
const look = async (page) => {
  diary(page);
  const seen = () => page.evaluate(() => {
    const [bench, panes, button] = ['#bench', '.panes', '.thumb .go'].map((one) => document.querySelector(one));
    const has = (one) => document.querySelector(one) !== null;
    // A page whose script has not begun is deaf: it is looked at again.
    const listens = document.documentElement.dataset.skew !== undefined;
    return listens && bench && panes && button ? {
      step: bench.dataset.step, turn: panes.dataset.turn, label: button.innerText.trim(), timer: Boolean(button.dataset.timerUntil),
      answers: has('.answers button'), reading: has('.thumb .go[form="ask-form"]'), link: has('.thumb a.go'), over: has('.turn .over'),
    } : null;
  }).catch(() => null);
  let found = null;
  await expect.poll(async () => { found = await seen(); return found; }, { timeout: 30_000, intervals: [20, 80, 200] }).not.toBeNull();
  return found;
};

/** One act of the bench, whatever is in turn. Where the bench was drawn anew while the hand reached for it, the next look tells what is. */
export const act = async (page, seen = null) => {
  const now = seen ?? await look(page);
  try {
    return await doAct(page, now);
  } catch (error) {
    const then = await look(page);
    if (JSON.stringify(then) === JSON.stringify(now)) throw error;
    return undefined;
  }
};

const doAct = async (page, { turn: now, timer, answers, reading, link, over }) => {
  if (now === 'caution') return afterMark(page, () => page.getByRole('button', { name: 'Understood', exact: true }).click({ timeout: 10_000 }));
  if (now === 'tools') return takeTool(page);
  if (timer) return hurry(page);
  if (answers) return afterMark(page, () => page.locator('.answers button').first().click({ timeout: 10_000 }));
  if (reading) return writeReading(page);
  if (link) {
    const from = page.url();
    await page.evaluate(() => document.querySelector('.thumb .go').setAttribute('data-armed', ''));
    await go(page).click();
    await page.waitForURL((one) => one.href !== from, { waitUntil: 'load' });
    return undefined;
  }
  if (now === 'barred' && over) {
    return closeAnyway(page, excuse());
  }
  return afterMark(page, () => tapGoNow(page));
};

/**
 * A long walk, taken in the page itself: each act as act() does it, its button hit where it is seen. Ends at a step, at the sign-off, or
 * where an act wants more than a tap.
 */
const strides = ({ stop, most, readings }) => {
  const find = (one) => document.querySelector(one);
  const rest = (ms) => new Promise((done) => { setTimeout(done, ms); });
  const listens = () => document.documentElement.dataset.skew !== undefined && find('#bench') && find('.panes') && find('.thumb .go');
  const isHit = (button) => {
    const { left, right, top, bottom } = button.getBoundingClientRect();
    return button.contains(document.elementFromPoint((left + right) / 2, (top + bottom) / 2));
  };
  const inTurn = (go) => {
    const { turn } = find('.panes').dataset;
    if (go.matches('a') || go.dataset.timerUntil || (turn === 'barred' && find('.turn .over'))) return null;
    if (turn === 'caution') return [...document.querySelectorAll('#bench button')].find((one) => one.innerText.trim() === 'Understood') ?? null;
    if (turn === 'tools') return find('.tool-list button');
    if (find('.answers button')) return find('.answers button');
    if (find('.thumb .go[form="ask-form"]')) {
      const { field } = JSON.parse(find('#ask-form').dataset.markForm);
      const input = find('#ask-form input');
      input.value = readings[field] ?? readings[field.replace(/_\d+$/, '')] ?? '1';
      input.dispatchEvent(new Event('input', { bubbles: true }));
    }
    return go;
  };
  const kept = async (bench, was) => {
    for (let i = 0; i < 500 && bench.dataset.version === was; i += 1) await rest(20);
    return bench.dataset.version !== was;
  };
  const walk = async () => {
    const seen = [];
    const ends = (why) => ({ seen, why });
    for (let acts = 0; acts < most; acts += 1) {
      for (let i = 0; i < 200 && !listens(); i += 1) await rest(20);
      if (!listens()) return ends('deaf');
      const [bench, go] = [find('#bench'), find('.thumb .go')];
      const { step, version } = bench.dataset;
      if (step === stop) return ends('there');
      if (seen[seen.length - 1] !== step) seen.push(step);
      if (go.innerText.trim().startsWith('Loose ends')) return ends('there');
      const button = inTurn(go);
      button?.scrollIntoView({ block: 'nearest' });
      if (!button || button.disabled || !isHit(button)) return ends('hand');
      button.setAttribute('data-armed', '');
      button.click();
      if (!await kept(bench, version)) return ends('hand');
    }
    return ends('far');
  };
  return walk();
};

/** Works through the bench until a step, or until only the sign-off is left. */
export const workUntil = async (page, stop, each = null) => {
  const seen = [];
  const passes = (step) => { if (seen[seen.length - 1] !== step) seen.push(step); };
  for (let i = 0; i < 700; i += 1) {
    if (!each) {
      const went = await page.evaluate(strides, { stop, most: 100, readings: READINGS }).catch(() => null);
      went?.seen.forEach(passes);
      if (went?.why === 'there') return seen;
      if (went?.why === 'far') continue;
    }
    const now = await look(page);
    if (now.step === stop) return seen;
    passes(now.step);
    if (now.label.startsWith('Loose ends')) return seen;
    if (each) await each(now.step, now.turn);
    // What looks at each act may have changed what is on the screen.
    await act(page, each ? null : now);
  }
  throw new Error(`never reached ${stop}; at ${await stepId(page)}`);
};

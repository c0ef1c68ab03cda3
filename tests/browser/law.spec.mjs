// The law of the tablet against the law of the core, over the same sequences of honest and careless hands: after every event both say the
// same of what is loose, what is next, what a step lacks; and what the tablet refuses the core refuses, in the same words. A sample of 200 runs.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { seeds } from './sample.mjs';
import { boltsLeft, clockOf, counted, factsOf, fold, nextBolt, passFaults, stepOf } from '../../assets/js/facts.js';
import { looseEnds, refusal } from '../../assets/js/law.js';
import { standing } from '../../assets/js/terms.js';

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const SEEDS = seeds(200, 'law', 10);
const RUNS = SEEDS.length;
/** What a tablet does not make without the server; everything else it judges by itself, in the words of the core. */
const AT_SERVER = new Set(['trial-kept', 'part-judged', 'waived', 'follow-up-closed', 'stopped', 'taken-up', 'signed']);

/** Told apart only where they are not: a text is soon compared. */
const same = (mine, its, where) => JSON.stringify(mine) === JSON.stringify(its) || assert.deepEqual(mine, its, where);

test('both say the same', () => {
  test.setTimeout(60_000 + 6000 * RUNS);
  const lines = execFileSync('php', ['-d', 'memory_limit=1G', 'tests/law-run.php', ...SEEDS.map(String)], { cwd: root, encoding: 'utf8', maxBuffer: 2e9 }).trim().split('\n');
  let [events, compared] = [0, 0];
  const [made, refused] = [{}, {}];
  for (const line of lines) {
    const { seed, sheet, told } = JSON.parse(line);
    const log = [];
    let state = fold(log);
    for (const one of told) {
      const where = `seed ${seed}, event ${events}: ${one.event.type} ${JSON.stringify(one.event.payload)}, the core: ${one.message || 'taken'}`;
      const clock = clockOf(0, one.now);
      const said = refusal(sheet, state, one.event, one.lead, clock);
      const asks = one.event.type === 'step-done' && stepOf(sheet, one.event.payload.step)?.deed && standing(sheet, one.event.payload.step, factsOf(sheet, state, clock), 'within').some((found) => found.by === 'server');
      if (AT_SERVER.has(one.event.type) || asks) assert.ok(said, where);
      else assert.equal(said?.message ?? '', one.message, where);
      refused[one.event.type] = (refused[one.event.type] ?? 0) + (one.message === '' ? 0 : 1);
      made[one.event.type] = (made[one.event.type] ?? 0) + 1;
      if (one.message === '') {
        log.push(one.event);
        state = fold(log);
      }
      const step = stepOf(sheet, one.step);
      same(looseEnds(sheet, state).map((end) => [end.id, end.what, end.step, end.since]).sort(), [...one.ends].sort(), where);
      for (const [id, [bolt, stage, left, faults]] of Object.entries(one.next)) {
        same([...nextBolt(sheet, state, id), boltsLeft(sheet, state, id), passFaults(sheet, state, id)], [bolt, stage, left, faults], where);
      }
      if (step) assert.equal(counted(state, step), one.counted, where);
      const facts = factsOf(sheet, state, clock);
      for (const [id, obstacles] of Object.entries(one.standing)) {
        const mine = [...standing(sheet, id, facts, 'before'), ...standing(sheet, id, facts, 'within')].filter((found) => found.by !== 'server');
        same(mine.map((found) => [found.code, found.text, found.bar, found.step]).sort(), [...obstacles].sort(), `${where}; of ${id}`);
        compared += obstacles.length;
      }
      events += 1;
    }
  }
  const times = Object.values(refused).reduce((sum, n) => sum + n, 0);
  console.log(`${events} events of ${Object.keys(made).length} kinds, ${times} refused, ${compared} obstacles: alike`);
  expect(events).toBeGreaterThan(100 * RUNS);
  expect(times).toBeGreaterThan(20 * RUNS);
  expect(compared).toBeGreaterThan(200 * RUNS);
});

test('a rule that is added while the server runs holds on a tablet, without another build', () => {
  const [line] = execFileSync('php', ['tests/law-run.php', '--one-more', '3'], { cwd: root, encoding: 'utf8', maxBuffer: 2e9 }).trim().split('\n');
  const { sheet } = JSON.parse(line);
  const step = sheet.steps.find((one) => one.deed === 'remove');
  const done = { id: '', type: 'step-done', at: '2026-11-25T08:00:00Z', payload: { step: step.id, reason: 'a lead says so' } };
  const said = 'Nothing is undone with the battery on, says this workshop.';
  expect(refusal(sheet, fold([]), done, true).message).toContain(said);
  const off = [{ id: '1', type: 'step-done', at: done.at, by: 'Joss', payload: { step: 'battery-off' } }];
  sheet.steps.push({ ...step, id: 'battery-off', deed: 'battery-off' });
  expect(refusal(sheet, fold(off), done, true)?.message ?? '').not.toContain(said);
  // And no word of any rule stands in a script.
  const scripts = readdirSync(join(root, 'assets/js')).map((file) => readFileSync(join(root, 'assets/js', file), 'utf8')).join('\n');
  const texts = [...sheet.law.rows, ...Object.values(sheet.law.refusals).flat()].map((row) => (Array.isArray(row.text) ? row.text[1] : row.text));
  const words = [...new Set(texts.flatMap((text) => text.split('%s')))].filter((text) => text.trim().length > 14);
  expect(words.length).toBeGreaterThan(80);
  expect(words.filter((text) => scripts.includes(text))).toEqual([]);
});

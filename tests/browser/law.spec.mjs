// The law of the tablet against the law of the core, over the same sequences of honest and careless hands: after every event both say the
// same of what is loose, what is next, what a step lacks; and what the tablet refuses the core refuses, in the same words. A sample of 200 runs.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { seeds } from './sample.mjs';
import { boltsLeft, counted, fold, looseEnds, nextBolt, passFaults, refusal, stepOf, within } from '../../assets/js/law.js';

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const SEEDS = seeds(200, 'law', 10);
const RUNS = SEEDS.length;
/** What the tablet knows nothing of: a reason given twice, weights, batteries, the order of the line. */
const BY_SMALL_RULES = new Set(['counted', 'counted-all', 'broke', 'replaced', 'dropped', 'found', 'fastener-marked', 'put-in', 'taken-out', 'tool-counted', 'caution-acknowledged', 'step-reopened']);

/** Told apart only where they are not: a text is soon compared. */
const same = (mine, its, where) => JSON.stringify(mine) === JSON.stringify(its) || assert.deepEqual(mine, its, where);

test('both say the same', () => {
  test.setTimeout(60_000 + 6000 * RUNS);
  const lines = execFileSync('php', ['-d', 'memory_limit=1G', 'tests/law-run.php', ...SEEDS.map(String)], { cwd: root, encoding: 'utf8', maxBuffer: 2e9 }).trim().split('\n');
  let [events, refused] = [0, 0];
  for (const line of lines) {
    const { seed, sheet, told } = JSON.parse(line);
    const log = [];
    let state = fold(log);
    for (const one of told) {
      const where = `seed ${seed}, event ${events}: ${one.event.type} ${JSON.stringify(one.event.payload)}, the core: ${one.message || 'taken'}`;
      const said = refusal(sheet, state, one.event);
      if (said) {
        refused += 1;
        assert.notEqual(one.message, '', `${where}; the tablet: ${said.message}`);
      }
      if (one.message !== '' && BY_SMALL_RULES.has(one.event.type)) assert.equal(said?.message, one.message, where);
      if (one.message === '') {
        log.push(one.event);
        state = fold(log);
      }
      const step = stepOf(sheet, one.step);
      same(looseEnds(sheet, state).map((end) => [end.id, end.what, end.step, end.since]).sort(), [...one.ends].sort(), where);
      for (const [id, [bolt, stage, left, faults]] of Object.entries(one.next)) {
        same([...nextBolt(sheet, state, id), boltsLeft(sheet, state, id), passFaults(sheet, state, id)], [bolt, stage, left, faults], where);
      }
      if (step) {
        same(within(sheet, state, step).map((found) => `${found.code} ${found.text}`).sort(), [...one.within].sort(), where);
        assert.equal(counted(state, step), one.counted, where);
      }
      events += 1;
    }
  }
  console.log(`${events} events, ${refused} of them refused by the tablet, all by the core as well`);
  expect(events).toBeGreaterThan(100 * RUNS);
  expect(refused).toBeGreaterThan(5 * RUNS);
});

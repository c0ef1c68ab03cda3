// The attack as a suite, bounded to five minutes: routes by roles and methods, malformed requests, kills, parallel edits, races.
// One of ten lucks, another at each commit; NK_ALL=1 has the large ones of all ten. The luck is in every failure.
import { test, before, after } from 'node:test';
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { Person, Target, luck, root, together, ulid } from './target.mjs';

const FIRST = 20261126;
const ALL = Boolean(process.env.NK_ALL);
const LUCKS = ALL ? Array.from({ length: 10 }, (_, i) => FIRST + i) : [FIRST + Number(process.env.NK_SEED ?? 0) % 10];
const REQUESTS = Number(process.env.NK_REQUESTS ?? (ALL ? 10000 : 3000));
const KILLS = Number(process.env.NK_KILLS ?? (ALL ? 60 : 20));
const SEED = LUCKS[0];
const target = new Target(8096).make();
let petra; let joss; let ines; let fit;

before(async () => {
  await target.start();
  [petra, joss, ines] = [await Person.signIn(target.base, 'petra'), await Person.signIn(target.base, 'joss'), await Person.signIn(target.base, 'ines')];
  fit = /fits\/([0-9A-Z]{26})\/bench/.exec(await (await joss.get('/')).text())[1];
});
after(() => target.kill());

const routes = () => Object.entries(JSON.parse(execFileSync('php', ['bin/console', 'debug:router', '--format=json'], { cwd: root, env: { ...process.env, APP_ENV: 'prod', APP_DEBUG: '0' } }).toString()))
  .filter(([name]) => !name.startsWith('_'))
  .map(([name, route]) => ({ name, methods: route.method === 'ANY' ? ['GET', 'POST'] : route.method.split('|'), path: route.path.replace('{id}', /^\/(?:fits|devices|readings|kit)/.test(route.path) ? fit : 'veldra-tarn-20t').replace('{step}', 'housing-tight').replace('{joint}', 'thermostat-cover-bolts').replace('{name}', 'torque-check').replace('{kind}', 'sheet').replace('{what}', 'remove').replace(/\{[^}]+\}/g, 'x') }));

test('every route, for every role and method: nobody gets in, nothing breaks', async () => {
  const nobody = new Person(target.base);
  const found = [];
  let asked = 0;
  for (const route of routes()) {
    for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']) {
      for (const [who, person] of [['nobody', nobody], ['petra', petra], ['joss', joss]]) {
        if (route.name === 'sign_out') continue;
        const body = ['GET', 'HEAD'].includes(method) ? undefined : 'x=1';
        const response = await fetch(target.base + route.path, { method, redirect: 'manual', headers: { Cookie: person.cookie, 'X-CSRF-Token': who === 'nobody' ? 'guess' : person.token, ...(body ? { 'Content-Type': 'application/x-www-form-urlencoded' } : {}) }, body });
        asked += 1;
        await response.arrayBuffer();
        if (response.status >= 500 && response.status !== 503) found.push(`${who} ${method} ${route.path}: ${response.status}`);
        const isPublic = ['sign_in', 'bare', 'readings_receive', 'device_me', 'api_readings', 'api_device_me'].includes(route.name) || /^\/api\/(?:readings|devices\/me)$/.test(route.path);
        if (who === 'nobody' && response.status < 300 && !isPublic && method !== 'OPTIONS') found.push(`${who} got in by ${method} ${route.path}: ${response.status}`);
      }
    }
  }
  assert.deepEqual(found, []);
  assert.ok(asked > 800, `${asked} asked`);
});

test('a write without the token, or with another’s, is refused', async () => {
  for (const token of ['', 'x', petra.token.slice(1)]) {
    const response = await fetch(`${target.base}/fits/${fit}/events`, { method: 'POST', headers: { Cookie: joss.cookie, 'X-CSRF-Token': token, 'Content-Type': 'application/json' }, body: '{}' });
    assert.equal(response.status, 403);
  }
});

test('every door states its limit and answers at it', async () => {
  for (const [path, bytes] of [[`/fits/${fit}/events`, 600_001], [`/fits/${fit}/mark`, 1_000_001], ['/vehicles/veldra-tarn-20t/edit', 1_000_001], ['/import', 60_000_001], [`/fits/${fit}/photos`, 6_000_001]]) {
    const response = await joss.send('POST', path, 'x'.repeat(bytes), { 'Content-Type': 'text/plain' });
    assert.equal(response.status, 413, path);
    assert.match(await response.text(), /At most \d+ kB/);
    const under = await joss.send('POST', path, 'x'.repeat(bytes - 10), { 'Content-Type': 'text/plain' });
    assert.ok(under.status < 500 && under.status !== 413, `${path}: ${under.status}`);
  }
  assert.equal((await joss.get(`/fits?q=${'x'.repeat(8100)}`)).status, 414);
});

const POISON = [null, true, 0, -1, 1e308, -1e308, 12, '12', '', ' ', '0', 'a.b', 'common', '../../etc/passwd', '\u0000', '\ud800', '<script>alert(1)</script>', "' OR 1=1 --", '{{7*7}}', '٣', '２０', '1e999', 'NaN', 'INF', '0000-00-00', '2026-02-30T25:61:61Z', 'T99:99:99Z', 'x'.repeat(600), 'ÿ'.repeat(400), [], {}, [[]], { a: 1 }, ['x'], { toString: 1 }];

for (const lot of LUCKS) test(`${REQUESTS} malformed requests over every door that writes, luck ${lot}: no 500 and no warning`, async () => {
  const dice = luck(lot);
  const types = ['step-started', 'step-done', 'step-reopened', 'step-skipped', 'caution-acknowledged', 'counted', 'counted-all', 'broke', 'replaced', 'settled', 'put-in', 'taken-out', 'tool-counted', 'fastener-marked', 'measured', 'dropped', 'found', 'mishap', 'stood', 'chosen', 'noted', 'stage-begun', 'curve-judged', 'trial-kept', 'part-judged', 'stop-seen', 'photo-taken', 'photo-marked', 'sum-pinned', 'waived', 'follow-up-closed', 'undone', 'signed', 'exploded'];
  const fields = ['step', 'reason', 'caution', 'thing', 'by', 'joint', 'bolt', 'stage', 'wrench', 'setting', 'reading', 'torque', 'field', 'text', 'value', 'unit', 'what', 'mishap', 'said', 'way', 'how', 'item', 'dropped', 'end', 'as', 'follow_up', 'outcome', 'event', 'remark', 'seen', 'tool', 'id', 'type', 'photo', 'hash', 'width', 'height', 'shot', 'kind', 'x', 'y', 'to_x', 'to_y'];
  const good = { step: ['housing-tight', 'drained', 'vacuum-pull', 'clean'], joint: ['thermostat-cover-bolts'], field: ['drained'], thing: ['long screws'], stage: [1, 'pull'], bolt: [1] };
  const value = (name) => (good[name] && dice.int(2) ? dice.pick(good[name]) : dice.pick(POISON));
  const some = () => Object.fromEntries(Array.from({ length: dice.int(6) }, () => { const name = dice.pick(fields); return [name, value(name)]; }));
  const text = (v) => (typeof v === 'string' ? v : JSON.stringify(v) ?? '');
  const strings = () => Object.fromEntries(Object.entries(some()).map(([k, v]) => [dice.int(8) ? k : `${k}[]`, text(v).replace(/\ud800/g, '')]));
  const json = { 'Content-Type': 'application/json', Accept: 'application/json' };
  const bytes = (n) => crypto.getRandomValues(new Uint8Array(n));
  const who = () => dice.pick([petra, joss, joss, ines]);
  const doors = [
    () => who().send('POST', `/fits/${fit}/events`, JSON.stringify({ events: Array.from({ length: 1 + dice.int(3) }, () => ({ id: dice.int(3) ? ulid() : dice.pick(POISON), type: dice.int(9) ? dice.pick(types) : dice.pick(POISON), payload: dice.int(9) ? some() : dice.pick(POISON), at: dice.int(3) ? new Date().toISOString() : dice.pick(POISON) })), device: dice.pick(POISON), sent: dice.pick([undefined, new Date().toISOString(), 'x']), view: dice.pick([undefined, { step: value('step'), have: dice.pick(POISON) }]) }), json),
    () => who().send('POST', `/fits/${fit}/events`, dice.pick(['{', '[]', 'null', '"x"', '{"events":1e999}', '{"events":[{"id":1}]}', '['.repeat(600), bytes(200)]), json),
    () => who().form(`/fits/${fit}/mark`, { type: dice.pick(types), event: dice.int(2) ? ulid() : text(dice.pick(POISON)), ...strings() }),
    () => joss.form('/vehicles/veldra-tarn-20t/edit', { what: dice.pick(['item', 'joint', 'circuit', 'limit', 'drop-item', 'drop-limit', 'x']), name: text(value('x')).replace(/\ud800/g, ''), line: dice.pick(['3x M6x20 8.8 9 Nm', '3x M6', '99999x M6', 'x', '1e999x M6 1e308 Nm']), capacity: text(dice.pick(POISON)).replace(/\ud800/g, ''), off: dice.pick(['1 2 3', '3 2 1', 'x', '1e999']), points: dice.pick(['0,0; 10,10', '1e999,1', 'x']), ...strings() }),
    () => joss.form('/kit/tools', { name: text(dice.pick(POISON)).replace(/\ud800/g, ''), kind: dice.pick(['torque wrench', 'socket', 'x']), min: text(dice.pick(POISON)).replace(/\ud800/g, ''), max: dice.pick(['60 Nm', '1e999', '-1']), error: dice.pick(['4', 'x']), ...strings() }),
    () => joss.form('/import', { json: dice.pick(['{}', '[]', '{"format":"nimble-knuckle/fit@1"}', 'x'.repeat(2000), `{"format":"nimble-knuckle/fit@1","id":"${ulid()}","events":[{"at":"0000-00-00T00:00:00Z"}]}`]) }),
    () => who().send('POST', `/api/sums/${dice.pick(['torque-check', 'coolant-mix', 'warm-up', 'x'])}`, JSON.stringify(dice.int(5) ? { stated: dice.pick(POISON), thread: dice.pick(POISON), capacity: dice.pick(POISON), drained: dice.pick(POISON), samples: dice.pick([...POISON, [[1e308, 1], [0, 'x']]]) } : dice.pick(POISON)), json),
    () => who().get(`/sums/${dice.pick(['torque-check', 'coolant-mix', 'angle-tighten', 'warm-up', 'vacuum-fill'])}?${new URLSearchParams(strings())}&stated=${encodeURIComponent(text(dice.pick(POISON)).replace(/\ud800/g, ''))}`),
    () => fetch(`${target.base}/api/readings`, { method: 'POST', headers: { ...json, Authorization: `Bearer ${dice.pick(['x', '', 'ÿ'.slice(0, 0), 'nk_'])}` }, body: JSON.stringify(dice.pick(POISON)) ?? 'null' }),
    () => who().get(`/fits/${fit}/pulse?${new URLSearchParams(strings())}&have[x][]=1&since[]=1`),
    () => who().get(`/api/plan?vehicle=${dice.pick(['veldra-tarn-20t', 'x', '12'])}&procedures=${encodeURIComponent(dice.pick(['thermostat-under', 'a.b', 'common', '', '../x', 'water-pump,starter']))}&people=${dice.pick(['1', '2', 'x', '1e9'])}`),
    () => joss.form('/start?vehicle=veldra-tarn-20t&procedure=thermostat-under', { vehicle: 'veldra-tarn-20t', procedure: dice.pick(['a.b', 'common', 'x', '']), altitude: text(dice.pick(POISON)).replace(/\ud800/g, ''), temperature: dice.pick(['65 F', '1e999', 'x']) }),
    () => joss.form(`/fits/${fit}/replan`, { item: text(dice.pick(POISON)).replace(/\ud800/g, ''), before: dice.pick(['under-pan', 'x']), fasteners: dice.pick(['4', 'x', '-1', '1e9']), reason: text(dice.pick(POISON)).replace(/\ud800/g, '') }),
    () => joss.form('/vehicles/veldra-tarn-20t/fluids', { circuit: dice.pick(['coolant', 'oil', 'x']), kind: dice.pick(['filled', 'strength', 'x']), litres: text(dice.pick(POISON)).replace(/\ud800/g, ''), km: text(dice.pick(POISON)).replace(/\ud800/g, '') }),
    () => fetch(`${target.base}/sign-in`, { method: 'POST', redirect: 'manual', headers: { Origin: target.base, 'Content-Type': 'application/x-www-form-urlencoded' }, body: new URLSearchParams({ 'login[]': 'x', password: 'y', _csrf: 'csrf-token' }) }),
    () => who().get(`/%ff%fe/${dice.int(9)}`), () => who().get('/fits?page[]=1'), () => who().get('/jump?q[]=x'),
  ];
  const bad = {};
  const seen = {};
  const jobs = Array.from({ length: REQUESTS }, (_, i) => async () => {
    const door = i % doors.length;
    const response = await doors[door]();
    const said = await response.text();
    seen[response.status] = (seen[response.status] ?? 0) + 1;
    if (response.status >= 500 && response.status !== 503) bad[`door ${door}: ${response.status} ${response.url.slice(target.base.length, target.base.length + 60)}`] = said.slice(0, 120);
  });
  await together(8, jobs);
  assert.deepEqual(bad, {}, `luck ${lot}`);
  assert.deepEqual(target.warnings().slice(0, 5), []);
  console.log(`answers: ${JSON.stringify(seen)}`);
  assert.ok((seen[422] ?? 0) > REQUESTS / 10, JSON.stringify(seen));
  // Everything still answers.
  for (const path of ['/', '/fits', `/fits/${fit}`, `/fits/${fit}/bench`, `/fits/${fit}/loose-ends`, '/vehicles', '/vehicles/veldra-tarn-20t', '/kit', '/logbook', `/fits/${fit}/export`, '/start?vehicle=veldra-tarn-20t']) {
    assert.equal((await joss.get(path)).status, 200, path);
  }
});

test('300 edits in parallel: each is on the sheet', async () => {
  const names = Array.from({ length: 300 }, (_, i) => `Clip number ${String(i).padStart(3, '0')}`);
  const statuses = await together(12, names.map((name) => async () => {
    for (let again = 0; again < 5; again += 1) {
      const { status } = await joss.form('/vehicles/corrin-drover-27d/edit', { what: 'item', id: '', seen: '', name, kind: 'part', place: 'above', off: '2', on: '2' });
      if (status !== 503) return status;
    }
    return 503;
  }));
  const sheet = await (await joss.get('/vehicles/corrin-drover-27d/edit')).text();
  const kept = names.filter((name) => sheet.includes(name)).length;
  assert.equal(statuses.filter((s) => s === 303).length, 300, JSON.stringify(statuses.filter((s) => s !== 303)));
  assert.equal(kept, 300);
  // The same thing changed by two: one is kept, the other is shown beside it.
  const both = await together(2, ['first', 'second'].map((note) => () => joss.form('/vehicles/corrin-drover-27d/edit', { what: 'item', id: '', seen: '', name: 'Race bracket', kind: 'part', place: 'above', off: '2', on: '2', remove_note: note })));
  assert.deepEqual(both.map((r) => r.status).sort(), [303, 409]);
});

test('one reading sent six times at once marks once', async () => {
  const token = /nk_[A-Za-z0-9_-]+|[A-Za-z0-9_-]{32,}/.exec(execFileSync('php', ['bin/console', 'device:add', 'race wrench', '--kind=wrench'], { cwd: root, env: target.env }).toString())?.[0] ?? '';
  const kit = await (await joss.get(`/fits/${fit}/bench/housing-tight`)).text();
  const device = [...kit.matchAll(/name="device"\s+value="([0-9A-Z]{26})"[^>]*>Use the race wrench/g)][0]?.[1];
  assert.ok(device, 'the wrench stands at the joint');
  await joss.form(`/fits/${fit}/steps/housing-tight/device`, { device });
  const reading = execFileSync('php', ['bin/console', 'device:wrench', '--print'], { cwd: root, env: target.env }).toString();
  const document = JSON.stringify({ ...JSON.parse(reading), id: ulid() });
  await together(6, Array.from({ length: 6 }, () => () => fetch(`${target.base}/api/readings`, { method: 'POST', headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' }, body: document })));
  const exported = await (await joss.get(`/fits/${fit}/export`)).json();
  const marks = exported.events.filter((e) => e.payload.reading === JSON.parse(document).id);
  assert.ok(marks.length <= 1, `${marks.length} marks`);
});

const consistent = async (id) => {
  const answer = await joss.get(`/fits/${id}/export`);
  assert.equal(answer.status, 200, `export of “${id}”: ${answer.status} ${answer.headers.get('location')}`);
  const exported = await answer.json();
  const steps = new Set(exported.sheet.steps.map((s) => s.id));
  return { exported, steps };
};

test('planning again against marks, against sign-off, against itself: 50 times each', async () => {
  const dice = luck(SEED + 1);
  const id = await joss.plan('vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=vacuum');
  assert.notEqual(id, '');
  const bad = [];
  for (let i = 0; i < 50; i += 1) {
    const revision = /name="revision" value="(\d+)"/.exec(await (await joss.get(`/fits/${id}/replan`)).text())?.[1] ?? '1';
    const replan = (name) => joss.form(`/fits/${id}/replan`, { revision, item: name, before: 'under-pan', fasteners: '2', reason: 'it was there', adopt: '1' });
    const mark = () => petra.marks(id, { type: 'noted', text: `round ${i}`, step: 'decide-sign' });
    const jobs = dice.int(2) ? [() => replan(`Bracket ${i} a`), mark, () => replan(`Bracket ${i} b`), mark] : [mark, () => replan(`Bracket ${i} a`), () => ines.form(`/fits/${id}/mark`, { type: 'signed', event: ulid(), seen: '0' }), mark];
    const answers = await together(4, jobs);
    for (const answer of answers) if (answer.status >= 500 && answer.status !== 503) bad.push(answer.status);
    const { exported } = await consistent(id);
    const items = exported.vehicle.items.filter((one) => one.name.startsWith(`Bracket ${i} `)).length;
    if (items > 1) bad.push(`both plans of round ${i} stand`);
    if (exported.events.some((e) => e.type === 'signed')) bad.push('signed over open steps');
    if (exported.events.filter((e) => e.payload.text === `round ${i}`).length !== 2) bad.push(`a note of round ${i} is lost`);
  }
  assert.deepEqual(bad, [], `seed ${SEED}`);
});

test('an import is all or nothing, 50 times, also twice at once', async () => {
  const exported = await (await joss.get(`/fits/${fit}/export`)).json();
  const bad = [];
  for (let i = 0; i < 50; i += 1) {
    const id = ulid();
    const events = exported.events.filter((e) => !['undone', 'found', 'follow-up-closed', 'signed', 'waived'].includes(e.type)).map((e) => ({ ...e, id: ulid() }));
    const broken = { ...exported, id, title: `Copy ${i}`, events: [...events, { ...events[0], id: ulid(), at: '2026-13-40T10:00:00Z' }] };
    const refused = await joss.form('/import', { json: JSON.stringify(broken) });
    if (refused.status !== 422) bad.push(`a broken import: ${refused.status}`);
    if ((await joss.get(`/fits/${id}`)).status !== 404) bad.push('half an import stands');
    if (i % 5 === 0) {
      const whole = JSON.stringify({ ...exported, id, title: `Copy ${i}`, events });
      const twice = await together(2, [() => joss.form('/import', { json: whole }), () => joss.form('/import', { json: whole })]);
      if (twice.some((r) => r.status >= 500 && r.status !== 503)) bad.push(twice.map((r) => r.status).join());
      const kept = await (await joss.get(`/fits/${id}/export`)).json();
      if (kept.events.length !== events.length) bad.push(`${kept.events.length} of ${events.length} events`);
    }
  }
  assert.deepEqual(bad, []);
});

test('a signature does not come in with a file, under another id or in another name', async () => {
  const exported = await (await joss.get(`/fits/${fit}/export`)).json();
  const id = ulid();
  const events = [...exported.events.map((e) => ({ ...e, id: ulid() })).filter((e) => !['undone', 'found'].includes(e.type)), { id: ulid(), type: 'signed', payload: {}, by: 'Ines Tarrow', at: new Date().toISOString().replace(/\.\d+/, '') }];
  const response = await joss.form('/import', { json: JSON.stringify({ ...exported, id, events }) });
  assert.equal(response.status, 303);
  const kept = await (await joss.get(`/fits/${id}/export`)).json();
  assert.equal(kept.events.some((e) => e.type === 'signed'), false);
  const stranger = await joss.form('/import', { json: JSON.stringify({ ...exported, events: [...exported.events, { id: ulid(), type: 'noted', payload: { text: 'x' }, by: 'A stranger', at: new Date().toISOString().replace(/\.\d+/, '') }] }) });
  assert.equal(stranger.status, 422);
});

test(`${KILLS} kills at random moments with two tablets: no kept mark is lost or doubled`, async () => {
  const dice = luck(SEED + 2);
  const id = await joss.plan('vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=vacuum');
  const kept = new Set();
  // The plug is pulled after at least so many marks, then somewhere within the next few at this machine's own pace.
  const begun = performance.now();
  for (let i = 0; i < 6; i += 1) await petra.marks(id, { type: 'noted', text: `pace ${i}`, step: 'decide-sign' });
  const pace = (performance.now() - begun) / 6;
  for (let i = 0; i < KILLS; i += 1) {
    let going = true;
    const enough = kept.size + 3;
    let reached;
    const some = new Promise((done) => { reached = done; });
    const tablet = async (person) => {
      while (going) {
        const mark = ulid();
        try {
          const response = await person.marks(id, { id: mark, type: 'noted', text: `kill ${i}`, step: 'decide-sign' });
          if (response.ok && (await response.json()).kept?.includes(mark)) kept.add(mark);
        } catch { going = false; }
        if (!going || kept.size >= enough) reached();
      }
    };
    const both = [tablet(joss), tablet(petra)];
    await some;
    await new Promise((done) => { setTimeout(done, dice.next() * 6 * pace); });
    target.kill();
    going = false;
    await Promise.all(both);
    await target.start();
  }
  const { exported } = await consistent(id);
  const ids = exported.events.map((e) => e.id);
  assert.equal(new Set(ids).size, ids.length);
  assert.deepEqual([...kept].filter((one) => !ids.includes(one)), []);
  assert.ok(kept.size >= 3 * KILLS, `${kept.size} marks were kept over ${KILLS} kills`);
});

test('a tablet says neither what a wrench measured nor when it was, and a known id is no other mark', async () => {
  const id = await joss.plan('vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=vacuum');
  const post = async (event, sent = new Date().toISOString()) => joss.send('POST', `/fits/${id}/events`, JSON.stringify({ events: [{ id: ulid(), at: sent, ...event }], device: ulid(), sent }), { 'Content-Type': 'application/json' });
  const begun = Date.now();
  const bad = [];
  const note = ulid();
  const claimed = ulid();
  const tries = [
    [{ id: note, type: 'noted', payload: { text: 'as it was' } }, 200], [{ id: note, type: 'noted', payload: { text: 'as it was' } }, 200],
    [{ id: note, type: 'noted', payload: { text: 'as it never was' } }, 409], [{ type: 'noted', payload: { text: 'long ago' }, at: '2020-01-01T00:00:00Z' }, 200],
    [{ id: claimed, type: 'fastener-marked', payload: { joint: 'thermostat-cover-bolts', bolt: 1, stage: 0, reading: ulid(), torque: 99, setting: 9 } }, 200],
    [{ type: 'curve-judged', payload: { step: 'warm-up', reading: ulid(), finding: 'sound', verdict: 'ok', said: 'x' } }, 422],
    [{ type: 'measured', payload: { step: 'drained', field: 'drained', text: '4 L', photo: ulid(), doubt: 0.1 } }, 422],
  ];
  for (const [event, status] of tries) {
    const answer = await post(event);
    if (answer.status !== status) bad.push(`${event.type} ${JSON.stringify(event.payload)}: ${answer.status}, not ${status}`);
  }
  const { exported } = await consistent(id);
  const kept = new Map(exported.events.map((e) => [e.id, e]));
  if (kept.get(note)?.payload.text !== 'as it was') bad.push('the first mark is another now');
  if (kept.get(claimed)?.payload.torque || kept.get(claimed)?.payload.reading) bad.push('a wrench is believed that sent nothing');
  for (const one of exported.events) if (Date.parse(one.at) < begun - 5000) bad.push(`${one.type} stands at ${one.at}, before the fit was made`);
  assert.deepEqual(bad, []);
});

test('a cookie of the demo where there is none opens nothing, makes nothing and shuts nobody out', async () => {
  for (const path of ['/', '/sign-in', '/vehicles', '/demo/open']) {
    const stranger = await fetch(target.base + path, { redirect: 'manual', headers: { Cookie: 'nk_demo=1' } });
    assert.ok(stranger.status < 500, `${path}: ${stranger.status}`);
  }
  const own = await ines.get('/workshop', { Cookie: `${ines.cookie}; nk_demo=1` });
  assert.equal(own.status, 200, 'a lead is in the own workshop all the same');
  assert.equal(existsSync(`${root}/${target.data}/demo`), false, 'no page makes a database by looking for one');
});

test('thirty guesses at once are held off, and another person still gets in', async () => {
  const guess = () => fetch(`${target.base}/sign-in`, { method: 'POST', redirect: 'manual', headers: { Origin: target.base, 'Content-Type': 'application/x-www-form-urlencoded' }, body: new URLSearchParams({ login: 'ines', password: `wrong ${Math.random()}`, _csrf: 'csrf-token' }) });
  await together(30, Array.from({ length: 30 }, () => guess));
  const right = await fetch(`${target.base}/sign-in`, { method: 'POST', redirect: 'manual', headers: { Origin: target.base, 'Content-Type': 'application/x-www-form-urlencoded' }, body: new URLSearchParams({ login: 'ines', password: 'brackenfell-mile', _csrf: 'csrf-token' }) });
  assert.notEqual(new URL(right.headers.get('location') ?? '/sign-in', target.base).pathname, '/', 'five wrong ones hold that name off');
  assert.ok(await Person.signIn(target.base, 'petra'));
});

test('the log is synced to the disk before the answer goes out', async (t) => {
  const trace = `${root}/var/attack-strace.txt`;
  const { spawn, spawnSync } = await import('node:child_process');
  const { readFileSync, rmSync } = await import('node:fs');
  if (spawnSync('strace', ['-o', '/dev/null', 'true']).status !== 0) return t.skip('strace may not trace here');
  rmSync(trace, { force: true });
  const base = 'http://127.0.0.1:8098';
  const server = spawn('strace', ['-f', '-y', '-e', 'trace=fsync,fdatasync,sendto,write,writev', '-o', trace, 'php', '-S', '127.0.0.1:8098', '-t', 'public', 'bin/router.php'], { cwd: root, env: { ...target.env, PHP_CLI_SERVER_WORKERS: '' }, detached: true, stdio: 'ignore' });
  try {
    for (let i = 0; i < 100; i += 1) { try { if ((await fetch(`${base}/sign-in`)).ok) break; } catch { await new Promise((done) => { setTimeout(done, 100); }); } }
    const hand = await Person.signIn(base, 'joss');
    const before = readFileSync(trace, 'utf8').length;
    assert.equal((await hand.marks(fit, { type: 'noted', text: 'synced before it was said' })).status, 200);
    await new Promise((done) => { setTimeout(done, 200); });
    const calls = readFileSync(trace, 'utf8').slice(before).split('\n');
    const sync = calls.findIndex((line) => /f(?:data)?sync\(.*prod\.db-wal/.test(line));
    const answer = calls.findIndex((line) => /(?:sendto|write|writev)\(.*(?:TCP|socket).*HTTP\/1\.[01] 200/.test(line));
    assert.ok(sync >= 0, 'the write-ahead log is synced');
    assert.ok(answer > sync, `sync at ${sync}, answer at ${answer}`);
  } finally {
    try { process.kill(-server.pid, 'SIGKILL'); } catch { /* gone */ }
  }
  return undefined;
});

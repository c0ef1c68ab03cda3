// A fit in hand is carried whole: every step as the bench would show it, act by act. Without the server the bench goes on by it, and by the
// law of law.js: what was marked decides which act is shown, which bolt is next, what is loose. The server confirms when it is back.
import { bench, show } from './sync.js';
import { load } from './queue.js';
import { clockOf, factsOf, fold, isClosed, labelOf, limitsOf, pieces, stepOf } from './facts.js';
import { barring, hindrances, isSo, looseEnds, refusal, within } from './law.js';

const CARRIED = 'nk-carried';
const PAGES = 'nk-pages';
const KNOWN = 'nk-carried';
const SENT = 'nk-sent';
const MOST_SENT = 400;
const AGAIN_MS = 8000;
const NEVER = 3;

let bundle = null;
let lastOpen = '';
const timers = new Map();

const canCarry = () => 'caches' in window && window.isSecureContext;
/** The server's clock, as far as this tablet knows it. */
const clock = () => clockOf(Number(document.documentElement.dataset.skew ?? 0));
const known = () => {
  try {
    return JSON.parse(localStorage.getItem(KNOWN) ?? '{}');
  } catch {
    return {};
  }
};
const benchPath = (fit) => `/fits/${fit}/bench`;
const person = () => document.querySelector('[data-person]')?.dataset.person ?? '';

const keepPictures = async (text) => {
  const cache = await caches.open(PAGES);
  const addresses = new Set((text.match(/\/fits\/[0-9A-Z]{26}\/photos\/[0-9A-Z]{26}\.jpg(?:\?small)?/g) ?? []));
  for (const address of addresses) {
    if (await cache.match(address)) continue;
    const answer = await fetch(address).catch(() => null);
    if (answer?.ok && !answer.redirected) await cache.put(address, answer);
  }
};

/** Fetches a fit as it now is, its page and its pictures, where that is not what we have. */
export const carryFit = async (fit) => {
  if (!canCarry() || !navigator.onLine) return false;
  const have = known()[fit];
  const cache = await caches.open(CARRIED);
  const mark = have && have.person === person() && (await cache.match(`/fits/${fit}/carry`)) ? have.mark : '';
  const answer = await fetch(`/fits/${fit}/carry?have=${mark}`, { headers: { Accept: 'application/json' } }).catch(() => null);
  if (!answer || answer.redirected || (answer.status !== 200 && answer.status !== 204)) return false;
  if (answer.status === 200) {
    const text = await answer.text();
    const read = JSON.parse(text);
    await cache.put(`/fits/${fit}/carry`, new Response(text, { headers: { 'Content-Type': 'application/json' } }));
    const page = await fetch(benchPath(fit), { headers: { Accept: 'text/html' } }).catch(() => null);
    if (page?.ok && new URL(page.url).pathname.startsWith(benchPath(fit))) await (await caches.open(PAGES)).put(benchPath(fit), new Response(await page.text(), { headers: { 'Content-Type': 'text/html; charset=UTF-8' } }));
    // As it reads, not as it is written: in JSON a slash has another before it.
    await keepPictures(JSON.stringify(read.steps));
    localStorage.setItem(KNOWN, JSON.stringify({ ...known(), [fit]: { mark: read.mark, person: read.person, title: `${read.vehicle}: ${read.title}`, at: Date.now(), steps: read.steps.length } }));
    if (bundle?.fit === fit) bundle = read;
    const has = new Set(read.log.map((event) => event.id));
    localStorage.setItem(SENT, JSON.stringify(sent().filter((one) => !has.has(one.id))));
  }
  document.dispatchEvent(new CustomEvent('nk:carried', { detail: fit }));
  return true;
};

/** Not at every mark: once it has been quiet for a while. */
export const carrySoon = (fit, wait = AGAIN_MS) => {
  clearTimeout(timers.get(fit));
  timers.set(fit, setTimeout(() => { timers.delete(fit); carryFit(fit); }, wait));
};

const read = async (fit) => {
  if (bundle?.fit === fit) return bundle;
  if (!canCarry()) return null;
  const kept = await (await caches.open(CARRIED)).match(`/fits/${fit}/carry`);
  const found = kept ? await kept.json() : null;
  bundle = found && found.person === person() ? found : null;
  return bundle;
};

/** What waits on this tablet as the law reads it; a reading with its value, as far as it could be told here. */
/** What the server took since the fit was fetched: it has it, what is carried has it not yet. */
const sent = () => {
  try {
    return JSON.parse(localStorage.getItem(SENT) ?? '[]');
  } catch {
    return [];
  }
};
const remember = (marks) => localStorage.setItem(SENT, JSON.stringify([...sent(), ...marks].slice(-MOST_SENT)));

const queued = (fit, sheet = bundle?.sheet) => told(load().filter((one) => one.fit === fit && !one.refused), sheet);

const told = (marks, sheet) => marks.map((one) => ({
  id: one.id, type: one.type, late: true, device: localStorage.getItem('nk-device') ?? '', by: one.byName ?? '', at: one.at, payload: { ...one.payload, ...(one.local ?? {}), ...answered(sheet, one) },
}));

/** An answer that was tapped, as the server will write it: its words, and its place in the list. */
const answered = (sheet, { type, payload }) => {
  const asked = type === 'measured' && sheet ? stepOf(sheet, payload.step)?.asks.find((one) => one.field === payload.field) : null;
  const place = asked?.answers.findIndex(([id, label]) => id === payload.text || label === payload.text) ?? -1;
  return place < 0 ? {} : { text: asked.answers[place][1], value: place + 1 };
};

const stateOf = (carried) => {
  const log = new Map(carried.log.map((event) => [event.id, event]));
  for (const event of [...told(sent().filter((one) => one.fit === carried.fit), carried.sheet), ...queued(carried.fit)]) if (!log.has(event.id)) log.set(event.id, event);
  return fold([...log.values()]);
};

const begun = (state, step, stage) => state.log.filter((event) => event.type === 'stage-begun' && event.payload.step === step && event.payload.stage === stage).at(-1);

/** Seconds a timed stage still stands by this tablet's clock. */
const secondsLeft = (state, step, frame) => {
  const event = frame.stage ? begun(state, step, frame.stage) : state.started[step];
  return event ? frame.timer - (Date.now() - Date.parse(event.at)) / 1000 : 0;
};

/** Whether an act is behind us: its marks are so, its reading is taken and lies inside. */
const isBehind = (sheet, state, step, frame) => {
  if (frame.closed) return false;
  if (frame.timer) return secondsLeft(state, step, frame) <= 0;
  const { act } = frame;
  if (frame.wants) return frame.wants.every((mark) => isSo(state, mark));
  if (act.ask) {
    const wrong = within(sheet, state, stepOf(sheet, step), clock()).some((one) => /^reading-(outside|doubtful)$/.test(one.code));
    return Boolean(state.readings[step]?.[act.ask]) && !wrong;
  }
  return (act.marks ?? []).length > 0 && act.marks.every((mark) => isSo(state, mark));
};

const frameAt = (carried, state, step) => {
  const { frames } = carried.steps.find((one) => one.id === step);
  if (isClosed(state, step)) return [frames, frames.length - 1];
  const at = frames.findIndex((frame) => !isBehind(carried.sheet, state, step, frame));
  return [frames, at < 0 ? frames.length - 1 : at];
};

const nextOpen = (carried, state, step) => {
  const { steps } = carried.sheet;
  const from = steps.findIndex((one) => one.id === step);
  const open = (one) => !isClosed(state, one.id) && !(one.passive && state.started[one.id]);
  return (steps.slice(from + 1).find(open) ?? steps.find(open) ?? steps.find((one) => !isClosed(state, one.id)) ?? steps.at(-1)).id;
};

const acts = (frames, at) => frames.slice(at).filter((frame) => !frame.closed).map((frame) => (frame.timer ? { turn: 'stage', label: '', seconds: frame.timer } : frame.act));

const plain = (value) => String(Math.round(value * 1e4) / 1e4);
const line = (name, text, ...more) => {
  const made = document.createElement('p');
  made.className = name;
  made.append(text, ...more);
  return made;
};

/**
 * What was carried was played on with readings nobody took. What the page says of readings is therefore said anew from those of this
 * tablet; what is worked out from them is the server's, and is not shown until it has them.
 */
const trueFigures = (carried, state, here, frame) => {
  const turn = bench().querySelector('.turn');
  if (!turn) return;
  const figures = () => [...turn.querySelectorAll(':scope > .lead, :scope > .figure-number, :scope > .figure-word, :scope > .alt, :scope > .outside, :scope > dl.read-off, :scope > .bar-drawing')];
  const say = (...nodes) => {
    for (const old of figures()) old.remove();
    turn.prepend(...nodes);
  };
  const small = (text) => { const made = document.createElement('small'); made.textContent = ` ${text} `; return made; };
  const asked = here.asks.find((ask) => ask.field === frame.act?.ask);
  if (asked && asked.answers.length === 0) {
    const limits = limitsOf(state, asked);
    const form = turn.querySelector('#ask-form');
    const last = state.readings[here.id]?.[asked.field];
    const nodes = limits ? [line('lead', last ? 'Must be' : 'Should be'), line('figure-number figure-range', plain(limits[0]), small('to'), plain(limits[1]), small(asked.unit))] : [line('lead', 'Read off'), line('figure-number', '?', small(asked.unit))];
    if (last) nodes.push(line('outside', `${last.payload.text} ${asked.past}`.trim()));
    say(...nodes);
    for (const old of turn.querySelectorAll('#ask-form .outside')) old.remove();
    for (const [name, value] of Object.entries({ low: limits?.[0], high: limits?.[1] })) {
      if (value === undefined) delete form?.dataset[name];
      else if (form) form.dataset[name] = String(value);
    }
    if (asked.near !== '') bench().querySelector('.draw svg')?.remove();
  } else if (here.asks.length > 0 && !frame.act?.ask && !frame.wants && here.deed !== 'tighten') {
    const taken = here.asks.map((ask) => [ask, state.readings[here.id]?.[ask.field]]).filter(([, reading]) => reading);
    if (taken.length > 0) say(...taken.flatMap(([ask, reading]) => [line('lead', ask.label), line('alt', reading.payload.text)]));
  }
  if (frame.timer && !frame.stage) {
    const left = Math.ceil(secondsLeft(state, here.id, frame) / 60);
    say(line('lead', 'Running, about'), line('figure-number', String(left), small('min to go')));
    for (const old of turn.querySelectorAll('.stops')) old.remove();
  }
  const isGuessed = carried.sheet.steps.some((step) => step.asks.some((ask) => !carried.log.some((event) => event.type === 'measured' && event.payload.field === ask.field)));
  if (here.derived && isGuessed && !frame.act?.ask && !frame.timer && here.tray.length === 0) {
    if (here.asks.length === 0) say(line('lead', 'The server works this out from what was read. Off line it is not known.'));
    bench().querySelector('.draw')?.replaceChildren();
  }
};

/** The tray, the bolts, the loose ends and what is not confirmed: what marks of this tablet make of the page. */
const patch = (carried, state, step, frames, at) => {
  const root = bench();
  const here = stepOf(carried.sheet, step);
  for (const line of ['remove', 'refit'].includes(here.deed) ? here.tray : []) {
    const count = pieces(carried.sheet, state, here, line);
    const now = here.deed === 'remove' ? count.tray : count.back;
    for (const output of root.querySelectorAll('[data-count]')) if (output.dataset.count === line[0]) output.textContent = `${now}/${line[1]}`;
  }
  const stands = root.querySelector('[data-stance]');
  if (stands) stands.textContent = factsOf(carried.sheet, state, clock())['stands-on']() || stands.textContent;
  const joint = carried.sheet.joints[here.joint];
  for (const bolt of root.querySelectorAll('.bolt[data-bolt]')) {
    const stage = state.stages[here.joint]?.[bolt.dataset.bolt] ?? 0;
    bolt.classList.toggle('is-on', stage > Number(bolt.dataset.stage));
    if (joint) bolt.setAttribute('aria-label', `Bolt ${bolt.dataset.bolt}, ${labelOf(joint, stage)}`);
    const marks = JSON.parse(bolt.dataset.marks ?? '[]');
    if (marks[0]) bolt.dataset.marks = JSON.stringify([{ ...marks[0], stage: Math.min(joint.rungs.length, stage + 1) }]);
  }
  trueFigures(carried, state, here, frames[at]);
  for (const button of root.querySelectorAll('.tool-list button')) if (JSON.parse(button.dataset.marks).every((mark) => isSo(state, mark))) button.closest('li').remove();
  const ends = looseEnds(carried.sheet, state);
  const tag = root.querySelector('.bench-top .tag b');
  if (tag) tag.textContent = String(ends.length + carried.others);
  const undo = root.querySelector('.thumb .undo');
  if (undo && state.last) {
    undo.disabled = false;
    undo.dataset.marks = JSON.stringify([{ type: 'undone', event: state.last.id }]);
    const small = undo.querySelector('small') ?? undo.appendChild(document.createElement('small'));
    small.textContent = state.last.type.replaceAll('-', ' ');
  }
  // Pictures that wait here are taken all the same.
  const taken = [...state.photos.values()].filter((photo) => photo.payload.step === step);
  const told = root.querySelector('.thumb .picture');
  if (told && taken.length > 0) (told.querySelector('small') ?? told.appendChild(document.createElement('small'))).textContent = `${taken.length} taken`;
  for (const wanted of root.querySelectorAll('.turn .wanted input')) if (taken.some((photo) => photo.payload.shot === wanted.dataset.shot)) wanted.closest('.wanted').remove();
  const waits = queued(carried.fit).filter((event) => event.payload.step === step).length;
  const note = document.createElement('p');
  note.className = 'unconfirmed';
  note.textContent = waits > 0 ? `Off line: ${waits} mark${waits === 1 ? '' : 's'} of this step wait${waits === 1 ? 's' : ''} for the server to confirm.` : 'Off line: as it was carried, the server has to confirm what is marked.';
  root.querySelector('.say')?.append(note);
  const barred = frames[at].closed || frames[at].wants || frames[at].timer ? [] : barring(carried.sheet, state, here, clock());
  const lacks = frames[at].closed || barred.length > 0 ? barred : hindrances(carried.sheet, state, here, clock());
  const go = root.querySelector('.thumb .go');
  const isClosing = frames[at].act?.marks?.some((mark) => mark.type === 'step-done');
  if (go && (isClosing || barred.length > 0) && lacks.length > 0) {
    const stops = document.createElement('div');
    stops.className = 'stops';
    const { most, more } = carried.sheet.law.words;
    stops.append(...lacks.slice(0, most).map((one) => {
      const said = document.createElement(one.step === step ? 'p' : 'a');
      said.textContent = one.text;
      if (one.step !== step) said.href = `${benchPath(carried.fit)}/${one.step}`;
      return said;
    }));
    if (lacks.length > most) stops.append(line('more-stops', more.trim().replace('%d', String(lacks.length - most))));
    const turn = root.querySelector('.turn');
    // What holds back the work itself leaves nothing to be marked beside it.
    if (barred.length > 0) for (const one of [...(turn?.children ?? [])]) if (!one.matches('.over')) one.remove();
    turn?.prepend(stops);
    go.disabled = true;
    go.textContent = 'Not yet';
    delete go.dataset.marks;
    if (lacks.every((one) => one.bar < NEVER) && !turn?.querySelector('.over')) {
      const over = document.createElement('button');
      over.type = 'button';
      over.className = 'slab small over';
      over.dataset.open = 'overrule';
      over.setAttribute('x-on:click', 'openDialog');
      over.textContent = 'Close anyway';
      turn?.append(over);
    }
  }
  if (frames[at].timer && go) {
    const left = secondsLeft(state, step, frames[at]);
    const until = Date.now() / 1000 + Number(document.documentElement.dataset.skew ?? 0) + left;
    go.dataset.timerUntil = String(until);
    setTimeout(() => document.dispatchEvent(new CustomEvent('bench:stood')), Math.max(200, 1000 * left + 100));
  }
};

/** Shows a step as this tablet knows it. False where the fit is not carried. */
export const showCarried = async (step = '') => {
  const root = bench();
  if (!root) return false;
  const carried = await read(root.dataset.fit);
  if (!carried) return false;
  const state = stateOf(carried);
  const wanted = step || root.dataset.step;
  const at = carried.steps.some((one) => one.id === wanted) ? wanted : carried.current;
  const kept = carried.steps.find((one) => one.id === at);
  const [frames, n] = frameAt(carried, state, at);
  show({
    regions: { ...kept.regions, work: frames[n].work, thumb: frames[n].thumb }, hashes: {}, ahead: acts(frames, n), step: at, title: kept.title,
    url: `${benchPath(carried.fit)}/${at}`, version: root.dataset.version, clock: false, now: Date.now() / 1000 + Number(document.documentElement.dataset.skew ?? 0),
  });
  patch(carried, state, at, frames, n);
  lastOpen = isClosed(state, at) ? '' : at;
  document.dispatchEvent(new CustomEvent('bench:changed', { detail: { moved: false } }));
  return true;
};

/** After a mark made without the server: the next act, or where the step is closed now, the next step. */
export const goOnCarried = async () => {
  const root = bench();
  const carried = root ? await read(root.dataset.fit) : null;
  if (!carried) return false;
  const state = stateOf(carried);
  const here = root.dataset.step;
  const step = stepOf(carried.sheet, here);
  const left = (isClosed(state, here) || (step.passive && state.started[here])) && lastOpen === here;
  return showCarried(left ? nextOpen(carried, state, here) : here);
};

/** What this tablet goes by without the server: the law and the log that it carries. Nothing where the fit is not carried. */
export const sightHere = () => (bundle && bundle.fit === bench()?.dataset.fit ? { sight: { law: bundle.law ?? '', seen: bundle.version ?? 0 } } : {});

/** What stands against marks, as this tablet can tell; empty where nothing does, or the fit is not carried. */
export const refusedHere = (events, isLead) => {
  if (!bundle || bundle.fit !== bench()?.dataset.fit) return '';
  let state = stateOf(bundle);
  for (const { type, ...payload } of events) {
    const event = { id: `${state.log.length}`, type, late: true, device: localStorage.getItem('nk-device') ?? '', by: '', at: new Date().toISOString(), payload: { ...payload, ...(payload.local ?? {}), ...answered(bundle.sheet, { type, payload }) } };
    const no = refusal(bundle.sheet, state, event, isLead, clock());
    if (no) return no.message;
    state = fold([...state.log, event]);
  }
  return '';
};

/** The loose ends this tablet knows of. */
export const endsHere = async () => {
  const carried = await read(bench()?.dataset.fit ?? '');
  return carried ? looseEnds(carried.sheet, stateOf(carried)) : null;
};

/** How many there were besides, when the server last said so, that only it can tell. */
export const othersThen = async () => (await read(bench()?.dataset.fit ?? ''))?.others ?? 0;

export const isCarried = async () => Boolean(await read(bench()?.dataset.fit ?? ''));

/** On sign-out, and when another hand takes the tablet, nothing of a person stays that can be read; marks that wait stay with their name. */
export const forget = async () => {
  localStorage.removeItem(KNOWN);
  localStorage.removeItem(SENT);
  if ('caches' in window) await Promise.all([CARRIED, PAGES].map((name) => caches.delete(name)));
};

export const startCarry = () => {
  const root = bench();
  document.addEventListener('nk:sent', (event) => remember(event.detail));
  // Another tablet's marks come with the news, and a picture is no mark of this page: whatever changed the fit, it is carried anew.
  let version = root?.dataset.version;
  document.addEventListener('bench:changed', () => {
    if (!root || !navigator.onLine || root.dataset.version === version) return;
    version = root.dataset.version;
    carrySoon(root.dataset.fit);
  });
  if (root) setTimeout(() => carryFit(root.dataset.fit), 1500);
  const fits = new Set([...document.querySelectorAll('[data-carry]')].map((one) => one.dataset.carry));
  if (!root && fits.size > 0) {
    setTimeout(async () => { for (const fit of fits) await carryFit(fit); }, 2500);
  }
  // A page of this tablet's own store says so, and when it was true.
  const { stale } = document.body.dataset;
  if (stale !== undefined && !root) {
    const note = document.createElement('p');
    note.className = 'notice bad';
    note.textContent = `No connection. This is as the server last said it${stale ? `, ${new Date(stale).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}` : ''}.`;
    document.querySelector('main')?.prepend(note);
  }
  const list = document.querySelector('[data-carried-list]');
  if (list) {
    for (const [fit, one] of Object.entries(known())) {
      const row = document.createElement('li');
      const link = document.createElement('a');
      link.className = 'slab';
      link.href = benchPath(fit);
      link.textContent = one.title;
      row.append(link);
      list.append(row);
    }
  }
  document.addEventListener('submit', (event) => { if (event.target.matches('[action$="/sign-out"], [action*="/demo/"], form.hands')) forget(); });
};

// What a tablet knows of a fit by itself: what the log comes to, what adds up, how the vehicle stands by the marks. It answers the atoms
// that the rows of the law ask (core/Safety/Atom.php), as the core does (core/Bench/Gate/FitFacts.php): held together over the same
// sequences by tests/browser/law.spec.mjs. No rule stands here.

const STANDS = new Set(['signed', 'undone', 'follow-up-closed', 'stopped', 'taken-up']);
const SNUG = 'snug';
export const upper = (text) => text.charAt(0).toUpperCase() + text.slice(1);
const key = (event) => `${event.payload.step ?? ''} ${event.payload.thing ?? ''}`;
const put = (map, name, inner, value) => { (map[name] ??= {})[inner] = value; };

const blank = () => ({
  started: {}, done: {}, skipped: {}, seen: {}, counts: {}, countedAll: {}, fates: new Map(), inside: new Map(), everInside: {}, tools: {}, stages: {}, lastMarks: {}, marked: {}, readings: {}, rivals: {}, dropped: new Map(), photos: new Map(), routines: {}, curves: {}, stopsSeen: {}, photoMarks: {}, followUps: {}, undone: new Set(), waived: {}, mishaps: new Map(), stood: [], places: {}, signed: null, stopped: null, last: null, lastReason: '', log: [],
});

export const isDoneIn = (state, step) => Boolean(state.done[step]);

/** Readings of two tablets, neither having seen the other’s: none of them counts until one is chosen. As core/Bench/State/Rivals.php. */
const measure = (state, event) => {
  const { step, field } = event.payload;
  const before = state.rivals[step]?.[field] ?? [state.readings[step]?.[field]].filter(Boolean);
  const others = event.beside ? before.filter((one) => one.id === event.beside || one.device !== event.device) : [];
  const all = [...others, event];
  if (state.readings[step]) delete state.readings[step][field];
  if (state.rivals[step]) delete state.rivals[step][field];
  const agree = new Set(all.map((one) => Number(one.payload.value).toPrecision(9))).size === 1;
  put(agree ? state.readings : state.rivals, step, field, agree ? event : all);
};

const choose = (state, { step, field, event }) => {
  const chosen = state.rivals[step]?.[field]?.find((one) => one.id === event);
  if (!chosen) return;
  put(state.readings, step, field, chosen);
  delete state.rivals[step][field];
};

const apply = (state, event) => {
  const { type, payload: p } = event;
  const { step } = p;
  const late = () => isDoneIn(state, step ?? '');
  const fate = () => state.fates.set(event.id, { event, late: late(), isFound: false, foundLate: false });
  switch (type) {
    case 'step-started': state.started[step] ??= event; break;
    case 'step-done': state.done[step] ??= event; break;
    case 'step-skipped': state.skipped[step] ??= event; break;
    case 'step-reopened': delete state.done[step]; delete state.skipped[step]; break;
    case 'caution-acknowledged': put(state.seen, step, p.caution, true); break;
    case 'counted': put(state.counts, step, p.thing, (state.counts[step]?.[p.thing] ?? 0) + p.by); break;
    case 'counted-all': state.countedAll[step] = true; state.counts[step] = {}; break;
    case 'broke': case 'replaced': case 'settled': fate(); break;
    case 'put-in': state.inside.set(key(event), event); break;
    case 'taken-out': state.inside.delete(key(event)); state.everInside[key(event)] = true; break;
    case 'tool-counted': put(state.tools, step, p.tool, event); break;
    case 'fastener-marked': {
      const known = state.lastMarks[p.joint]?.[p.bolt];
      // Made without the server, of a fastener another tablet had as far by then: a person looks at it.
      if (known && event.late && p.stage > 0 && event.device !== known.device && (state.stages[p.joint]?.[p.bolt] ?? 0) >= p.stage) break;
      put(state.lastMarks, p.joint, p.bolt, event);
      put(state.stages, p.joint, p.bolt, p.stage); (state.marked[p.joint] ??= []).push(event); break;
    }
    case 'measured': measure(state, event); break;
    case 'chosen': choose(state, p); break;
    case 'dropped': state.dropped.set(event.id, event); if (p.thing) fate(); break;
    case 'stood': state.stood.push(event); break;
    case 'mishap': state.mishaps.set(event.id, event); if (p.thing) fate(); break;
    case 'found': {
      const known = state.fates.get(p.dropped);
      if (known) state.fates.set(p.dropped, { ...known, isFound: true, foundLate: isDoneIn(state, known.event.payload.step ?? '') });
      state.dropped.delete(p.dropped);
      break;
    }
    case 'stage-begun': (state.routines[step] ??= []).push(event); break;
    case 'curve-judged': state.curves[step] = event; break;
    case 'stop-seen': state.stopsSeen[p.reading] = true; break;
    case 'photo-marked': (state.photoMarks[p.photo] ??= []).push(event); break;
    case 'follow-up-closed': state.followUps[p.follow_up] ??= event; break;
    case 'photo-taken': state.photos.set(event.id, event); break;
    case 'waived': state.waived[p.end] = event; break;
    case 'signed': state.signed ??= event; break;
    case 'stopped': state.stopped = event; break;
    case 'taken-up': state.stopped = null; break;
    default: break;
  }
  if (!STANDS.has(type) && type !== 'mishap') state.last = event;
  if (p.reason) state.lastReason = p.reason;
};

/** What a log comes to: events as they are kept, each {id, type, payload, by}. */
export const fold = (log) => {
  const state = blank();
  const undone = new Set(log.filter((event) => event.type === 'undone').map((event) => event.payload.event));
  state.undone = undone;
  log.forEach((event, i) => { state.places[event.id] ??= i; state.log.push(event); });
  for (const event of log) if (!undone.has(event.id) || STANDS.has(event.type)) apply(state, event);
  return state;
};

export const isClosed = (state, step) => Boolean(state.done[step] || state.skipped[step]);
export const stage = (state, joint, bolt) => state.stages[joint]?.[bolt] ?? 0;
export const doing = (sheet, deed, on = {}) => sheet.steps.filter((step) => step.deed === deed && Object.entries(on).every(([name, value]) => step[name] === value));
export const stepOf = (sheet, id) => sheet.steps.find((step) => step.id === id);

const tally = (state, step, [thing, count]) => (state.countedAll[step.id] ? count : 0) + (state.counts[step.id]?.[thing] ?? 0);
export const counted = (state, step) => step.tray.reduce((sum, line) => sum + tally(state, step, line), 0);

/** The count of one line of a tray, for its removal and its refit alike. */
export const pieces = (sheet, state, step, line) => {
  const side = (deed) => (step.deed === deed ? step : doing(sheet, deed, { item: step.item })[0] ?? null);
  const [off, on] = [side('remove'), side('refit')];
  const n = { early: 0, foundLate: 0, late: 0, earlyBroken: 0, lateBroken: 0, fresh: 0, settled: 0 };
  for (const one of state.fates.values()) {
    const at = one.event.payload.step ?? '';
    if (one.event.payload.thing !== line[0] || (at !== off?.id && at !== on?.id)) continue;
    const late = one.late || at === on?.id;
    const { type } = one.event;
    if (type === 'replaced') n.fresh += 1;
    else if (type === 'settled') n.settled += 1;
    else if (type === 'broke' || type === 'mishap') n[late ? 'lateBroken' : 'earlyBroken'] += 1;
    else if (type === 'dropped' && !one.isFound) n[late ? 'late' : 'early'] += 1;
    else if (!late && one.foundLate) n.foundLate += 1;
  }
  const tray = off ? tally(state, off, line) : line[1];
  const back = on ? tally(state, on, line) : 0;
  const out = tray + n.early + n.foundLate + n.earlyBroken;
  const atHand = tray + n.foundLate + n.fresh - n.settled - n.late - n.lateBroken;
  return {
    thing: line[0], expected: line[1], tray, back, off: out, atHand, room: line[1] - n.early - n.foundLate - n.earlyBroken, lost: n.early + n.late,
    broken: n.earlyBroken + n.lateBroken, fresh: n.fresh, settled: n.settled, isOff: !off || isDoneIn(state, off.id), cameOffWhole: out === line[1],
    wentBackWhole: back === atHand && back + n.settled >= out,
  };
};

export const inWords = (count) => [`${count.off} came off`, ...[['fell', count.lost], ['broke', count.broken], ['new', count.fresh], ['settled otherwise', count.settled]].filter(([, n]) => n !== 0).map(([word, n]) => `${n} ${word}`), `${count.back} went back`].join(', ');

const final = (joint) => joint.rungs.length;
const snug = (joint) => joint.rungs.findIndex((rung) => rung.kind === SNUG) + 1;
export const labelOf = (joint, at) => (at <= 0 ? 'off' : (at >= final(joint) ? 'final' : joint.rungs[at - 1].label));

export const boltsLeft = (sheet, state, id) => {
  const joint = sheet.joints[id];
  if (!joint) return 0;
  let left = 0;
  for (let bolt = 1; bolt <= joint.count; bolt += 1) left += stage(state, id, bolt) < final(joint) ? 1 : 0;
  return left;
};

/** The fastener to do next, and the stage it then has; 0 where the joint is final. */
export const nextBolt = (sheet, state, id) => {
  const joint = sheet.joints[id];
  const tops = [];
  joint.rungs.forEach((rung, i) => { tops[rung.group] = i + 1; });
  for (const top of tops) {
    for (const bolt of joint.order) if (stage(state, id, bolt) < top) return [bolt, stage(state, id, bolt) + 1];
  }
  return [0, final(joint)];
};

/** What was pulled out of order or out of pass, in words. */
export const passFaults = (sheet, state, id) => {
  const joint = sheet.joints[id];
  const pulls = new Map();
  (state.marked[id] ?? []).forEach((mark, place) => {
    const { bolt, stage: at } = mark.payload;
    if (at === 0) for (const go of pulls.values()) go.delete(bolt);
    else if (at > snug(joint) && at <= final(joint)) {
      const go = joint.rungs[at - 1].group;
      if (!pulls.has(go)) pulls.set(go, new Map());
      pulls.get(go).set(bolt, place);
    }
  });
  const name = (go) => { const rung = joint.rungs.find((one) => one.group === go); return rung.kind === 'angle' ? 'the angle' : rung.label; };
  const faults = [];
  let before = null;
  for (const go of [...pulls.keys()].sort((a, b) => a - b)) {
    const bolts = pulls.get(go);
    const done = [...bolts.entries()].sort((a, b) => a[1] - b[1]).map(([bolt]) => bolt);
    const wanted = joint.order.filter((bolt) => bolts.has(bolt));
    const wrong = wanted.findIndex((bolt, i) => done[i] !== bolt);
    const skipped = joint.order.slice(0, bolts.size).find((bolt) => !bolts.has(bolt));
    if (wrong >= 0) faults.push(`Bolt ${done[wrong]} was pulled before bolt ${wanted[wrong]} (${name(go)}).`);
    else if (skipped !== undefined) faults.push(`Bolt ${skipped} was left out (${name(go)}).`);
    if (before) {
      const first = bolts.size === 0 ? Infinity : Math.min(...bolts.values());
      const late = [...before.values()].some((place) => place > first);
      if (late || joint.count !== before.size) {
        const bolt = [...bolts.entries()].find(([, place]) => place === first)?.[0] ?? 0;
        faults.push(`Bolt ${bolt} was on to ${name(go)} before all were through the one before.`);
      }
    }
    before = bolts;
  }
  return faults;
};

const newest = (state, field) => {
  const place = (one) => state.places[one.id];
  const last = Object.values(state.readings).map((fields) => fields[field]).filter(Boolean).sort((one, other) => place(other) - place(one))[0];
  const isOpen = last && Object.values(state.rivals).some((fields) => fields[field] && place(fields[field].at(-1)) > place(last));
  return isOpen ? undefined : last;
};

/** Low and high of a reading as it is held now; null where nothing holds it. */
export const limitsOf = (state, ask) => {
  if (ask.near === '') return ask.set ? [ask.low, ask.high] : null;
  const other = newest(state, ask.near);
  return other ? [other.payload.value + ask.low, other.payload.value + ask.high] : null;
};

export const isOutside = (state, ask, value) => {
  if (ask.bad.length > 0) return ask.bad[Math.round(value) - 1] ?? true;
  if (ask.near !== '') {
    const other = newest(state, ask.near);
    return Boolean(other) && (value < other.payload.value + ask.low || value > other.payload.value + ask.high);
  }
  return ask.set && (value < ask.low || value > ask.high);
};

const isDoubtful = (state, ask, reading) => {
  const doubt = reading.payload.photo ? reading.payload.doubt ?? 0 : 0;
  const { value } = reading.payload;
  return !isOutside(state, ask, value) && (isOutside(state, ask, value - doubt) || isOutside(state, ask, value + doubt));
};

export const toolsMissing = (state, step) => step.tools.filter((tool) => !state.tools[step.id]?.[tool]);


/** A running wait: work goes on meanwhile. */
const runsByItself = (state, step) => step.passive && Boolean(state.started[step.id]) && !isClosed(state, step.id);

const blankRig = () => ({ raised: false, stance: 'floor', bare: '', cold: false, battery: true, off: {}, undone: {}, open: {}, held: {}, supports: {} });

const letGo = (rig, body, support) => {
  if (support !== '') delete rig.supports[body]?.[support];
  const left = support === '' ? [] : Object.keys(rig.supports[body] ?? {});
  if (left.length > 0) rig.held[body] = left[0];
  else {
    delete rig.supports[body];
    delete rig.held[body];
  }
};

const SAID = '@said';

// What was carried by an earlier version says nothing of stances: then it is up wherever it is not on the floor.
const standOn = (sheet, rig, stance) => { rig.stance = stance; rig.raised = sheet.stances?.[stance]?.[1] ?? stance !== 'floor'; };

/** As somebody says that it stands; a wheel that a step took off is on again by a step. */
const stoodOn = (sheet, rig, { stance, wheels_off: bare = '' }) => {
  standOn(sheet, rig, stance);
  rig.bare = bare;
  for (const [id, corner] of Object.entries(sheet.wheels ?? {})) {
    if (bare.split(',').includes(corner)) rig.off[id] ??= SAID;
    else if (rig.off[id] === SAID) delete rig.off[id];
  }
};

/** How the vehicle stands after a step, as core/State/VehicleState.php has it. */
const after = (sheet, rig, { deed, item, joint, circuit, load }) => {
  const { body = '', support = '', from = '' } = load;
  switch (deed) {
    case 'undo': rig.undone[joint] = true; break;
    case 'remove':
      for (const [id, one] of Object.entries(sheet.joints)) if (one.item === item) rig.undone[id] = true;
      rig.off[item] = true; break;
    case 'refit': delete rig.off[item]; break;
    case 'tighten': delete rig.undone[joint]; break;
    case 'fill': delete rig.open[circuit]; break;
    case 'drain': case 'open': if (circuit !== '') rig.open[circuit] = true; break;
    case 'hold': case 'hand-over':
      (rig.supports[body] ??= {})[support || 'jack'] = true;
      rig.held[body] ??= support || 'jack';
      if (deed === 'hand-over' && from !== '') letGo(rig, body, from);
      break;
    case 'release': letGo(rig, body, support); break;
    case 'raise': standOn(sheet, rig, rig.raised ? rig.stance : 'stands'); break;
    case 'lower': standOn(sheet, rig, 'floor'); break;
    case 'battery-off': case 'battery-on': rig.battery = deed === 'battery-on'; break;
    case 'cold': case 'cool-down': rig.cold = true; break;
    case 'start': case 'drive': rig.cold = false; break;
    default: break;
  }
  return rig;
};

/** How the vehicle stands by what was done, in the order it was done; a drain counts from when it is opened. */
const rigOf = (sheet, state) => {
  let rig = blankRig();
  const turns = [...Object.values(state.done), ...state.stood].sort((a, b) => state.places[a.id] - state.places[b.id]);
  for (const event of turns) {
    const step = stepOf(sheet, event.payload.step);
    if (event.type === 'stood') stoodOn(sheet, rig, event.payload);
    else if (step) rig = after(sheet, rig, step);
  }
  for (const drain of doing(sheet, 'drain')) if (state.started[drain.id] && !state.done[drain.id]) rig = after(sheet, rig, drain);
  return rig;
};

const FROM_CURVE = ', from the curve';
const NEAR_S = 1;
const SLACK_S = 2;

/** Seconds between two events: by one tablet's own clock, and never more than the server saw go by. */
const between = (state, begun, ended, clock) => {
  const own = (Date.parse(ended.at) - Date.parse(begun.at)) / 1000;
  const kept = (event) => event.kept ?? clock.of(event);
  const live = state.log.slice(0, state.places[begun.id]).findLast((one) => !one.late);
  const from = begun.late ? (live ? kept(live) : null) : kept(begun);
  const seen = from === null ? own : kept(ended) - from;
  return Math.max(0, begun.device === ended.device ? Math.min(own, seen + SLACK_S) : seen);
};

const clockWords = (seconds) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds) % 60).padStart(2, '0')}`;

/** Timed stages that a later one followed and that were never begun, or whose beginning was taken back: they stood not at all. */
const passedOver = (state, step, begun) => step.stages.flatMap((stage, i) => {
  const places = begun.map((event) => step.stages.findIndex((one) => one.id === event.payload.stage));
  const by = begun[places.findIndex((place) => place > i)];
  return stage.seconds > 0 && by && !places.includes(i) ? [{ stage, isEnded: true, seconds: 0, isExcused: Boolean(by.payload.reason), taken: stage.ask === '' ? null : state.readings[step.id]?.[stage.ask] }] : [];
});

/** The timed stages of a fill routine as they were left alone, the last round of each: [{stage, seconds, isExcused, reading}]. */
const holdsOf = (state, step, clock) => {
  const holds = {};
  const begun = state.routines[step.id] ?? [];
  begun.forEach((event, i) => {
    const stage = step.stages.find((one) => one.id === event.payload.stage);
    const next = begun[i + 1];
    if (!stage || stage.seconds === 0 || (!next && !step.asks.some((ask) => ask.field === stage.ask))) return;
    const taken = stage.ask === '' ? null : state.readings[step.id]?.[stage.ask];
    const reading = taken && state.places[taken.id] > state.places[event.id] ? taken : null;
    const end = reading ?? next;
    const curve = taken?.payload.text?.endsWith(FROM_CURVE) ? state.curves[step.id] : null;
    const isWatched = curve && curve.payload.seconds > 0 && state.places[curve.id] >= state.places[event.id];
    const seconds = !end ? 0 : (isWatched ? curve.payload.seconds : between(state, event, end, clock));
    holds[stage.id] = { stage, isEnded: Boolean(end), seconds, isExcused: Boolean(next?.payload.reason), taken };
  });
  return [...Object.values(holds), ...passedOver(state, step, begun)];
};

const shortHolds = (sheet, state, step, clock) => holdsOf(state, step, clock).filter((hold) => !hold.isExcused && hold.seconds < hold.stage.seconds - NEAR_S).map(({ stage, seconds, taken }) => {
  const change = taken ? (taken.payload.value * stage.seconds) / Math.max(1, Math.min(stage.seconds, seconds)) : 0;
  const ask = taken ? step.asks.find((one) => one.field === stage.ask && one.set && isOutside(state, one, change)) : null;
  return [stage.title, `${clockWords(seconds)} of ${clockWords(stage.seconds)}`, ask ? String(Math.round(change * 10) / 10) : '', ask?.askedIn ?? ''];
});

/** Two digits of a doubt, zeros behind the point cut off. */
const doubtWords = (value) => {
  const places = Math.max(0, Math.min(8, 1 - Math.floor(Math.log10(value))));
  const text = value.toFixed(places);
  return text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
};

const mishapsOf = (sheet, state) => [...state.mishaps.values()].flatMap((event) => {
  const mend = sheet.steps.find((step) => step.mends === event.id && step.deed !== 'book' && !isClosed(state, step.id));
  const { step = '', item = '', joint = '', said = '', what = '' } = event.payload;
  return mend ? [[event.id, step, item, joint, `${said}: ${what}`, mend.id, mend.title]] : [];
});

/** A clock of its own where nothing else is known: of the events, and now, in seconds. */
export const clockOf = (skew = 0, now = Date.now() / 1000 + skew) => ({ now, of: (event) => event.happened ?? Date.parse(event.at) / 1000 + skew });

const wordsOf = (text) => String(text ?? '').toLowerCase().match(/\p{L}[\p{L}\p{M}\p{N}’'-]*/gu) ?? [];
/** Fields of a mark that are numbers where they are not given. */
const NUMBERS = new Set(['x', 'y', 'to_x', 'to_y', 'doubt', 'rolls']);
const CORNERS = new Set(['fl', 'fr', 'rl', 'rr']);

/** The answers to the atoms, by their names: each of (sheet, state, clock) and what it is asked of. */
export const factsOf = (sheet, state, clock = clockOf()) => {
  let rig = null;
  const stands = () => { rig ??= rigOf(sheet, state); return rig; };
  const of = (id) => stepOf(sheet, id);
  const reading = (id, field) => state.readings[id]?.[field];
  const ask = (id, field) => of(id).asks.find((one) => one.field === field);
  const count = (id, thing) => pieces(sheet, state, of(id), of(id).tray.find((line) => line[0] === thing));
  const at = (id) => (state.routines[id] ?? []).filter((event) => of(id).stages.some((stage) => stage.id === event.payload.stage)).at(-1)?.payload.stage;
  return {
    done: (id) => Boolean(state.done[id]),
    closed: (id) => isClosed(state, id),
    started: (id) => Boolean(state.started[id]),
    rivals: (id, field) => Boolean(state.rivals[id]?.[field]),
    overruled: (id) => Boolean(state.skipped[id] || state.done[id]?.payload.reason),
    title: (id) => of(id).title,
    'first-open': (id) => sheet.steps.slice(0, sheet.steps.findIndex((step) => step.id === id)).find((step) => !isClosed(state, step.id) && !runsByItself(state, step))?.id ?? '',
    seen: (id, caution) => Boolean(state.seen[id]?.[caution]),
    read: (id, field) => Boolean(reading(id, field)),
    outside: (id, field) => Boolean(reading(id, field)) && isOutside(state, ask(id, field), reading(id, field).payload.value),
    doubtful: (id, field) => Boolean(reading(id, field)) && isDoubtful(state, ask(id, field), reading(id, field)),
    written: (id, field) => reading(id, field)?.payload.text ?? '',
    doubt: (id, field) => (reading(id, field)?.payload.photo ? doubtWords(reading(id, field).payload.doubt ?? 0) : ''),
    raised: () => stands().raised,
    stance: () => stands().stance,
    bare: () => stands().bare !== '',
    'stands-on': () => sheet.stances?.[stands().stance]?.[0] ?? '',
    cold: () => stands().cold,
    battery: () => stands().battery,
    off: (item) => Boolean(stands().off[item]),
    undone: (joint) => Boolean(stands().undone[joint]),
    open: (circuit) => Boolean(stands().open[circuit]),
    held: (body) => Boolean(stands().held[body]),
    support: (body, support) => Boolean(stands().supports[body]?.[support]),
    left: (joint) => boltsLeft(sheet, state, joint),
    touched: (joint) => Boolean(state.stages[joint]),
    faults: (joint) => passFaults(sheet, state, joint).map((said) => [said]),
    inside: (id, thing) => state.inside.has(`${id} ${thing}`),
    'was-inside': (id, thing) => Boolean(state.everInside[`${id} ${thing}`]),
    'all-inside': () => [...state.inside.values()].map((event) => [event.payload.step, event.payload.thing]),
    tool: (id, tool) => Boolean(state.tools[id]?.[tool]),
    pictured: (id, shot) => [...state.photos.values()].some((photo) => photo.payload.step === id && photo.payload.shot === shot),
    'came-off': (id, thing) => count(id, thing).off,
    'all-off': (id, thing) => count(id, thing).cameOffWhole,
    'all-back': (id, thing) => count(id, thing).wentBackWhole,
    'pieces-said': (id, thing) => inWords(count(id, thing)),
    'wait-left': (id) => of(id).minutes - (state.started[id] ? (clock.now - clock.of(state.started[id])) / 60 : 0),
    'routine-begun': (id) => at(id) !== undefined,
    'routine-done': (id) => at(id) !== undefined && of(id).stages.at(-1)?.id === at(id),
    stage: (id) => of(id).stages.find((stage) => stage.id === at(id))?.title ?? '',
    'short-holds': (id) => shortHolds(sheet, state, of(id), clock),
    verdict: (id) => state.curves[id]?.payload.verdict ?? '',
    finding: (id) => (state.curves[id]?.payload.finding ?? '').replaceAll('-', ' '),
    mishaps: () => mishapsOf(sheet, state),
  };
};

/** How long the stage a routine is at has stood, in words, where going on from it now would cut it short; empty where not. */
const cutShort = (state, step, to, event, clock) => {
  const run = (state.routines[step.id] ?? []).filter((one) => step.stages.some((stage) => stage.id === one.payload.stage));
  const begun = run.at(-1);
  const place = (id) => step.stages.findIndex((stage) => stage.id === id);
  if (!begun || place(to) <= place(begun.payload.stage)) return '';
  const stage = step.stages[place(begun.payload.stage)];
  const ended = holdsOf(state, step, clock).findLast((hold) => hold.isEnded && hold.stage.id === stage.id);
  const seconds = ended ? ended.seconds : between(state, begun, { kept: clock.now, ...event }, clock);
  return stage.seconds > 0 && seconds < stage.seconds - NEAR_S ? `${clockWords(seconds)} of ${clockWords(stage.seconds)}` : '';
};

/** The same, and what a mark says that somebody would make. */
export const eventFactsOf = (sheet, state, event, isLead, clock = clockOf()) => {
  const { payload } = event;
  const of = (id) => stepOf(sheet, id);
  const closed = (id) => state.done[id] ?? state.skipped[id];
  const count = (id, thing) => { const line = of(id).tray.find((one) => one[0] === thing); return line ? pieces(sheet, state, of(id), line) : null; };
  const endOf = (id, thing) => (of(id).tray.find((one) => one[0] === thing) ?? [])[2] ?? null;
  const ask = (id, field) => of(id).asks.find((one) => one.field === field);
  const place = (id, stage) => of(id).stages.findIndex((one) => one.id === stage);
  const at = (id) => { const last = (state.routines[id] ?? []).filter((one) => place(id, one.payload.stage) >= 0).at(-1); return last ? place(id, last.payload.stage) : -1; };
  const past = (id) => state.log[state.places[id]];
  return {
    ...factsOf(sheet, state, clock),
    given: (field) => payload[field] ?? (NUMBERS.has(field) ? 0 : ''),
    'is-given': (field) => (payload[field] ?? '') !== '',
    'reason-words': () => wordsOf(payload.reason).length,
    'reason-again': () => wordsOf(payload.reason).join(' ') === wordsOf(state.lastReason).join(' '),
    lead: () => isLead,
    server: () => false,
    'clock-ahead': () => false,
    signed: () => state.signed !== null,
    'stopped-as': () => (state.stopped?.payload.kind ?? '').replaceAll('-', ' '),
    'engine-stop': () => Object.values(state.curves).find((one) => (sheet.at_once ?? []).includes(one.payload.finding) && !state.stopsSeen[one.payload.reading])?.payload.reading ?? '',
    'is-step': (id) => Boolean(of(id)),
    'is-joint': (id) => id in sheet.joints,
    'is-photo': (id) => state.photos.has(id),
    'is-dropped': (id) => state.dropped.has(id),
    'closed-by': (id) => closed(id)?.by ?? '',
    'closed-at': (id) => closed(id)?.at.slice(11, 16) ?? '',
    passive: (id) => of(id).passive,
    protects: (id) => of(id).protects,
    'takes-off': (id) => of(id).deed === 'remove',
    'has-tray': (id) => of(id).tray.length > 0,
    'has-routine': (id) => of(id).stages.length > 0,
    'next-stage': (id) => of(id).stages[at(id) + 1]?.title ?? '',
    'cut-short': (id, stage) => cutShort(state, of(id), stage, event, clock),
    'has-caution': (id, caution) => caution in of(id).cautions,
    'has-tool': (id, tool) => (of(id).toolsBefore ?? of(id).tools).includes(tool),
    asks: (id, field) => Boolean(of(id)) && Boolean(ask(id, field)),
    'has-stage': (id, stage) => place(id, stage) >= 0,
    'may-begin': (id, stage) => place(id, stage) >= 0 && place(id, stage) <= at(id) + 1,
    'in-tray': (id, thing) => count(id, thing) !== null,
    expected: (id, thing) => count(id, thing).expected,
    tray: (id, thing) => count(id, thing).tray,
    back: (id, thing) => count(id, thing).back,
    fresh: (id, thing) => count(id, thing).fresh,
    'at-hand': (id, thing) => count(id, thing).atHand,
    'to-lose': (id, thing) => { const one = count(id, thing); return of(id).deed === 'remove' && !one.isOff ? one.expected - one.lost - one.broken : one.atHand; },
    'is-end': (id, thing) => endOf(id, thing) !== null,
    'end-guards': (id, thing) => Boolean(endOf(id, thing)),
    'too-few': (id) => of(id).tray.map((line) => pieces(sheet, state, of(id), line)).filter((one) => one.expected > (of(id).deed === 'remove' ? one.room : one.atHand)).map((one) => [one.thing, inWords(one)]),
    'for-good': (id, thing) => of(id).puts.some(([name, forGood]) => name === thing && forGood),
    'loose-under': (id, thing) => (of(id).item !== '' && of(id).puts.some(([name, forGood]) => name === thing && forGood) ? Object.entries(sheet.joints).find(([joint, one]) => one.item === of(id).item && boltsLeft(sheet, state, joint) > 0)?.[1].name ?? '' : ''),
    fasteners: (id) => sheet.joints[id].count,
    'last-stage': (id) => final(sheet.joints[id]),
    'bolt-stage': (id, bolt) => stage(state, id, bolt),
    rung: (id, n) => labelOf(sheet.joints[id], n),
    label: (id, field) => ask(id, field)?.label ?? '',
    'flow-most': (id, field) => ask(id, field)?.most ?? 0,
    circuit: (id) => sheet.circuits[of(id).circuit] ?? 'circuit',
    capacity: (id) => of(id).holds,
    'photo-step': (id) => state.photos.get(id)?.payload.step ?? '',
    'seen-in-picture': (id, field) => Boolean(ask(id, field)?.seen),
    'photo-marks': (id) => (state.photoMarks[id] ?? []).length,
    length: (text) => [...text].length,
    'is-corners': (text) => text === '' || (text.split(',').every((one) => CORNERS.has(one)) && new Set(text.split(',')).size === text.split(',').length),
    'is-hash': (text) => /^[0-9a-f]{64}$/.test(text),
    'is-event': (id) => id in state.places,
    'may-undo': (id) => Boolean(past(id)) && !STANDS.has(past(id).type) && !state.undone.has(id),
    'is-rival': (id, field, which) => Boolean(state.rivals[id]?.[field]?.some((one) => one.id === which)),
    'is-mishap': (id) => past(id)?.type === 'mishap',
    'booked-done': (id) => past(id)?.type === 'step-done' && Boolean(state.followUps[of(past(id).payload.step)?.followUp]),
  };
};

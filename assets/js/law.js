// The law of the bench as far as a tablet follows it by itself: what the log comes to, what adds up, what is loose, what cannot be.
// Ported from the small rules of core/Bench and held against them over the same sequences (tests/browser/law.spec.mjs). What needs the
// model of the vehicle (weights, battery, coolant, holds, curves, the order of the line) is the server's: it confirms when it is back.

const STANDS = new Set(['signed', 'undone', 'follow-up-closed', 'stopped', 'taken-up']);
const SNUG = 'snug';
const upper = (text) => text.charAt(0).toUpperCase() + text.slice(1);
const lower = (text) => text.charAt(0).toLowerCase() + text.slice(1);
const key = (event) => `${event.payload.step ?? ''} ${event.payload.thing ?? ''}`;
const put = (map, name, inner, value) => { (map[name] ??= {})[inner] = value; };

const blank = () => ({
  started: {}, done: {}, skipped: {}, seen: {}, counts: {}, countedAll: {}, fates: new Map(), inside: new Map(), everInside: {}, tools: {}, stages: {}, lastMarks: {}, marked: {}, readings: {}, dropped: new Map(), photos: new Map(), waived: {}, mishaps: new Map(), places: {}, signed: null, stopped: null, last: null, lastReason: '', log: [],
});

const isDoneIn = (state, step) => Boolean(state.done[step]);

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
    case 'broke': case 'replaced': fate(); break;
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
    case 'measured': put(state.readings, step, p.field, event); break;
    case 'dropped': state.dropped.set(event.id, event); if (p.thing) fate(); break;
    case 'mishap': state.mishaps.set(event.id, event); if (p.thing) fate(); break;
    case 'found': {
      const known = state.fates.get(p.dropped);
      if (known) state.fates.set(p.dropped, { ...known, isFound: true, foundLate: isDoneIn(state, known.event.payload.step ?? '') });
      state.dropped.delete(p.dropped);
      break;
    }
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
  log.forEach((event, i) => { state.places[event.id] ??= i; state.log.push(event); });
  for (const event of log) if (!undone.has(event.id) || STANDS.has(event.type)) apply(state, event);
  return state;
};

export const isClosed = (state, step) => Boolean(state.done[step] || state.skipped[step]);
const stage = (state, joint, bolt) => state.stages[joint]?.[bolt] ?? 0;
const doing = (sheet, deed, on = {}) => sheet.steps.filter((step) => step.deed === deed && Object.entries(on).every(([name, value]) => step[name] === value));
export const stepOf = (sheet, id) => sheet.steps.find((step) => step.id === id);

const tally = (state, step, [thing, count]) => (state.countedAll[step.id] ? count : 0) + (state.counts[step.id]?.[thing] ?? 0);
export const counted = (state, step) => step.tray.reduce((sum, line) => sum + tally(state, step, line), 0);

/** The count of one line of a tray, for its removal and its refit alike. */
export const pieces = (sheet, state, step, line) => {
  const side = (deed) => (step.deed === deed ? step : doing(sheet, deed, { item: step.item })[0] ?? null);
  const [off, on] = [side('remove'), side('refit')];
  const n = { early: 0, foundLate: 0, late: 0, earlyBroken: 0, lateBroken: 0, fresh: 0 };
  for (const one of state.fates.values()) {
    const at = one.event.payload.step ?? '';
    if (one.event.payload.thing !== line[0] || (at !== off?.id && at !== on?.id)) continue;
    const late = one.late || at === on?.id;
    const { type } = one.event;
    if (type === 'replaced') n.fresh += 1;
    else if (type === 'broke' || type === 'mishap') n[late ? 'lateBroken' : 'earlyBroken'] += 1;
    else if (type === 'dropped' && !one.isFound) n[late ? 'late' : 'early'] += 1;
    else if (!late && one.foundLate) n.foundLate += 1;
  }
  const tray = off ? tally(state, off, line) : line[1];
  const back = on ? tally(state, on, line) : 0;
  const out = tray + n.early + n.foundLate + n.earlyBroken;
  const atHand = tray + n.foundLate + n.fresh - n.late - n.lateBroken;
  return {
    thing: line[0], expected: line[1], tray, back, off: out, atHand, room: line[1] - n.early - n.foundLate - n.earlyBroken, lost: n.early + n.late,
    broken: n.earlyBroken + n.lateBroken, fresh: n.fresh, isOff: !off || isDoneIn(state, off.id), cameOffWhole: out === line[1],
    wentBackWhole: back === atHand && back >= out,
  };
};

const inWords = (count) => [`${count.off} came off`, ...[['fell', count.lost], ['broke', count.broken], ['new', count.fresh]].filter(([, n]) => n !== 0).map(([word, n]) => `${n} ${word}`), `${count.back} went back`].join(', ');

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

const newest = (state, field) => Object.values(state.readings).map((fields) => fields[field]).filter(Boolean).sort((a, b) => state.places[b.id] - state.places[a.id])[0];

/** Low and high of a reading as it is held now; null where nothing holds it. */
export const limitsOf = (state, ask) => {
  if (ask.near === '') return ask.set ? [ask.low, ask.high] : null;
  const other = newest(state, ask.near);
  return other ? [other.payload.value + ask.low, other.payload.value + ask.high] : null;
};

const isOutside = (state, ask, value) => {
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

const toolsMissing = (state, step) => step.tools.filter((tool) => !state.tools[step.id]?.[tool]);

/** What a step lacks in itself: [{code, text, bar}], bar being never, lead or reason. */
export const within = (sheet, state, step) => {
  const found = [];
  const add = (code, text, bar = 'reason') => found.push({ code, text, bar });
  if (step.cautions.some((must, i) => must && !state.seen[step.id]?.[i])) add('caution', 'Acknowledge the caution first.', 'never');
  for (const ask of step.asks) {
    const reading = state.readings[step.id]?.[ask.field];
    const bar = ask.safety ? 'lead' : 'reason';
    if (!reading) add('reading-missing', `${ask.bad.length ? 'Say' : 'Measure'}: ${lower(ask.label)}.`, bar);
    else if (isOutside(state, ask, reading.payload.value)) add('reading-outside', `${ask.label}: ${reading.payload.text}. ${ask.past}`.trim(), bar);
    else if (isDoubtful(state, ask, reading)) add('reading-doubtful', `${ask.label}: it may lie outside. Measure it with a tool.`, bar);
  }
  if (step.shot === 'proof' && ![...state.photos.values()].some((photo) => photo.payload.step === step.id && photo.payload.shot === 'proof')) add('no-picture', 'A picture proves this step: take it.');
  for (const count of ['remove', 'refit'].includes(step.deed) ? step.tray.map((line) => pieces(sheet, state, step, line)) : []) {
    if (step.deed === 'remove' && !count.cameOffWhole) add('tray-count', `${upper(count.thing)}: ${count.off} of ${count.expected} accounted for. Count them, or say what fell or broke.`);
    else if (step.deed === 'refit' && !count.wentBackWhole) add('tray-count', `${upper(count.thing)}: ${inWords(count)}.`);
  }
  for (const [thing] of step.puts) {
    const at = `${step.id} ${thing}`;
    if (!state.inside.has(at) && !state.everInside[at]) add('not-put-in', `Mark that the ${thing} is in.`);
  }
  const missing = toolsMissing(state, step);
  if (missing.length === 1) add('tool-missing', `The ${missing[0]} is not accounted for.`);
  else if (missing.length > 1) add('tool-missing', `${missing.length} tools are not accounted for: ${missing.join(', ')}.`);
  if (step.deed === 'tighten') {
    const left = boltsLeft(sheet, state, step.joint);
    if (left > 0) add('fasteners', `${left} of ${sheet.joints[step.joint].count} fasteners are not at their final mark.`);
    for (const fault of sheet.joints[step.joint] ? passFaults(sheet, state, step.joint) : []) add('pass-order', `${fault} Do that pass again.`);
  }
  return found;
};

/** Waits that have to be over before this step: what cures, drains or cools for it. */
export const waitsOpen = (sheet, state, step) => step.waits.filter((id) => !isClosed(state, id)).map((id) => ({ code: 'wait-open', text: `“${stepOf(sheet, id).title}” is not finished.`, bar: 'reason', step: id }));

const isTakenOff = (sheet, state, item) => item !== '' && doing(sheet, 'remove', { item }).some((step) => isDoneIn(state, step.id));
const allDone = (state, steps) => steps.length > 0 && steps.every((step) => isDoneIn(state, step.id));
const isOverruled = (state, step) => Boolean(state.skipped[step.id] || state.done[step.id]?.payload.reason);

/** Everything open that a tablet can tell: [{id, kind, what, step, since}]; waived ones are left out. */
export const looseEnds = (sheet, state) => {
  const ends = [];
  const add = (id, kind, what, step, since) => ends.push({ id, kind, what, step, since });
  for (const event of state.dropped.values()) add(`dropped:${event.id}`, 'dropped', event.payload.what, event.payload.step ?? '', 'not found yet');
  for (const step of doing(sheet, 'remove')) {
    for (const line of step.tray) {
      const count = pieces(sheet, state, step, line);
      if (count.broken > count.fresh) add(`broken:${step.item}:${count.thing}`, 'broken', `${upper(count.thing)}, ${step.itemName}`, step.id, `${count.broken} broke, ${count.fresh} new`);
    }
  }
  for (const [at, event] of state.inside) add(`inside:${at}`, 'inside', upper(event.payload.thing), event.payload.step, `put in by ${event.by}`);
  const tools = sheet.steps.find((step) => step.tools.length > 0);
  if (tools && isDoneIn(state, tools.id)) for (const tool of toolsMissing(state, tools)) add(`tool:${tool}`, 'tool', upper(tool), tools.id, 'not seen at the count');
  for (const step of doing(sheet, 'remove')) {
    if (isDoneIn(state, step.id) && !allDone(state, doing(sheet, 'refit', { item: step.item }))) {
      add(`item:${step.item}`, 'removed', step.itemName, doing(sheet, 'refit', { item: step.item })[0]?.id ?? step.id, `${counted(state, step)} pieces in its tray`);
    }
  }
  const told = new Set();
  for (const step of doing(sheet, 'tighten')) {
    const joint = sheet.joints[step.joint];
    if (!joint || told.has(step.joint)) continue;
    const opened = doing(sheet, 'undo', { joint: step.joint }).some((one) => isDoneIn(state, one.id)) || isTakenOff(sheet, state, joint.item);
    const left = state.stages[step.joint] || opened ? boltsLeft(sheet, state, step.joint) : 0;
    if (left > 0) {
      told.add(step.joint);
      add(`joint:${step.joint}`, 'joint', joint.name, step.id, `${left} of ${joint.count} to go`);
    }
  }
  for (const refit of doing(sheet, 'refit')) {
    const wrong = isDoneIn(state, refit.id) ? refit.tray.map((line) => pieces(sheet, state, refit, line)).filter((count) => !count.wentBackWhole) : [];
    if (wrong.length) add(`tray:${refit.item}`, 'tray', `Tray of the ${refit.itemName}`, refit.id, wrong.map((count) => `${count.thing}: ${inWords(count)}`).join('; '));
  }
  for (const [circuit, name] of Object.entries(sheet.circuits)) {
    const opened = doing(sheet, 'drain', { circuit }).find((step) => isDoneIn(state, step.id) || state.started[step.id]);
    const fills = doing(sheet, 'fill', { circuit });
    if (opened && !allDone(state, [...fills, ...doing(sheet, 'bleed', { circuit })])) add(`circuit:${circuit}`, 'circuit', name, (fills[0] ?? opened).id, 'not filled and bled yet');
  }
  for (const step of sheet.steps) {
    for (const ask of isOverruled(state, step) ? [] : step.asks) {
      const reading = state.readings[step.id]?.[ask.field];
      if (reading && isOutside(state, ask, reading.payload.value)) add(`reading:${step.id}:${ask.field}`, ask.safety ? 'safety' : 'reading', `${ask.label}: ${reading.payload.text}`, step.id, ask.past);
    }
  }
  for (const step of sheet.steps) if (step.passive && state.started[step.id] && !isClosed(state, step.id)) add(`wait:${step.id}`, 'waiting', step.title, step.id, 'running');
  if (doing(sheet, 'start').some((step) => isDoneIn(state, step.id))) {
    for (const step of doing(sheet, 'book')) if (!isDoneIn(state, step.id)) add(`due:${step.followUp}`, 'due', step.due, step.id, 'not in the logbook yet');
  }
  return ends.filter((end) => { const waived = state.waived[end.id]; return !waived || ((waived.payload.as ?? '') !== '' && waived.payload.as !== end.since); });
};

const wordsOf = (text) => text.toLowerCase().match(/\p{L}[\p{L}\p{M}\p{N}’'-]*/gu) ?? [];
const no = (field, message) => ({ field, message });

const pieceRefusal = (sheet, state, event, step) => {
  const { type, payload: p } = event;
  if (type === 'found') return state.dropped.has(p.dropped) ? null : no('dropped', 'Nothing like that is missing.');
  if (type === 'dropped' && !p.thing) return null;
  if (!step) return no('step', 'Say at which step.');
  const noneLeft = (count) => no('thing', `${upper(count.thing)}: ${inWords(count)}. Say what was found or what is new.`);
  if (type === 'counted-all') {
    if (step.tray.length === 0) return no('step', 'There is nothing to count at this step.');
    const short = step.tray.map((line) => pieces(sheet, state, step, line)).find((count) => (step.deed === 'remove' ? count.room : count.atHand) < count.expected);
    return short ? noneLeft(short) : null;
  }
  const line = step.tray.find(([thing]) => thing === p.thing);
  if (!line) return no('thing', 'That does not belong to this tray.');
  const count = pieces(sheet, state, step, line);
  if (type === 'counted') {
    const now = step.deed === 'remove' ? count.tray : count.back;
    if (now + p.by < 0) return no('by', 'A tray cannot hold less than nothing.');
    if (step.deed === 'remove') return now + p.by <= count.expected + 20 ? null : no('by', `The sheet says ${count.expected}. Correct the sheet if there are more.`);
    return p.by <= 0 || now + p.by <= count.atHand ? null : noneLeft(count);
  }
  if (type === 'replaced') return count.fresh < count.expected ? null : no('thing', 'More new ones than there are places.');
  const left = step.deed === 'remove' && !count.isOff ? count.expected - count.lost - count.broken : count.atHand;
  return left > 0 ? null : noneLeft(count);
};

const fastenerRefusal = (sheet, state, p) => {
  const joint = sheet.joints[p.joint];
  if (!joint) return no('joint', 'There is no such joint on this vehicle.');
  if (!(p.bolt >= 1 && p.bolt <= joint.count)) return no('bolt', `This joint has fasteners 1 to ${joint.count}.`);
  if (p.stage < 0 || p.stage > final(joint)) return no('stage', 'There is no such pass on this joint.');
  const now = stage(state, p.joint, p.bolt);
  return p.stage <= now + 1 ? null : no('stage', `Bolt ${p.bolt} is ${labelOf(joint, now)}: “${labelOf(joint, now + 1)}” comes before “${labelOf(joint, p.stage)}”.`);
};

const insideRefusal = (sheet, state, event, step) => {
  const { type, payload: p } = event;
  if (!step) return no('step', 'Say at which step.');
  if (type === 'tool-counted') return step.tools.includes(p.tool) ? null : no('tool', 'That tool is not on the list of this sheet.');
  const isIn = state.inside.has(key(event));
  if (type === 'put-in') {
    if (isIn) return no('thing', `The ${p.thing} is in already.`);
    const again = step.puts.some(([thing, forGood]) => thing === p.thing && forGood) && state.everInside[key(event)];
    return again ? no('thing', `The ${p.thing} was counted away for good: it must not go back in.`) : null;
  }
  if (!isIn) return no('thing', `No ${p.thing} was put in.`);
  const holds = step.puts.some(([thing, forGood]) => thing === p.thing && forGood);
  const loose = holds && step.item ? Object.entries(sheet.joints).find(([id, joint]) => joint.item === step.item && boltsLeft(sheet, state, id) > 0) : null;
  return loose ? no('thing', `Tighten the ${loose[1].name} first: the ${p.thing} comes out once it is bolted.`) : null;
};

const stepRefusal = (sheet, state, event, step, isLead) => {
  const { type, payload: p } = event;
  if (!step) return no('step', 'Say which step.');
  if (type === 'step-reopened') return isClosed(state, step.id) ? null : no('step', 'This step is open already.');
  if (type === 'caution-acknowledged') return p.caution in step.cautions ? null : no('caution', 'There is no such caution at this step.');
  if (isClosed(state, step.id)) return no('closed', 'This step is closed already.');
  if (type === 'step-started') {
    if (!step.passive) return no('step', 'This step does not run by itself.');
    return state.started[step.id] ? no('step', 'It is running already.') : null;
  }
  if (type === 'step-skipped') return step.protects && !isLead ? no('step', `Others rely on “${step.title}”. Only a lead skips it.`) : null;
  const hard = [...within(sheet, state, step), ...waitsOpen(sheet, state, step)];
  const passed = (one) => Boolean(p.reason) && (one.bar === 'reason' || (one.bar === 'lead' && isLead));
  const left = hard.filter((one) => !passed(one));
  return left.length === 0 ? null : no('within', left.map((one) => one.text).join(' '));
};

/** What stands against an event, as far as a tablet can tell: {field, message}; null where it is let through, for the server to confirm. */
export const refusal = (sheet, state, event, isLead = false) => {
  const { type, payload: p } = event;
  if (state.signed && !['follow-up-closed', 'noted'].includes(type)) return no('fit', 'This fit is signed off; only notes and due checks can be added.');
  if (state.stopped && !['taken-up', 'follow-up-closed', 'noted'].includes(type)) return no('fit', `This fit is ${state.stopped.payload.kind.replaceAll('-', ' ')}: take it up again first.`);
  const step = stepOf(sheet, p.step);
  if (p.step && !step) return no('step', 'There is no such step on this sheet.');
  if (p.reason) {
    const words = wordsOf(p.reason);
    if (words.length < 2) return no('reason', 'Say why in two words or more.');
    if (words.join(' ') === wordsOf(state.lastReason).join(' ')) return no('reason', 'That is the last reason again. Say why here.');
  }
  if (['counted', 'counted-all', 'broke', 'replaced', 'dropped', 'found'].includes(type)) return pieceRefusal(sheet, state, event, step);
  if (type === 'fastener-marked') return fastenerRefusal(sheet, state, p);
  if (['put-in', 'taken-out', 'tool-counted'].includes(type)) return insideRefusal(sheet, state, event, step);
  if (['step-started', 'step-done', 'step-skipped', 'step-reopened', 'caution-acknowledged'].includes(type)) return stepRefusal(sheet, state, event, step, isLead);
  return null;
};

/** Whether what a mark says is so already: how far along its acts a step is. */
export const isSo = (state, { type, ...p }) => {
  const at = `${p.step ?? ''} ${p.thing ?? ''}`;
  switch (type) {
    case 'step-done': case 'step-skipped': return isClosed(state, p.step);
    case 'step-started': return Boolean(state.started[p.step]);
    case 'caution-acknowledged': return Boolean(state.seen[p.step]?.[p.caution]);
    case 'counted-all': return Boolean(state.countedAll[p.step]);
    case 'counted': return (state.counts[p.step]?.[p.thing] ?? 0) >= p.by || Boolean(state.countedAll[p.step]);
    case 'put-in': return state.inside.has(at) || Boolean(state.everInside[at]);
    case 'taken-out': return !state.inside.has(at);
    case 'tool-counted': return Boolean(state.tools[p.step]?.[p.tool]);
    case 'fastener-marked': return stage(state, p.joint, p.bolt) >= p.stage;
    case 'measured': return Boolean(state.readings[p.step]?.[p.field]);
    case 'photo-taken': return [...state.photos.values()].some((photo) => photo.payload.step === p.step && photo.payload.shot === p.shot);
    case 'stage-begun': return state.log.some((event) => event.type === 'stage-begun' && event.payload.step === p.step && event.payload.stage === p.stage);
    default: return false;
  }
};

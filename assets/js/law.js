// The law on a tablet: the rows that came with the sheet, evaluated on what the tablet knows (facts.js), and what a mark needs beside them.
import { boltsLeft, clockOf, counted, doing, factsOf, final, inWords, isClosed, isDoneIn, isOutside, key, labelOf, pieces, stage, stepOf, toolsMissing, upper } from './facts.js';
import { standing } from './terms.js';

const NOTE = 0;
const REASON = 1;
const LEAD = 2;
const MOST_TOLD = 3;

/** What a step lacks in itself: [{code, text, bar, step}]. */
export const within = (sheet, state, step, clock = clockOf()) => standing(sheet, step.id, factsOf(sheet, state, clock), 'within');

/** What must be true before a step may begin, and is not. */
export const before = (sheet, state, step, clock = clockOf()) => standing(sheet, step.id, factsOf(sheet, state, clock), 'before');

/** What keeps a step from being closed: notes are left out. */
export const hindrances = (sheet, state, step, clock = clockOf()) => standing(sheet, step.id, factsOf(sheet, state, clock), 'before', 'within').filter((one) => one.bar > NOTE);

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

/** What stands in the way lets a mark through with a reason, or with a lead's, as its hardest bar says. */
const passed = (hard, p, isLead) => {
  const bar = Math.max(NOTE, ...hard.map((one) => one.bar));
  if (bar === NOTE || (Boolean(p.reason) && (bar === REASON || (bar === LEAD && isLead)))) return null;
  const more = hard.length - MOST_TOLD;
  return no('step', `${hard.slice(0, MOST_TOLD).map((one) => one.text).join(' ')}${more > 0 ? ` And ${more} more.` : ''}${bar === LEAD && !isLead ? ' Only a lead overrules this.' : ''}`);
};

const stepRefusal = (sheet, state, event, step, isLead, clock) => {
  const { type, payload: p } = event;
  if (!step) return no('step', 'Say which step.');
  if (type === 'step-reopened') return isClosed(state, step.id) ? null : no('step', 'This step is open already.');
  if (type === 'caution-acknowledged') return p.caution in step.cautions ? null : no('caution', 'There is no such caution at this step.');
  const closed = state.done[step.id] ?? state.skipped[step.id];
  if (closed) return no('step', `${closed.by} closed this step at ${closed.at.slice(11, 16)}.`);
  if (type === 'step-started') {
    if (!step.passive) return no('step', 'This step does not run by itself.');
    if (state.started[step.id]) return no('step', 'It is running already.');
    return passed(before(sheet, state, step, clock).filter((one) => one.bar > NOTE), p, isLead);
  }
  if (type === 'step-skipped') return step.protects && !isLead ? no('step', `Others rely on “${step.title}”. Only a lead skips it.`) : null;
  return passed(hindrances(sheet, state, step, clock), p, isLead);
};

/** What stands against an event, as far as a tablet can tell: {field, message}; null where it is let through, for the server to confirm. */
export const refusal = (sheet, state, event, isLead = false, clock = clockOf()) => {
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
  if (['step-started', 'step-done', 'step-skipped', 'step-reopened', 'caution-acknowledged'].includes(type)) return stepRefusal(sheet, state, event, step, isLead, clock);
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

// The law on a tablet: the rows that came with the sheet, evaluated on what the tablet knows (facts.js), and what a mark needs beside them.
import { boltsLeft, clockOf, counted, doing, eventFactsOf, factsOf, inWords, isClosed, isDoneIn, isOutside, pieces, stage, toolsMissing, upper } from './facts.js';
import { moving, refusedBy, standing } from './terms.js';

const NOTE = 0;
const REASON = 1;
const LEAD = 2;
const MISHAP = 'mishap';

/** What a step lacks in itself: [{code, text, bar, step}]. */
export const within = (sheet, state, step, clock = clockOf()) => standing(sheet, step.id, factsOf(sheet, state, clock), 'within');

/** What holds back the work itself, before anything of a step is marked: only a lead passes it, or nobody. */
export const barring = (sheet, state, step, clock = clockOf()) => standing(sheet, step.id, factsOf(sheet, state, clock), 'before').filter((one) => one.bar >= LEAD || one.code === MISHAP);

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

/** What stands in the way lets a mark through with a reason, or with a lead's, as its hardest bar says. */
const passes = (sheet, hard, reason, isLead) => {
  const bar = Math.max(NOTE, ...hard.map((one) => one.bar));
  if (bar === NOTE || (Boolean(reason) && (bar === REASON || (bar === LEAD && isLead)))) return null;
  const { most, more, lead } = sheet.law.words;
  const rest = hard.length - most;
  return { field: 'step', message: hard.slice(0, most).map((one) => one.text).join(' ') + (rest > 0 ? more.replace('%d', String(rest)) : '') + (bar === LEAD && !isLead ? lead : '') };
};

/** What stands against an event by the law that came with the sheet: {field, message}; null where nothing does. */
export const refusal = (sheet, state, event, isLead = false, clock = clockOf()) => {
  const { type, payload } = event;
  const facts = eventFactsOf(sheet, state, event, isLead, clock);
  const gate = {
    begin: () => standing(sheet, payload.step, facts, 'before').filter((one) => one.bar > NOTE),
    close: () => standing(sheet, payload.step, facts, 'before', 'within').filter((one) => one.bar > NOTE),
    move: () => moving(sheet, facts).filter((one) => one.bar > NOTE),
    lead: () => standing(sheet, payload.step, facts, 'before').filter((one) => one.bar === LEAD),
  };
  return refusedBy(sheet.law.refusals[type] ?? [], facts, (name) => passes(sheet, gate[name](), payload.reason, isLead));
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

// The bench: a tap draws its mark at once and becomes an event; a form becomes one; the page follows what other tablets do.
import { isOffline, mark } from './outbox.js';
import { aheadNow, bench, pulse, show, stepAhead } from './sync.js';
import { carrySoon, endsHere, othersThen, goOnCarried, isCarried, refusedHere, showCarried, sightHere } from './carry.js';

// Two taps are two decisions: the big button is deaf for a moment after what it says has changed.
const ARM_STEP_MS = 700;
const ARM_NEXT_MS = 260;

let said = '';
let at = '';

const goButton = () => document.querySelector('.thumb .go');

const arm = () => {
  const go = goButton();
  if (!go) return;
  const now = `${bench()?.dataset.step}|${go.textContent}|${go.dataset.marks ?? go.getAttribute('form') ?? ''}`;
  if (now === said && 'armed' in go.dataset) return;
  const moved = `${bench()?.dataset.step}|${document.querySelector('.panes')?.dataset.turn}` !== at;
  at = `${bench()?.dataset.step}|${document.querySelector('.panes')?.dataset.turn}`;
  said = now;
  delete go.dataset.armed;
  setTimeout(() => { if (goButton() === go && said === now) go.dataset.armed = ''; }, moved ? ARM_STEP_MS : ARM_NEXT_MS);
};

const number = (element, by) => {
  const output = element.closest('li')?.querySelector('[data-count]');
  const all = document.querySelector('[data-sum]');
  if (!output) return;
  output.textContent = `${parseInt(output.textContent, 10) + by}/${output.dataset.of}`;
  if (all) all.textContent = String(parseInt(all.textContent, 10) + by);
};

const drawOne = (event, element) => {
  if (event.type === 'fastener-marked') {
    const bolt = document.querySelector(`.bolt[data-bolt="${event.bolt}"]`);
    if (bolt && Number(bolt.dataset.stage) + 1 === event.stage) bolt.classList.add('is-on');
  }
  if (event.type === 'counted') number(element, event.by);
  if (event.type === 'counted-all') for (const output of document.querySelectorAll('[data-count]')) output.textContent = `${output.dataset.of}/${output.dataset.of}`;
  if (event.type === 'caution-acknowledged') element.closest('.caution')?.classList.add('is-seen');
  if (event.type === 'stood' && element.dataset.says) for (const told of document.querySelectorAll('[data-stance]')) told.textContent = element.dataset.says;
  if (event.type === 'tool-counted') element.classList.add('is-in');
  if (event.type === 'step-done') document.querySelector('.say')?.classList.add('is-done');
};

const say = (message) => {
  const told = document.getElementById('not-here');
  if (!told) return;
  told.textContent = message;
  told.hidden = message === '';
};

/** Without the server: what cannot be is said and not kept; what is kept moves the bench on as far as this tablet can tell. */
const stands = (events) => {
  const message = isOffline() ? refusedHere(events, bench().dataset.lead === '1') : '';
  say(message);
  return message === '';
};
const sight = () => (isOffline() ? sightHere() : {});
const carriedOn = () => { if (isOffline()) goOnCarried(); };

/** What the big button says next, as far as it is known: shown at once, and all there is without a connection. */
const goOn = (go) => {
  const next = stepAhead();
  if (!next) {
    go.textContent = isOffline() ? 'Kept here' : go.textContent;
    go.disabled = true;
    return;
  }
  go.textContent = next.label;
  go.disabled = !next.marks || Boolean(next.seconds);
  go.removeAttribute('x-data');
  delete go.dataset.timerUntil;
  delete go.dataset.timerLabel;
  if (next.marks) go.dataset.marks = JSON.stringify(next.marks);
  else delete go.dataset.marks;
  if (next.ask) {
    go.disabled = false;
    go.type = 'submit';
    go.setAttribute('form', 'ask-form');
  }
  if (next.seconds) {
    go.dataset.timerUntil = String(Date.now() / 1000 + Number(document.documentElement.dataset.skew ?? 0) + next.seconds);
    go.dataset.timerLabel = next.label;
    go.dataset.timerWakes = '';
    go.setAttribute('x-data', 'clock');
  }
};

const tap = (element) => {
  if (element.getAttribute('aria-busy') === 'true' || element.disabled) return;
  if (element.classList.contains('go') && !('armed' in element.dataset)) return;
  const events = JSON.parse(element.dataset.marks);
  const words = element.classList.contains('go') ? element.textContent.trim() : (element.getAttribute('aria-label') ?? element.textContent.trim());
  if (!stands(events)) return;
  for (const event of events) drawOne(event, element);
  if ('go' in element.dataset) goOn(element);
  else {
    element.setAttribute('aria-busy', 'true');
    if (element.matches('.bolt') && aheadNow()[0]?.marks?.some((one) => one.bolt === events[0].bolt && one.stage === events[0].stage)) goOn(goButton());
  }
  mark(bench().dataset.fit, events, { words: words.slice(0, 80), ...sight() });
  carriedOn();
  arm();
};

const wrong = (form, message) => {
  const place = form.isConnected ? form : document.querySelector(`[data-mark-form='${CSS.escape(form.dataset.markForm)}']`) ?? document.getElementById(form.id);
  const told = place?.querySelector('[data-wrong]');
  if (!told) return false;
  told.textContent = message;
  told.hidden = message === '';
  told.dataset.of = place.dataset.markForm;
  place.closest('dialog:not([open])')?.showModal?.();
  const field = place.querySelector('input, textarea');
  field?.setAttribute('aria-invalid', message === '' ? 'false' : 'true');
  field?.focus();
  return true;
};

/** A bare number takes the unit that is pressed. */
const withUnit = (form, text) => {
  const unit = form.querySelector('[data-unit][aria-pressed="true"]')?.dataset.unit;
  return unit && /^[-+]?[\d.,\s]+$/.test(text) ? `${text} ${unit}` : text;
};

/** Whether a reading lies inside its limits, by the unit that is pressed; null where that cannot be told here. */
const inside = (form, text) => {
  const unit = form.querySelector('[data-unit][aria-pressed="true"]');
  if (!('low' in form.dataset)) return true;
  if (unit?.dataset.factor === '0') return null;
  const value = Number(text.replace(',', '.')) * Number(unit?.dataset.factor ?? 1) + Number(unit?.dataset.offset ?? 0);
  return Number.isFinite(value) ? value >= Number(form.dataset.low) && value <= Number(form.dataset.high) : null;
};

/** A reading in its base unit, as far as this tablet can tell; null where the unit is the server's to read. */
const inBase = (form, text) => {
  const unit = form.querySelector('[data-unit][aria-pressed="true"]');
  if (unit?.dataset.factor === '0' || !/^[-+]?[\d.,\s]+$/.test(text)) return null;
  const value = Number(text.replace(',', '.')) * Number(unit?.dataset.factor ?? 1) + Number(unit?.dataset.offset ?? 0);
  return Number.isFinite(value) ? value : null;
};

const submit = (form) => {
  const event = JSON.parse(form.dataset.markForm);
  const fields = Array.from(form.querySelectorAll('[name]'));
  const empty = fields.find((field) => field.value.trim() === '');
  if (empty) return wrong(form, event.type === 'measured' ? 'Write down the reading.' : 'Fill this in.');
  for (const field of fields) event[field.name] = field.name === 'text' && event.type === 'measured' ? withUnit(form, field.value.trim()) : field.value.trim();
  const typed = fields.map((field) => field.value);
  wrong(form, '');
  const value = event.type === 'measured' ? inBase(form, typed[0]) : null;
  if (event.type === 'measured' && isOffline() && value === null) return wrong(form, 'Without the server only a plain number in a unit above can be read.');
  if (value !== null) event.local = { value };
  if (!stands([event])) return wrong(form, document.getElementById('not-here')?.textContent ?? '');
  if (event.type === 'measured' && isOffline()) {
    if (inside(form, typed[0]) === true) goOn(goButton());
    else goButton().disabled = true;
  }
  const dialog = form.closest('dialog');
  dialog?.close();
  for (const field of dialog ? fields : []) field.value = field.options ? field.options[0].value : field.defaultValue;
  mark(bench().dataset.fit, [event], {
    ...sight(),
    words: event.text ?? event.reason ?? event.what ?? '',
    atField: (message) => {
      fields.forEach((field, i) => { if (field.isConnected) field.value = typed[i]; });
      return wrong(form, message);
    },
  });
  carriedOn();
  arm();
  return true;
};

/** The loose ends as this tablet knows them. */
const listEnds = async () => {
  const ends = (await endsHere()) ?? [];
  const dialog = document.getElementById('ends-here');
  dialog.querySelector('ul').replaceChildren(...ends.map((end) => {
    const row = document.createElement('li');
    const link = document.createElement('a');
    link.href = `/fits/${bench().dataset.fit}/bench/${end.step}`;
    link.textContent = `${end.what}: ${end.since}`;
    row.append(end.step ? link : document.createTextNode(link.textContent));
    return row;
  }));
  dialog.querySelector('[data-none]').hidden = ends.length > 0;
  const others = await othersThen();
  const more = dialog.querySelector('[data-others]');
  more.hidden = others === 0;
  more.textContent = `And ${others} that only the server can tell, when it was last asked.`;
  dialog.showModal();
};

const clicks = (event) => {
  const on = (selector) => event.target.closest(selector);
  if (on('[data-marks]') && bench()) {
    event.preventDefault();
    return tap(on('[data-marks]'));
  }
  if (on('[data-needs-server]') && (isOffline() || !navigator.onLine)) {
    event.preventDefault();
    on('dialog').querySelector('[data-offline]').hidden = false;
    return undefined;
  }
  if (isOffline() && on('a[href*="/bench/"]') && bench()) {
    const step = /\/bench\/([a-z0-9.-]+)/.exec(on('a[href*="/bench/"]').getAttribute('href'))?.[1];
    if (on('.thumb a.go') && !('armed' in on('.thumb a.go').dataset)) return event.preventDefault();
    event.preventDefault();
    on('dialog')?.close();
    return showCarried(step);
  }
  if (isOffline() && on('a[href$="/loose-ends"]') && bench()) {
    event.preventDefault();
    return listEnds();
  }
  if (on('.thumb a.go') && !('armed' in on('.thumb a.go').dataset)) return event.preventDefault();
  return undefined;
};

export const startBench = () => {
  document.addEventListener('click', clicks);
  document.addEventListener('submit', (event) => {
    const hidden = event.target.querySelector('[data-csrf]');
    if (hidden) hidden.value = document.querySelector('meta[name="csrf"]')?.content ?? '';
    const form = event.target.closest('[data-mark-form]');
    if (bench() && !form && isOffline() && event.target.matches('form[method="post"]')) {
      // A device, a curve, a file: nothing of it is lost, and nothing of it goes without the server.
      event.preventDefault();
      say('That needs the server. It is not there at the moment; the step goes on without it.');
      return;
    }
    if (!form || !bench()) return;
    event.preventDefault();
    if (event.submitter?.closest('.thumb') && !('armed' in event.submitter.dataset)) return;
    submit(form);
  });
  // Without a connection the bench goes on by what it knows when a hold has had its time.
  document.addEventListener('bench:stood', async () => {
    if (!isOffline() || !goButton()) return;
    if (await isCarried()) showCarried();
    else goOn(goButton());
  });
  // The server is gone: on with what is carried. It is back: what it has goes before.
  document.addEventListener('nk:line', (event) => {
    if (!bench()) return;
    say('');
    if (event.detail) showCarried(/\/bench\/([a-z0-9.-]+)/.exec(window.location.pathname)?.[1] ?? '');
    else pulse(true);
  });
  document.addEventListener('nk:photo-taken', carriedOn);
  document.addEventListener('nk:kept', () => { if (bench()) carrySoon(bench().dataset.fit); });
  document.addEventListener('bench:changed', (event) => {
    for (const pressed of document.querySelectorAll('.is-on, .is-seen, .is-in, .is-done')) if (event.detail.moved || !pressed.matches('[data-local]')) pressed.classList.remove('is-on', 'is-seen', 'is-in', 'is-done');
    for (const busy of document.querySelectorAll('#bench [aria-busy]')) busy.removeAttribute('aria-busy');
    arm();
  });
  if (bench()) arm();
  return show;
};

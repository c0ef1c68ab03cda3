// What the bench shows, by regions: takes the server's answer, asks for news, and never swaps what somebody is writing in.
import { morphInside } from './morph.js';

const NEWS_MS = 4000;
const CLOCK_MS = 15000;

let hashes = {};
let ahead = [];
let askedAt = 0;
let asking = false;
let again = false;
// Goes up whenever something newer than an answer under way is known here: news that was asked for before a tap is no news after it.
let turns = 0;

export const bench = () => document.getElementById('bench');
export const aheadNow = () => ahead;
export const stepAhead = () => { ahead = ahead.slice(1); return ahead[0]; };
export const have = () => ({ ...hashes, ahead: ahead[0]?.key ?? '' });

/** A mark was made: what was asked for before it is not shown any more. */
export const turned = () => { turns += 1; };

const skewBy = (now) => { document.documentElement.dataset.skew = String(now - Date.now() / 1000); };
export const serverNow = () => Date.now() / 1000 + Number(document.documentElement.dataset.skew ?? 0);

const toStep = (answer) => {
  window.history.pushState({ bench: true }, '', answer.url);
  const work = document.getElementById('bench-work');
  work.scrollTop = 0;
  if (!document.querySelector('dialog[open]')) work.focus({ preventScroll: true });
};

/** Shows an answer of the server. Regions it left out are as we have them. */
export const show = (answer) => {
  const root = bench();
  if (!root || !answer.regions) return;
  turned();
  const moved = root.dataset.step !== answer.step;
  root.dataset.step = answer.step;
  root.dataset.version = answer.version;
  root.dataset.clock = answer.clock ? '1' : '0';
  skewBy(answer.now);
  document.title = answer.title;
  for (const [name, html] of Object.entries(answer.regions)) {
    const region = document.getElementById(`bench-${name}`);
    if (moved && name !== 'dialogs') region.innerHTML = html;
    else morphInside(region, html);
    window.htmx.process(region);
  }
  hashes = answer.hashes;
  if (answer.ahead) ahead = answer.ahead;
  if (moved) toStep(answer);
  if (moved) document.dispatchEvent(new CustomEvent('bench:moved'));
  document.dispatchEvent(new CustomEvent('bench:changed', { detail: { moved } }));
};

/** Asks for news. Everything is asked for anew where what is shown may not be true. */
export const pulse = async (all = false) => {
  const root = bench();
  if (!root) return;
  if (asking) {
    again ||= all;
    return;
  }
  asking = true;
  askedAt = Date.now();
  const turn = turns;
  let late = false;
  try {
    const query = new URLSearchParams({ step: root.dataset.step, since: all ? '0' : root.dataset.version, clock: all || root.dataset.clock === '1' ? '1' : '' });
    if (!all) for (const [name, hash] of Object.entries(have())) query.set(`have[${name}]`, hash);
    const response = await fetch(`/fits/${root.dataset.fit}/pulse?${query}`, { headers: { Accept: 'application/json' }, signal: AbortSignal.timeout(10000) });
    document.dispatchEvent(new CustomEvent('nk:news', { detail: response.status < 500 }));
    const answer = response.status === 200 && !response.redirected ? await response.json() : null;
    late = turn !== turns;
    if (answer && !late) {
      const before = document.querySelector('.closed-note')?.textContent;
      show(answer);
      const note = document.querySelector('.closed-note')?.textContent;
      if (note && note !== before) document.getElementById('say').textContent = note.trim();
    }
  } catch {
    document.dispatchEvent(new CustomEvent('nk:news', { detail: false }));
  } finally {
    asking = false;
  }
  if (again || (late && all)) {
    again = false;
    pulse(true);
  }
};

export const startSync = () => {
  const root = bench();
  if (!root) return;
  hashes = JSON.parse(root.dataset.hashes);
  ahead = JSON.parse(root.dataset.ahead);
  skewBy(Number(root.dataset.now));
  setInterval(() => {
    if (document.hidden) return;
    const wait = root.dataset.clock === '1' && Date.now() - askedAt < CLOCK_MS ? null : NEWS_MS;
    if (wait !== null || Date.now() - askedAt >= NEWS_MS) pulse();
  }, NEWS_MS);
  document.addEventListener('nk:pulse', () => pulse(true));
  // At once, so that a page that came from this tablet's own store knows that it did.
  setTimeout(() => pulse(), 250);
  window.addEventListener('popstate', () => window.location.reload());
};

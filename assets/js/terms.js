// Evaluates the rows of the law, which come with a sheet (core/Safety): what a term says, by the answers to its atoms. No rule stands here.

const ops = {
  ask: ([atom, ...of], facts, it) => facts[atom](...of.map((one) => valueOf(one, facts, it))),
  say: ([pattern, ...given], facts, it) => {
    let n = 0;
    return pattern.replace(/%[s%]/g, (slot) => { if (slot === '%%') return '%'; n += 1; return String(valueOf(given[n - 1], facts, it)); });
  },
  names: ([glue, ...rest], facts, it) => rest.filter((_, i) => i % 2 === 1 && valueOf(rest[i - 1], facts, it)).join(glue),
  it: ([n], _, it) => it[n] ?? '',
  not: ([one], facts, it) => !valueOf(one, facts, it),
  all: (these, facts, it) => these.every((one) => valueOf(one, facts, it)),
  any: (these, facts, it) => these.some((one) => valueOf(one, facts, it)),
  less: ([a, b], facts, it) => valueOf(a, facts, it) < valueOf(b, facts, it),
  same: ([a, b], facts, it) => valueOf(a, facts, it) === valueOf(b, facts, it),
  count: (these, facts, it) => these.filter((one) => valueOf(one, facts, it)).length,
  plus: ([a, b], facts, it) => valueOf(a, facts, it) + valueOf(b, facts, it),
  capital: ([one], facts, it) => { const text = String(valueOf(one, facts, it)); return text.charAt(0).toUpperCase() + text.slice(1); },
  up: ([one], facts, it) => Math.ceil(valueOf(one, facts, it)),
};

/** What a term comes to: [what, with …]; anything else is itself. */
export const valueOf = (term, facts, it = []) => (Array.isArray(term) ? ops[term[0]](term.slice(1), facts, it) : term);

/** What stands in the way by a row: [{code, text, bar, step, about}]. */
const obstaclesOf = (row, facts) => (row.each ? valueOf(row.each, facts) : [[]]).filter((it) => valueOf(row.when, facts, it)).map((it) => ({
  code: row.code, by: row.by, bar: row.bar, text: String(valueOf(row.text, facts, it)), step: String(valueOf(row.step, facts, it)),
  about: JSON.stringify(row.each ? it : row.when),
}));

/** Of what sends to the same step, or is of the same code and about the same, the hardest; the hardest first. */
const collected = (step, obstacles) => {
  const found = new Map();
  for (const one of obstacles) {
    const key = one.step === step ? `${one.code} ${one.about}` : one.step;
    const known = found.get(key);
    found.set(key, known && known.bar >= one.bar ? known : one);
  }
  return [...found.values()].sort((a, b) => b.bar - a.bar);
};

/** What stands against a step by the rows of the sheet, “before” it may begin or “within” it. */
export const standing = (sheet, step, facts, ...when) => collected(step, when.flatMap((one) => sheet.law[one][step] ?? []).flatMap((n) => obstaclesOf(sheet.law.rows[n], facts)));

/** What holds back a vehicle that a mark says was moved. */
export const moving = (sheet, facts) => collected('', (sheet.law.moving ?? []).flatMap((row) => obstaclesOf(row, facts)));

/** What the first of these refusals says: {field, message, gate}; a gate is asked of the step. Null where none holds. */
export const refusedBy = (refusals, facts, passes) => {
  for (const one of refusals) {
    const gate = one.gate ? passes(one.gate) : null;
    if (gate) return gate;
    const it = one.gate ? null : (one.each ? valueOf(one.each, facts) : [[]]).find((each) => valueOf(one.when, facts, each));
    if (it) return { field: one.field, message: String(valueOf(one.text, facts, it)) };
  }
  return null;
};

// The application as it is attacked: the demo on a port and a database of its own, started and killed in a blink.
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const sleep = (ms) => new Promise((done) => { setTimeout(done, ms); });
const PASSWORD = 'brackenfell-mile';
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** Luck that can be had again: mulberry32. */
export const luck = (seed) => {
  let a = seed >>> 0;
  const next = () => { a = (a + 0x6d2b79f5) >>> 0; let t = Math.imul(a ^ (a >>> 15), 1 | a); t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t; return ((t ^ (t >>> 14)) >>> 0) / 4294967296; };
  return { next, int: (n) => Math.floor(next() * n), pick: (list) => list[Math.floor(next() * list.length)] };
};

export const ulid = () => `01${Array.from(crypto.getRandomValues(new Uint8Array(24)), (b) => LETTERS[b % 32]).join('')}`;

export class Target {
  constructor(port) {
    this.port = port;
    this.base = `http://127.0.0.1:${port}`;
    this.data = `var/attack-${port}`;
    this.log = `${root}/var/attack-${port}.log`;
    this.env = { ...process.env, APP_ENV: 'prod', APP_DEBUG: '0', APP_DATA: this.data, PHP_CLI_SERVER_WORKERS: '4' };
  }

  make() {
    rmSync(`${root}/${this.data}`, { recursive: true, force: true });
    mkdirSync(`${root}/var`, { recursive: true });
    writeFileSync(this.log, '');
    const console = (...args) => execFileSync('php', ['bin/console', ...args], { cwd: root, env: this.env, stdio: 'ignore' });
    if (!process.env.NK_WARM) console('cache:clear');
    console('doctrine:migrations:migrate', '--no-interaction');
    console('demo:load', '--no-history');
    return this;
  }

  async start() {
    const command = `exec php -d opcache.enable_cli=1 -d display_errors=0 -d log_errors=1 -d memory_limit=256M -d post_max_size=64M -S 127.0.0.1:${this.port} -t public bin/router.php >> '${this.log}' 2>&1`;
    const spawned = () => { this.process = spawn('sh', ['-c', command], { cwd: root, env: this.env, detached: true, stdio: 'ignore' }); };
    spawned();
    for (let i = 0; i < 800; i += 1) {
      try { if ((await fetch(`${this.base}/sign-in`)).ok) return this; } catch { /* not up yet */ }
      await sleep(25);
      // The port may be held by workers that are still dying.
      if (this.process.exitCode !== null) spawned();
    }
    throw new Error('the target did not come up');
  }

  /** As a pulled plug would end it, workers and all. */
  kill() {
    try { process.kill(-this.process.pid, 'SIGKILL'); } catch { /* gone */ }
  }

  warnings() {
    return readFileSync(this.log, 'utf8').split('\n').filter((line) => /PHP (Warning|Notice|Deprecated|Fatal|Parse)/.test(line));
  }
}

/** A signed-in person: cookie, token, and requests that never throw for a status. */
export class Person {
  constructor(base) { this.base = base; this.cookie = ''; this.token = ''; }

  static async signIn(base, login) {
    const person = new Person(base);
    const response = await fetch(`${base}/sign-in`, { method: 'POST', redirect: 'manual', headers: { 'Content-Type': 'application/x-www-form-urlencoded', Origin: base, 'Sec-Fetch-Site': 'same-origin' }, body: new URLSearchParams({ login, password: PASSWORD, _csrf: 'csrf-token' }) });
    person.cookie = (response.headers.getSetCookie().map((c) => c.split(';')[0]).find((c) => c.startsWith('nk=')) ?? '');
    const page = await (await person.get('/')).text();
    person.token = /name="csrf" content="([^"]+)"/.exec(page)?.[1] ?? '';
    if (!person.token) throw new Error(`${login} could not sign in`);
    return person;
  }

  get(path, headers = {}) { return fetch(this.base + path, { redirect: 'manual', headers: { Cookie: this.cookie, ...headers } }); }

  send(method, path, body, headers = {}) {
    return fetch(this.base + path, { method, redirect: 'manual', headers: { Cookie: this.cookie, 'X-CSRF-Token': this.token, ...headers }, body });
  }

  form(path, fields) { return this.send('POST', path, new URLSearchParams({ _csrf: this.token, ...fields })); }

  marks(fit, ...events) {
    const made = events.map(({ type, id = ulid(), at = new Date().toISOString(), ...payload }) => ({ id, type, payload, at }));
    return this.send('POST', `/fits/${fit}/events`, JSON.stringify({ events: made }), { 'Content-Type': 'application/json', Accept: 'application/json' });
  }

  /** The newest fit of this address: planned by a form. */
  async plan(query) {
    const response = await this.form(`/start?${query}`, Object.fromEntries([...new URLSearchParams(query)].map(([k, v]) => [k, v])));
    return /fits\/([0-9A-Z]{26})/.exec(response.headers.get('location') ?? '')?.[1] ?? '';
  }
}

/** Runs many at once, so many hands as there are. */
export const together = async (hands, jobs) => {
  const results = [];
  let next = 0;
  await Promise.all(Array.from({ length: hands }, async () => {
    while (next < jobs.length) {
      const mine = next;
      next += 1;
      results[mine] = await jobs[mine]();
    }
  }));
  return results;
};

// Runs the demo as a person would, with bin/demo, on a port, a database and sessions of its own. The demo workshop is made once and
// copied for each file of tests.
import { execFileSync, execSync, spawn } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const sleep = (ms) => new Promise((done) => { setTimeout(done, ms); });
const FOLDER = 'var/browser';
const FIRST_PORT = 8200;
const PORTS_EACH = 20;
/** The demo counts from the day it is loaded. */
const today = () => new Date().toISOString().slice(0, 10);

let taken = 0;
/** A port that no other worker of the run has. */
export const ownPort = () => {
  taken += 1;
  return FIRST_PORT + PORTS_EACH * Number(process.env.TEST_PARALLEL_INDEX ?? 9) + taken;
};

export class Demo {
  /** @param {{ empty?: boolean, port?: number, data?: string }} how an empty one has nobody and nothing in it, as on the first day */
  constructor({ empty = false, port = ownPort(), data = `${FOLDER}/${port}` } = {}) {
    this.port = port;
    this.empty = empty;
    this.data = data;
    this.base = `http://127.0.0.1:${port}`;
    this.env = { ...process.env, NK_PORT: String(port), APP_DATA: data, APP_SESSIONS: `${data}/sessions`, APP_ENV: 'prod' };
    delete this.env.NK_RESET;
    delete this.env.NK_EMPTY;
    if (empty) this.env.NK_EMPTY = '1';
  }

  async start({ reset = true } = {}) {
    if (reset) {
      await this.kill();
      rmSync(`${root}/${this.data}`, { recursive: true, force: true });
      if (!this.empty) cpSync(await template(), `${root}/${this.data}`, { recursive: true });
    }
    return this.up();
  }

  async up() {
    this.output = '';
    this.process = spawn('bin/demo', { cwd: root, env: this.env, detached: true });
    this.process.stdout.on('data', (chunk) => { this.output += chunk; });
    this.process.stderr.on('data', (chunk) => { this.output += chunk; });
    for (let i = 0; i < 1200; i += 1) {
      try {
        if ((await fetch(`${this.base}/sign-in`)).ok) return this;
      } catch { /* not up yet */ }
      if (this.process.exitCode !== null) throw new Error(`bin/demo ended: ${this.output}`);
      await sleep(100);
    }
    throw new Error(`bin/demo did not come up: ${this.output}`);
  }

  /** What a command of the application prints, on this database. */
  console(...args) {
    return execFileSync('php', ['bin/console', ...args], { cwd: root, env: { ...this.env, APP_DEBUG: '0' }, encoding: 'utf8' });
  }

  /** Ends it the hard way, workers and all, as a pulled plug would. */
  async kill() {
    try { execSync(`pkill -9 -f -- '-S 127.0.0.1:${this.port} '`); } catch { /* none left */ }
    try { process.kill(-this.process.pid, 'SIGKILL'); } catch { /* gone */ }
    for (let i = 0; i < 50; i += 1) {
      try { await fetch(`${this.base}/sign-in`); await sleep(100); } catch { return; }
    }
    throw new Error('the server would not die');
  }
}

/** Where the demo workshop lies ready; made by the first who asks, and again when the day is another. */
const template = async () => {
  const folder = `${root}/${FOLDER}/template`;
  const stamp = `${folder}.day`;
  const lock = `${folder}.lock`;
  const isFresh = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === today();
  for (let i = 0; !isFresh(); i += 1) {
    if (i === 2400) throw new Error(`the demo workshop is not made; is “${lock}” left over?`);
    try {
      mkdirSync(lock);
    } catch {
      await sleep(100);
      continue;
    }
    try {
      if (!isFresh()) await make(folder, stamp);
    } finally {
      rmSync(lock, { recursive: true, force: true });
    }
  }
  return folder;
};

const make = async (folder, stamp) => {
  const day = today();
  rmSync(folder, { recursive: true, force: true });
  const demo = new Demo({ data: `${FOLDER}/template` });
  await demo.up();
  await demo.kill();
  writeFileSync(stamp, day);
};

/** Made before the first test, from nothing: what a run of yesterday’s code left is no demo of today’s. */
export default async () => {
  mkdirSync(`${root}/${FOLDER}`, { recursive: true });
  for (const left of ['template', 'template.day', 'template.lock']) rmSync(`${root}/${FOLDER}/${left}`, { recursive: true, force: true });
  await template();
};

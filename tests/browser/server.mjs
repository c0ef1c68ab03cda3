// Runs the demo as a person would, with bin/demo, on a port and a database of its own.
import { execFileSync, spawn } from 'node:child_process';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const sleep = (ms) => new Promise((done) => { setTimeout(done, ms); });

export class Demo {
  /** @param {{ empty?: boolean }} how an empty one has nobody and nothing in it, as on the first day */
  constructor(port, { empty = false } = {}) {
    this.port = port;
    this.empty = empty;
    this.base = `http://127.0.0.1:${port}`;
  }

  async start({ reset = true } = {}) {
    const env = { ...process.env, NK_PORT: String(this.port), APP_DATA: `var/browser-${this.port}`, APP_ENV: 'prod' };
    delete env.NK_RESET;
    if (reset) env.NK_RESET = '1';
    if (this.empty) env.NK_EMPTY = '1';
    this.env = env;
    this.output = '';
    this.process = spawn('bin/demo', { cwd: root, env, detached: true });
    this.process.stdout.on('data', (chunk) => { this.output += chunk; });
    this.process.stderr.on('data', (chunk) => { this.output += chunk; });
    for (let i = 0; i < 600; i += 1) {
      try {
        if ((await fetch(`${this.base}/sign-in`)).ok) return this;
      } catch { /* not up yet */ }
      if (this.process.exitCode !== null) throw new Error(`bin/demo ended: ${this.output}`);
      await sleep(200);
    }
    throw new Error(`bin/demo did not come up: ${this.output}`);
  }

  /** What a command of the application prints, on this database. */
  console(...args) {
    return execFileSync('php', ['bin/console', ...args], { cwd: root, env: { ...this.env, APP_DEBUG: '0' }, encoding: 'utf8' });
  }

  /** Ends it the hard way, workers and all, as a pulled plug would. */
  async kill() {
    const { execSync } = await import('node:child_process');
    try { execSync(`pkill -9 -f -- '-S 127.0.0.1:${this.port} '`); } catch { /* none left */ }
    try { process.kill(-this.process.pid, 'SIGKILL'); } catch { /* gone */ }
    for (let i = 0; i < 50; i += 1) {
      try { await fetch(`${this.base}/sign-in`); await sleep(100); } catch { return; }
    }
    throw new Error('the server would not die');
  }
}

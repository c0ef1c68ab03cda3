// The shipped nginx and php-fpm configuration, started as it is and used.
import { test, expect } from '@playwright/test';
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { signIn, watchConsole } from './hands.mjs';

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const port = 8093;
const base = `http://127.0.0.1:${port}`;
const data = 'var/browser/deploy';
const sessions = 'var/browser/deploy-sessions';
const secure = 'https://127.0.0.1:8444';
const isRoot = userInfo().uid === 0;
let server;
let proxy;
let authority = '';

/** The secure address in front, with the workshop's own authority, by what is shipped. */
const startProxy = () => {
  const dir = mkdtempSync(`${tmpdir()}/nk-tls-`);
  chmodSync(dir, 0o755);
  authority = `${dir}/tls`;
  execFileSync('deploy/authority', [authority, 'yard.test', '127.0.0.1'], { cwd: root, stdio: 'ignore' });
  chmodSync(authority, 0o755);
  const filled = readFileSync(`${root}/deploy/nginx-tls.conf`, 'utf8').replaceAll('NK_TLS', authority).replaceAll('NK_PORT', String(port)).replaceAll('NK_HTTPS', '8444').replaceAll('NK_HTTP', '8445');
  writeFileSync(`${dir}/nginx.conf`, `pid ${dir}/pid; daemon off; error_log ${dir}/error.log; events {}
    http { access_log off; client_body_temp_path ${dir}/b; proxy_temp_path ${dir}/p; fastcgi_temp_path ${dir}/f; uwsgi_temp_path ${dir}/u; scgi_temp_path ${dir}/s;
    ${filled} }`);
  return spawn('nginx', ['-c', `${dir}/nginx.conf`], { detached: true, stdio: 'ignore', env: { ...process.env, PATH: `${process.env.PATH}:/usr/sbin` } });
};

test.beforeAll(async () => {
  test.setTimeout(120_000);
  rmSync(`${root}/${data}`, { recursive: true, force: true });
  const env = { ...process.env, APP_ENV: 'prod', APP_DATA: data, APP_SESSIONS: sessions };
  execFileSync('php', ['bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'], { cwd: root, env });
  execFileSync('php', ['bin/console', 'demo:load', '--no-history'], { cwd: root, env });
  const real = { ...env, NK_PROXIES: '127.0.0.1', NK_NAMES: '^127\\.0\\.0\\.1$', ...(isRoot ? { NK_USER: 'www-data' } : {}) };
  server = spawn('deploy/start', [String(port), data], { cwd: root, env: real, detached: true, stdio: 'ignore' });
  proxy = startProxy();
  for (let i = 0; i < 100; i += 1) {
    try { if ((await fetch(`${base}/sign-in`)).ok) return; } catch { /* not up yet */ }
    await new Promise((done) => { setTimeout(done, 200); });
  }
  throw new Error('nginx and php-fpm did not come up');
});
test.afterAll(() => { for (const one of [server, proxy]) { try { process.kill(-one.pid, 'SIGTERM'); } catch { /* gone */ } } });

test('nginx serves what is public and nothing else', async () => {
  const css = await fetch(`${base}/build/app.css`);
  expect(css.status).toBe(200);
  expect(css.headers.get('cache-control')).toContain('immutable');
  for (const path of ['/index.php', '/.env', '/composer.json', '/build/nothing.css']) {
    expect((await fetch(base + path)).status, path).toBe(404);
  }
  const page = await fetch(`${base}/sign-in`);
  expect(page.headers.get('content-security-policy')).toContain("script-src 'self'");
  expect(page.headers.get('x-powered-by')).toBeNull();
});

test('the workshop’s own authority is given in the clear, all else is secure, and it is trusted by it', async () => {
  const crt = await fetch('http://127.0.0.1:8445/authority.crt');
  expect(await crt.text()).toBe(readFileSync(`${authority}/authority.crt`, 'utf8'));
  const moved = await fetch('http://127.0.0.1:8445/fits?q=a', { redirect: 'manual' });
  expect([moved.status, moved.headers.get('location')]).toEqual([308, 'https://127.0.0.1:8444/fits?q=a']);
  // Trusted by the authority alone, by its address; not by another name.
  const curl = (...args) => spawnSync('curl', ['-sS', '-o', '/dev/null', '-w', '%{http_code}', '--cacert', `${authority}/authority.crt`, ...args], { encoding: 'utf8' });
  expect(curl(`${secure}/sign-in`).stdout).toBe('200');
  expect(curl('--resolve', 'other.test:8444:127.0.0.1', 'https://other.test:8444/sign-in').status).not.toBe(0);
  expect((statSync(`${authority}/authority.key`).mode & 0o077)).toBe(0);
  // Made again, the authority is the same, and so is a certificate that has time left.
  const before = ['authority.crt', 'server.crt'].map((name) => readFileSync(`${authority}/${name}`, 'utf8'));
  execFileSync('deploy/authority', [authority, 'yard.test', '127.0.0.1'], { cwd: root, stdio: 'ignore' });
  expect(['authority.crt', 'server.crt'].map((name) => readFileSync(`${authority}/${name}`, 'utf8'))).toEqual(before);
  expect(spawnSync('deploy/authority', [authority, 'yard test; rm'], { cwd: root }).status).toBe(2);
  const worker = await fetch(`${base}/sw.js`);
  expect([worker.status, worker.headers.get('cache-control')]).toEqual([200, 'no-cache']);
  expect((await fetch(`${base}/build/app.webmanifest`)).headers.get('content-type')).toContain('manifest+json');
});

test('the yard and the bench answer behind it', async ({ page }) => {
  const errors = watchConsole(page);
  await page.goto(`${base}/sign-in`);
  await signIn(page, base, /Joss Wending/);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await expect(page.getByRole('heading', { name: 'Tighten the thermostat housing' })).toBeVisible();
  await page.locator('.thumb .go[data-armed]').click();
  await expect(page.locator('.bolt').nth(2)).toHaveAttribute('aria-label', /Bolt 3, final/);
  expect(errors).toEqual([]);
});

test('a TLS proxy in front: redirects stay on it, the cookie is for it alone, other names are not answered', async ({ browser }) => {
  const page = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage();
  const first = await page.request.get(`${secure}/fits`, { maxRedirects: 0 });
  expect(first.status()).toBe(302);
  expect(new URL(first.headers().location, secure).origin).toBe(secure);
  expect(first.headers()['set-cookie']).toBeUndefined();
  await page.goto(`${secure}/sign-in?to=/kit`);
  await page.getByRole('button', { name: /Joss Wending/ }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Kit', exact: true })).toBeVisible();
  expect(page.url()).toBe(`${secure}/kit`);
  const cookie = (await page.context().cookies()).find((one) => one.name === 'nk');
  expect(cookie.secure).toBe(true);
  expect(cookie.httpOnly).toBe(true);
  const other = spawnSync('curl', ['-s', '-o', '/dev/null', '-w', '%{http_code}', '-H', 'Host: evil.example', `${base}/sign-in`]).stdout.toString();
  expect(other).toBe('400');
  await page.context().close();
});

test('a visitor without a cookie leaves no session behind', async () => {
  const kept = () => readdirSync(`${root}/${sessions}/prod`).length;
  const before = kept();
  for (let i = 0; i < 40; i += 1) await fetch(`${base}/${i % 2 ? 'sign-in' : 'fits'}`, { redirect: 'manual' });
  expect(kept()).toBe(before);
});

test('it never runs as root, and its socket is for the web server alone', async () => {
  test.skip(!isRoot, 'only root can drop');
  const refused = spawnSync('deploy/start', ['8095', data], { cwd: root, env: { ...process.env, NK_USER: 'root' } });
  expect(refused.status).toBe(2);
  expect(refused.stderr.toString()).toContain('does not run as root');
  const sockets = execFileSync('find', ['/tmp', '-maxdepth', '2', '-name', 'fpm.sock']).toString().trim().split('\n');
  expect(statSync(sockets[0]).mode & 0o777).toBe(0o660);
  expect(statSync(`${root}/${data}`).mode & 0o007).toBe(0);
});

test('assets travel compressed', async () => {
  const css = await fetch(`${base}/build/app.css`, { headers: { 'Accept-Encoding': 'gzip' } });
  expect(css.headers.get('content-encoding')).toBe('gzip');
});

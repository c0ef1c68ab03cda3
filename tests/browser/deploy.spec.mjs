// The shipped nginx and php-fpm configuration, started as it is and used.
import { test, expect } from '@playwright/test';
import { execFileSync, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { signIn, watchConsole } from './hands.mjs';

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const port = 8093;
const base = `http://127.0.0.1:${port}`;
const data = 'var/browser-deploy';
let server;

test.beforeAll(async () => {
  test.setTimeout(120_000);
  rmSync(`${root}/${data}`, { recursive: true, force: true });
  const env = { ...process.env, APP_ENV: 'prod', APP_DATA: data };
  execFileSync('php', ['bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'], { cwd: root, env });
  execFileSync('php', ['bin/console', 'demo:load', '--no-history'], { cwd: root, env });
  server = spawn('deploy/start', [String(port), data], { cwd: root, env, detached: true, stdio: 'ignore' });
  for (let i = 0; i < 100; i += 1) {
    try { if ((await fetch(`${base}/sign-in`)).ok) return; } catch { /* not up yet */ }
    await new Promise((done) => { setTimeout(done, 200); });
  }
  throw new Error('nginx and php-fpm did not come up');
});
test.afterAll(() => { try { process.kill(-server.pid, 'SIGTERM'); } catch { /* gone */ } });

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

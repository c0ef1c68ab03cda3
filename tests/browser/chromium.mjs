// Debian’s Chromium, without a window where that is there: it is the same engine and a fifth lighter.
import { existsSync } from 'node:fs';

const SHELL = '/usr/bin/chromium-headless-shell';

export const launchOptions = {
  executablePath: process.env.CHROMIUM ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium'),
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
};

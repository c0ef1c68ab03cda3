// The worker of the page: keeps the shell, the fonts and what is carried, so that the bench opens without the server. It holds no mark:
// those lie with the page. A new version waits until the page says that a step is at its end.
const VERSION = NK_VERSION;
const SHELL = NK_SHELL;
const SHELL_CACHE = `nk-shell-${VERSION}`;
const PAGES = 'nk-pages';
const CARRIED = 'nk-carried';
const OFF_LINE = '/build/off-line.html';
const PATIENCE_MS = 6000;

self.addEventListener('install', (event) => event.waitUntil(caches.open(SHELL_CACHE).then((cache) => cache.addAll(SHELL))));

self.addEventListener('activate', (event) => event.waitUntil((async () => {
  const names = await caches.keys();
  await Promise.all(names.filter((name) => name.startsWith('nk-shell-') && name !== SHELL_CACHE).map((name) => caches.delete(name)));
  await self.clients.claim();
})()));

self.addEventListener('message', (event) => { if (event.data === 'now') self.skipWaiting(); });

/** A page that was kept by an older version asks for the files of then: without the server it gets those of now. */
const fromShell = async (request) => (await caches.match(request)) ?? fetch(request).catch(async () => (await caches.match(request, { ignoreSearch: true })) ?? Response.error());

const patient = (request) => Promise.race([fetch(request), new Promise((_, late) => { setTimeout(() => late(new Error('late')), PATIENCE_MS); })]);

/** Where a page is kept: the bench of a fit is one page, whatever its step. */
const keyOf = (path) => /^\/fits\/[0-9A-Z]{26}\/bench/.exec(path)?.[0] ?? (path === '/' ? '/' : '');

/** What is kept says of itself when it was true. */
const stale = async (kept) => new Response((await kept.text()).replace('<body ', `<body data-stale="${kept.headers.get('date') ?? ''}" `), { headers: kept.headers });

const page = async (request) => {
  const { pathname } = new URL(request.url);
  const key = keyOf(pathname);
  try {
    const answer = await patient(request);
    if (key !== '' && answer.ok && !answer.redirected) (await caches.open(PAGES)).put(key, answer.clone());
    return answer;
  } catch {
    const kept = key === '' ? null : await (await caches.open(PAGES)).match(key);
    return kept ? stale(kept) : (await caches.match(OFF_LINE)) ?? Response.error();
  }
};

const picture = async (request) => {
  const cache = await caches.open(PAGES);
  try {
    const answer = await fetch(request);
    if (answer.ok && !answer.redirected) cache.put(request.url, answer.clone());
    return answer;
  } catch {
    return (await cache.match(request.url)) ?? Response.error();
  }
};

const carried = async (request) => {
  try {
    return await fetch(request);
  } catch {
    return (await (await caches.open(CARRIED)).match(new URL(request.url).pathname)) ?? Response.error();
  }
};

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith('/build/')) event.respondWith(fromShell(request));
  else if (request.mode === 'navigate') event.respondWith(page(request));
  else if (/\/photos\/[0-9A-Z]{26}\.jpg$/.test(url.pathname)) event.respondWith(picture(request));
  else if (url.pathname.endsWith('/carry') && !url.search) event.respondWith(carried(request));
});

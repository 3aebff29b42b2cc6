// Keeps the stove's pages and all scripts on the station, so that a reload while the server is away
// still shows the batch. Pages come from the server whenever it answers.
const PAGES = 'panache-pages-2';
const PARTS = 'panache-parts-1';
const AWAY = 'panache-away-1';
/** Shown for a page nobody has kept: says that the server is away, and tries again. */
const AWAY_PAGE = '/away.html';
const AWAY_PARTS = [AWAY_PAGE, '/away.js', '/away.css'];
const KEPT = /^\/(stove|check|fix)(\/|$)/;
const MOST_PAGES = 30;
const MOST_PARTS = 400;

self.addEventListener('install', (event) => {
  self.skipWaiting();
  event.waitUntil(caches.open(AWAY).then((cache) => cache.addAll(AWAY_PARTS)));
});
self.addEventListener('activate', (event) => {
  const current = new Set([PAGES, PARTS, AWAY]);
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (!current.has(name)) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

const keep = async (cache, request, response) => {
  if (response.ok) await (await caches.open(cache)).put(request, response.clone());
  return response;
};

/** What is kept of a page, whatever stood after its question mark last: a batch is the same. */
const known = (request) => caches.match(request, { ignoreVary: true, cacheName: PAGES });

async function page(request) {
  const keeps = KEPT.test(new URL(request.url).pathname);
  try {
    const response = await fetch(request);
    // The server is there and its database is not: the page as it was is more use than an error.
    if (response.status >= 500) return (keeps && (await known(request))) || response;
    if (!keeps) return response;
    const kept = await keep(PAGES, request, response);
    const cache = await caches.open(PAGES);
    const [...keys] = await cache.keys();
    for (const old of keys.slice(0, Math.max(0, keys.length - MOST_PAGES))) await cache.delete(old);
    return kept;
  } catch (error) {
    const instead = (keeps && (await known(request))) || (await caches.match(AWAY_PAGE));
    if (instead) return instead;
    throw error;
  }
}

/** Scripts and fonts carry their content in their name: what is kept is right. */
async function part(request) {
  const known = await caches.match(request);
  if (known) return known;
  const cache = await caches.open(PARTS);
  const keys = await cache.keys();
  for (const old of keys.slice(0, Math.max(0, keys.length - MOST_PARTS))) await cache.delete(old);
  return keep(PARTS, request, await fetch(request));
}

/** What keeps its name from build to build. */
const newest = (request) =>
  fetch(request).then(
    (response) => keep(PARTS, request, response),
    async (error) => (await caches.match(request)) ?? Promise.reject(error),
  );

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  // A page's own worker reads its orders from its address, which an answer from here would lose.
  if (request.destination === 'worker') return;
  if (request.mode === 'navigate') event.respondWith(page(request));
  else if (url.pathname.startsWith('/_next/static/')) event.respondWith(part(request));
  else if (url.pathname === '/theme.js' || AWAY_PARTS.includes(url.pathname))
    event.respondWith(newest(request));
});

// The page that was open before this worker came hands over what it had loaded.
self.addEventListener('message', (event) => {
  const { page: address, parts } = event.data ?? {};
  if (!Array.isArray(parts)) return;
  event.waitUntil(
    (async () => {
      if (typeof address === 'string' && KEPT.test(new URL(address).pathname)) {
        const request = new Request(address);
        await keep(PAGES, request, await fetch(request)).catch(() => {});
      }
      for (const url of parts) {
        const request = new Request(url);
        if (!(await caches.match(request)))
          await fetch(request)
            .then((r) => keep(PARTS, request, r))
            .catch(() => {});
      }
    })(),
  );
});

/**
 * Lets the bench be opened without a network: the application's files, and the cards that were open, as they were last seen.
 * Whatever the network answers comes first; nothing that changes something passes through here.
 */
const FILES = 'restis-files';
const SEEN = 'restis-seen';
const KEPT = /^\/api\/(session|plan\/waiting|stock\/devices|bench\/(waiting|in-work|pieces\/\d+))$/;
/** More cards than a day has, and more files than one version of the application. */
const MOST = 400;

self.addEventListener('install', (event) => event.waitUntil(self.skipWaiting()));
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

const good = (response) => response?.ok && response.type === 'basic';

async function fromNetwork(request, cacheName, key) {
  const cache = await caches.open(cacheName);
  try {
    const response = await fetch(request);
    if (good(response)) {
      await cache.put(key, response.clone());
      const keys = await cache.keys();
      await Promise.all(keys.slice(0, Math.max(0, keys.length - MOST)).map((old) => cache.delete(old)));
    }
    return response;
  } catch (error) {
    const known = await cache.match(key);
    if (known) return known;
    throw error;
  }
}

async function file(request) {
  const cache = await caches.open(FILES);
  const known = await cache.match(request);
  return known ?? fromNetwork(request, FILES, request);
}

/** Whoever signs out leaves no cards behind; what they did and was not sent stays with the page. */
async function signedOut(request) {
  const response = await fetch(request);
  await caches.delete(SEEN);
  return response;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (request.method === 'POST' && url.pathname === '/api/sign-out') {
    event.respondWith(signedOut(request));
  } else if (request.method !== 'GET') {
    return;
  } else if (request.mode === 'navigate') {
    event.respondWith(fromNetwork(request, FILES, '/'));
  } else if (url.pathname.startsWith('/assets/')) {
    event.respondWith(file(request));
  } else if (KEPT.test(url.pathname)) {
    event.respondWith(fromNetwork(request, SEEN, request));
  }
});

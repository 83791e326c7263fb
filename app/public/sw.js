// Keeps the program on the device: the shell and every chunk are stored when a build is first seen, and served
// from there. Data never goes through here: the app keeps its own.
const BUILD = '__BUILD__';
const CACHE = `shell-${BUILD}`;
const FILES = '__FILES__';

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll(FILES))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  const old = (name) => name.startsWith('shell-') && name !== CACHE;
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter(old).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  const ours = url.origin === location.origin && event.request.method === 'GET';
  if (!ours || url.pathname.startsWith('/api/') || /^\/(healthz|readyz)$/.test(url.pathname)) return;
  if (event.request.mode === 'navigate') {
    // The newest shell when the server answers, the stored one when it does not.
    event.respondWith(fetch(event.request).catch(() => caches.match('/index.html')));
    return;
  }
  event.respondWith(caches.match(event.request).then((kept) => kept ?? fetch(event.request)));
});

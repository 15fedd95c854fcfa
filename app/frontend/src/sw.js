// The server answers where it can; without it, what it said last of outings, their field pages and sheets is shown.
const KEPT = "half-dusk-outings-1";
const ASSETS = "half-dusk-assets-1";
const MOST = 30;
const readable = (url) => /^\/outings(\/\d+(\/(field|sheet))?)?$/.test(url.pathname);
const asset = (url) => url.pathname.startsWith("/assets/");

self.addEventListener("install", (e) => {
  self.skipWaiting();
  e.waitUntil(caches.open(ASSETS).then((cache) => cache.addAll(["/assets/app.css", "/assets/htmx.js", "/assets/half-dusk.js", "/assets/field.js", "/assets/outbox.js", "/assets/icon.svg", "/assets/offline.js", "/assets/workspace.js"])));
});
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

const keep = async (request, response) => {
  const cache = await caches.open(asset(new URL(request.url)) ? ASSETS : KEPT);
  await cache.delete(request, { ignoreSearch: true });
  await cache.put(request, response);
  if (cache.keys) {
    const keys = await cache.keys();
    if (!asset(new URL(request.url)) && keys.length > MOST) await cache.delete(keys[0]);
  }
};

const gone = () => new Response("<!DOCTYPE html><html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\"><title>No server · Half Dusk</title><link rel=\"stylesheet\" href=\"/assets/app.css\"></head><body><main class=\"px-6 py-4\"><h1>The server does not answer</h1><p>Outings that were opened on this device before can still be read: go back to them. What is changed meanwhile cannot be kept.</p></main></body></html>", { status: 503, headers: { "Content-Type": "text/html;charset=UTF-8" } });

self.addEventListener("fetch", (e) => {
  const url = new URL(e.request.url);
  if (e.request.method !== "GET" || url.origin !== self.location.origin) {
    if (e.request.mode === "navigate") e.respondWith(fetch(e.request).catch(gone));
    return;
  }
  if (!asset(url) && e.request.mode !== "navigate") return;
  e.respondWith((async () => {
    try {
      const response = await fetch(e.request);
      if (response.ok && !response.redirected && (asset(url) || readable(url))) e.waitUntil(keep(e.request, response.clone()));
      return response;
    } catch {
      return (await caches.match(e.request, { ignoreSearch: true })) ?? gone();
    }
  })());
});

// Lets Lowfell open while its host or the network is away: the page and all it is made of, as they were last served. What the page shows
// it keeps itself; what it asks of the API goes through untouched.
const files = [];
const version = "";
const shell = "/";
const name = `lowfell ${version}`;

self.addEventListener("install", (event) => event.waitUntil(caches.open(name).then((c) => c.addAll([shell, ...files]))));

self.addEventListener("activate", (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((all) => Promise.all(all.filter((n) => n.startsWith("lowfell ") && n !== name).map((n) => caches.delete(n))))
      .then(() => self.clients.claim()),
  ),
);

// The page has asked the painter: the newer one takes over. A page that may be of this very build asks for its files first.
self.addEventListener("message", (event) => {
  if (event.data === "take over") self.skipWaiting();
  if (event.data === "files") event.ports[0].postMessage(files);
});

// The page is asked for anew each time, as it bears a nonce; the last one stands in, with its own headers.
async function page(request) {
  const cache = await caches.open(name);
  try {
    const answer = await fetch(request);
    if (answer.ok && (answer.headers.get("content-type") ?? "").includes("text/html")) await cache.put(shell, answer.clone());
    if (answer.status < 500) return answer;
    return (await cache.match(shell)) ?? answer;
  } catch (error) {
    const last = await cache.match(shell);
    if (last) return last;
    throw error;
  }
}

// What is named by what it holds never changes; the page may be newer than this worker, and have its files from the next one.
const file = async (request) => (await caches.match(request)) ?? fetch(request);

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin || url.pathname.startsWith("/api")) return;
  if (request.mode === "navigate") event.respondWith(page(request));
  else if (url.pathname.startsWith("/assets/") || files.includes(url.pathname)) event.respondWith(file(request));
});

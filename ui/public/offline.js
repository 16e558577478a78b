// Keeps the interface, with the pictures that belong to it, so that it opens without a connection.
// A browser compares this script and parts.js with those it has: another build
// is taken as a whole, and the old one goes when the new one is complete.
importScripts("/parts.js"); // self.build, self.parts

const shelf = `acorn-step-${self.build}`;
/** The moves of the hands, which a page may keep before this script has taken it over. */
const album = "acorn-step-pictures";
const others = ["/acorn.svg", "/app.webmanifest"];

self.addEventListener("install", (event) =>
  event.waitUntil(
    caches
      .open(shelf)
      .then((cache) => cache.addAll(["/", ...others, ...self.parts]))
      .then(() => self.skipWaiting()),
  ),
);

self.addEventListener("activate", (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((n) => n !== shelf && n !== album).map((n) => caches.delete(n))))
      .then(() => self.clients.claim()),
  ),
);

/** How long a page may take before the kept one opens: a network without the program answers nothing, in ms. */
const patience = 4000;

/** page answers an address with the page from the network, or with the one page that every address shares. */
const page = async (request) => {
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(patience) });
    if (answer.status < 500) {
      return answer;
    }
    return (await caches.match("/")) ?? answer;
  } catch (error) {
    const kept = await caches.match("/");
    if (kept) {
      return kept;
    }
    throw error;
  }
};

/** part answers with what never changes under its name. */
const part = async (request) => (await caches.match(request)) ?? fetch(request);

/** pictures answers with the moves of the hands: the same for everybody, and as large as the interface. */
const pictures = async (request) => {
  try {
    const answer = await fetch(request);
    if (answer.ok) {
      await (await caches.open(album)).put(request.url, answer.clone());
    }
    return answer;
  } catch (error) {
    const kept = await caches.match(request.url, { ignoreVary: true });
    if (kept) {
      return kept;
    }
    throw error;
  }
};

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method === "GET" && url.origin === self.location.origin && url.pathname === "/api/hands") {
    event.respondWith(pictures(request));
    return;
  }
  if (request.method !== "GET" || url.origin !== self.location.origin || url.pathname.startsWith("/api/")) {
    return;
  }
  if (request.mode === "navigate") {
    event.respondWith(page(request));
  } else if (url.pathname.startsWith("/assets/") || others.includes(url.pathname)) {
    event.respondWith(part(request));
  }
});

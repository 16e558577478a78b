// Keeps what the screens need, so that knitting mode opens and counts without
// a connection. The network always comes first for pages: a new version shows at once.
const shelf = "acorn-step-1";

/** keep puts addresses on the shelf that are not there yet; what cannot be had is left out. */
const keep = async (addresses) => {
  const cache = await caches.open(shelf);
  await Promise.all(
    addresses.map(async (address) => {
      if (!(await cache.match(address))) {
        const answer = await fetch(address).catch(() => undefined);
        if (answer?.ok) {
          await cache.put(address, answer);
        }
      }
    }),
  );
};

self.addEventListener("install", (event) => {
  self.skipWaiting();
  event.waitUntil(keep(["/"]));
});

// A screen tells what it was made of, since it was there before this script.
self.addEventListener("message", (event) => {
  const addresses = event.data?.keep;
  if (Array.isArray(addresses)) {
    event.waitUntil(keep(addresses.filter((a) => new URL(a, self.location).origin === self.location.origin)));
  }
});
self.addEventListener("activate", (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((n) => n !== shelf).map((n) => caches.delete(n))))
      .then(() => self.clients.claim()),
  ),
);

const kept = async (request, answer) => {
  if (answer.ok) {
    await (await caches.open(shelf)).put(request, answer.clone());
  }
  return answer;
};

/** page answers an address with the page from the network, or the one page that every address shares. */
const page = async (request) => {
  try {
    return await kept("/", await fetch(request));
  } catch (error) {
    const before = await caches.match("/");
    if (before) {
      return before;
    }
    throw error;
  }
};

/** part answers with a script, style or font that never changes under its name. */
const part = async (request) => (await caches.match(request)) ?? kept(request, await fetch(request));

/** question keeps the last answer to a few questions that the frame asks. */
const question = async (request) => {
  try {
    return await kept(request, await fetch(request));
  } catch (error) {
    const before = await caches.match(request);
    if (before) {
      return before;
    }
    throw error;
  }
};

const asked = ["/api/session", "/api/reference"];

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin) {
    return;
  }
  if (request.mode === "navigate") {
    event.respondWith(page(request));
  } else if (url.pathname.startsWith("/assets/") || /\.(svg|jpg|webmanifest)$/.test(url.pathname)) {
    event.respondWith(part(request));
  } else if (asked.includes(url.pathname)) {
    event.respondWith(question(request));
  }
});

/**
 * The service worker of the page for bringing in: takes what other programs share, and keeps that one page so that it opens
 * without a connection. It keeps nothing else, so that nobody sees an old Hobbin.
 */
const SHELL = "hobbin-bring-1";
const SHARED = "hobbin-shared";

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith("hobbin-bring-") && name !== SHELL) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  if (url.origin !== self.location.origin) return;
  if (event.request.method === "POST" && url.pathname === "/bring/shared")
    event.respondWith(takeShared(event.request));
  else if (event.request.method !== "GET") return;
  else if (url.pathname === "/bring") event.respondWith(openBring(event.request));
  else if (url.pathname.startsWith("/_next/static/") || url.pathname.startsWith("/fonts/"))
    event.respondWith(keptFirst(event.request));
});

/** What is shared goes to the page as its address; a file is put aside for it. */
async function takeShared(request) {
  const form = await request.formData();
  const query = new URLSearchParams();
  for (const name of ["title", "text", "url"]) if (form.get(name)) query.set(name, form.get(name));
  const file = form.get("file");
  if (file && file.size) {
    const cache = await caches.open(SHARED);
    await cache.put(
      "/shared",
      new Response(file, {
        headers: { "x-name": encodeURIComponent(file.name || "shared"), "content-type": file.type },
      }),
    );
  }
  return Response.redirect(`/bring?${query}`, 303);
}

async function openBring(request) {
  const cache = await caches.open(SHELL);
  try {
    const answer = await fetch(request);
    if (answer.ok && !answer.redirected) await cache.put("/bring", answer.clone());
    return answer;
  } catch {
    return (await cache.match("/bring")) ?? Response.error();
  }
}

/** Files that never change under their name. */
async function keptFirst(request) {
  const cache = await caches.open(SHELL);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await cache.put(request, answer.clone());
  return answer;
}

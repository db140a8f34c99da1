// Keeps the shop's page at hand when the barn has no signal.
const stall = "storefront-stall-2";
const kept = ["./", "style.css", "app.js", "shop.json", "boxes/boxes.json", "pictures/stamp-192.png"];

self.addEventListener("install", (event) => {
  event.waitUntil(caches.open(stall).then((cache) => cache.addAll(kept)));
});

self.addEventListener("fetch", (event) => {
  event.respondWith(fetch(event.request).catch(() => caches.match(event.request)));
});

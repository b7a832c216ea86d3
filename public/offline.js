/* Keeps items that were opened, so that they open again while the server is away; what is typed is kept by the page itself. */
const PAGES = 'attic-pages-1';
const ASSETS = 'attic-assets-1';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('message', (event) => {
    if (event.data === 'forget') event.waitUntil(caches.delete(PAGES));
});

self.addEventListener('fetch', (event) => {
    const url = new URL(event.request.url);
    if (event.request.method !== 'GET' || url.origin !== location.origin) return;
    if (url.pathname.startsWith('/build/') || url.pathname === '/mark.svg') {
        event.respondWith(asset(event.request));
    } else if (/^\/items\/[a-z0-9]+$/.test(url.pathname) && event.request.mode === 'navigate') {
        event.respondWith(page(event.request));
    } else if (/^\/items\/[a-z0-9]+\/pictures\//.test(url.pathname)) {
        event.respondWith(asset(event.request));
    }
});

async function asset(request) {
    const cache = await caches.open(request.url.includes('/pictures/') ? PAGES : ASSETS);
    const held = await cache.match(request);
    if (held) return held;
    const response = await fetch(request);
    if (response.ok) await cache.put(request, response.clone());
    return response;
}

async function page(request) {
    const cache = await caches.open(PAGES);
    try {
        const response = await fetch(request);
        if (response.ok && !response.redirected) await cache.put(request, response.clone());
        return response;
    } catch (error) {
        const held = await cache.match(request, { ignoreSearch: true });
        if (held) return held;
        throw error;
    }
}

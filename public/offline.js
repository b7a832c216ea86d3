/*
 * Keeps items that were opened, so that they open again while the server is away: each sealed (AES-GCM) under the key of the
 * person whom it was opened for. What is typed is kept by the page itself.
 */
const PAGES = 'attic-pages-2';
const ASSETS = 'attic-assets-3';
const AWAY = ['/away.html', '/away.css', '/away.js'];
/** Pages that came and wait for the word of the page itself, for whom they are to be kept. */
const came = new Map();

self.addEventListener('install', (event) => {
    self.skipWaiting();
    event.waitUntil(caches.open(ASSETS).then((cache) => cache.addAll(AWAY)));
});
self.addEventListener('activate', (event) => event.waitUntil((async () => {
    for (const name of await caches.keys()) if (name !== PAGES && name !== ASSETS) await caches.delete(name);
    await self.clients.claim();
})()));
self.addEventListener('message', (event) => {
    if (event.data.forget) event.waitUntil(forget());
    else if (event.data.keep) event.waitUntil(keep(event.data));
});

self.addEventListener('fetch', (event) => {
    const url = new URL(event.request.url);
    if (event.request.method !== 'GET' || url.origin !== location.origin) return;
    if (url.pathname.startsWith('/build/') || url.pathname === '/mark.svg' || AWAY.includes(url.pathname)) {
        event.respondWith(asset(event.request));
    } else if (/^\/items\/[a-z0-9]+$/.test(url.pathname) && event.request.mode === 'navigate') {
        event.respondWith(page(event.request, url.origin + url.pathname));
    } else if (url.pathname === '/sign-in' && event.request.mode === 'navigate') {
        // The session ended.
        event.waitUntil(forget());
    }
});

async function forget() {
    came.clear();
    await caches.delete(PAGES);
}

async function asset(request) {
    const cache = await caches.open(ASSETS);
    const held = await cache.match(request);
    if (held) return held;
    const response = await fetch(request);
    if (response.ok) await cache.put(request, response.clone());
    return response;
}

async function page(request, address) {
    const cache = await caches.open(PAGES);
    let response;
    try {
        response = await fetch(request);
    } catch (error) {
        const held = await cache.match(address);
        const away = await (await caches.open(ASSETS)).match('/away.html');
        if (!held || !away) throw error;
        return new Response(await away.text(), { headers: { 'Content-Type': 'text/html; charset=utf-8', 'Content-Security-Policy': held.headers.get('Content-Security-Policy') ?? "default-src 'self'" } });
    }
    if (response.ok && !response.redirected) {
        came.set(address, response.clone());
        if (came.size > 4) came.delete(came.keys().next().value);
    } else if (response.redirected || [401, 419].includes(response.status)) {
        await forget();
    } else {
        // Whoever may not see it any more does not see it here either.
        await cache.delete(address);
    }
    return response;
}

/** @param {{keep: string, key: string, id: string}} wish */
async function keep({ keep: address, key, id }) {
    const whose = await (await caches.open(PAGES)).match('/whose');
    if (!whose || (await whose.text()) !== id) {
        // Somebody else sits here now.
        await caches.delete(PAGES);
        await (await caches.open(PAGES)).put('/whose', new Response(id));
    }
    const response = came.get(address);
    if (!response) return;
    came.delete(address);
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const secret = await crypto.subtle.importKey('raw', Uint8Array.from(atob(key), (sign) => sign.charCodeAt(0)), 'AES-GCM', false, ['encrypt']);
    const sealed = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, secret, await response.arrayBuffer());
    const headers = { 'Content-Type': 'application/octet-stream', 'Content-Security-Policy': response.headers.get('Content-Security-Policy') ?? '' };
    await (await caches.open(PAGES)).put(address, new Response(new Blob([iv, sealed]), { headers }));
}

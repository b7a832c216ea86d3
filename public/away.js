/* Opens what the worker kept of this address, if this tab has the key of whom it was kept for. */
(async () => {
    const key = sessionStorage.getItem('attic:key');
    const held = await (await caches.open('attic-pages-2')).match(location.origin + location.pathname);
    if (!key || !held) return;
    const bytes = new Uint8Array(await held.arrayBuffer());
    const secret = await crypto.subtle.importKey('raw', Uint8Array.from(atob(key), (sign) => sign.charCodeAt(0)), 'AES-GCM', false, ['decrypt']);
    const opened = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: bytes.subarray(0, 12) }, secret, bytes.subarray(12));
    document.open();
    document.write(new TextDecoder().decode(opened));
    document.close();
})().catch(() => {});

import { onlineManager } from '@tanstack/react-query';
import { PICTURES, STUDIO } from './caches';

/** Begins to keep in the browser what Draw needs to go on without the network; where the browser cannot, the studio needs the network. */
export function keepOffline() {
    // A page that is opened without the network is told of no change.
    onlineManager.setOnline(navigator.onLine);
    if (import.meta.env.PROD && 'serviceWorker' in navigator) {
        void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
    }
}

/** What one artist has seen is not kept for the next. */
export async function forgetOffline() {
    if (!('caches' in globalThis)) return;
    await Promise.all([STUDIO, PICTURES].map((name) => caches.delete(name)));
}

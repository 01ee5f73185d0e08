/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst, type StrategyOptions } from 'workbox-strategies';
import { PAGES, PICTURES, STUDIO } from './api/caches';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] };

/** After so long without an answer what was kept is shown, seconds. */
const PATIENCE = 20;

/** Photos in their views, drawings and maps of some pieces. */
const MOST_PICTURES = 120;
const MOST_ANSWERS = 200;

void self.skipWaiting();
clientsClaim();

// The application itself.
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);

/** Every page is the same document, and finds its own way. */
const onePage: StrategyOptions['plugins'] = [{ cacheKeyWillBeUsed: () => Promise.resolve('/') }];
registerRoute(
    new NavigationRoute(new NetworkFirst({ cacheName: PAGES, networkTimeoutSeconds: PATIENCE, plugins: onePage }), {
        denylist: [/^\/api\//],
    }),
);

// Pictures are named anew when they change.
registerRoute(
    ({ url }) => /^\/api\/(references\/.+\/photos\/|pieces\/.+\.png$|pieces\/.+\/drawing\/photos\/)/.test(url.pathname),
    new CacheFirst({ cacheName: PICTURES, plugins: [new ExpirationPlugin({ maxEntries: MOST_PICTURES })] }),
);

// What is known of pieces, pencils and papers: as it was last seen, where the network is away.
registerRoute(
    ({ url }) =>
        /^\/api\/(session|papers|pieces(\/\w+(\/(plan|parts|look|drawing(\/replans)?))?)?|pencils)$/.test(url.pathname),
    new NetworkFirst({
        cacheName: STUDIO,
        networkTimeoutSeconds: PATIENCE,
        plugins: [new ExpirationPlugin({ maxEntries: MOST_ANSWERS })],
    }),
);

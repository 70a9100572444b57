/** Keeps the whole app on the phone from the first visit on, so that it opens and works without a signal. */
import { clientsClaim } from 'workbox-core';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: { __WB_MANIFEST: (PrecacheEntry | string)[]; skipWaiting: () => Promise<void> };

void self.skipWaiting();
clientsClaim();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//, /^\/(healthz|readyz|metrics)/] }));

/** The page without a server: its files from the first visit on, and what is unsent when the network is back. */
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { OUTBOX_TAG } from './data/background-sync';
import { sendAll } from './data/outbox';

/** What a service worker has around it, as far as it is used here. */
interface Surroundings {
  readonly __WB_MANIFEST: { url: string; revision: string | null }[];
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(
    kind: string,
    on: (event: { tag?: string; waitUntil(work: Promise<unknown>): void }) => void,
  ): void;
}
declare const self: Surroundings;

// A new version takes over at once: the page’s pieces belong together.
void self.skipWaiting();
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/api\//, /^\/health/, /^\/schemas\//, /^\/metrics/, /^\/trust/],
  }),
);

self.addEventListener('sync', (event) => {
  if (event.tag !== OUTBOX_TAG) return;
  event.waitUntil(
    sendAll().then((reach) => {
      // Thrown, the browser comes back to it later.
      if (reach !== 'reached') throw new Error(reach);
    }),
  );
});

import { Serwist, type PrecacheEntry, type SerwistPlugin } from "serwist";

declare const self: ServiceWorkerGlobalScope;
/** Every page and file of this build; the build puts it here (scripts/offline.mjs). */
declare const PRECACHE: PrecacheEntry[];

/** A worker is told by its own address, behind "#", what it is to load: a stored answer would say another address. */
const workers: SerwistPlugin = {
  cachedResponseWillBeUsed: ({ cachedResponse, event }) => {
    const asked = event instanceof FetchEvent ? event.request.destination : "";
    return Promise.resolve(
      cachedResponse && asked === "worker"
        ? new Response(cachedResponse.body, { headers: cachedResponse.headers })
        : cachedResponse,
    );
  },
};

// The new one waits until the person asks for it: never in the middle of an edit. Files are found by their address.
const keeper = new Serwist({
  precacheEntries: PRECACHE,
  precacheOptions: { plugins: [workers], cleanupOutdatedCaches: true },
  skipWaiting: false,
  clientsClaim: true,
});

/** The page that a request asks for: what its address says behind "?" is the page's own. */
function pageOf(request: Request): string | null {
  const { origin, pathname } = new URL(request.url);
  return request.mode === "navigate" && origin === self.location.origin && keeper.getPrecacheKeyForUrl(pathname)
    ? pathname
    : null;
}

keeper.registerCapture(
  ({ request }) => pageOf(request) !== null,
  async ({ request }) => (await keeper.matchPrecache(pageOf(request)!)) ?? fetch(request),
);
keeper.addEventListeners();

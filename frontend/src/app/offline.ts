// The service worker: keeps the application's own files, so that it opens while its server is away.
// Nothing of a study is kept here: what waits to be sent lies with its page.
import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute, setCatchHandler } from "workbox-routing";
import { NetworkOnly } from "workbox-strategies";

/** Every file of the pages, put in when they are built: most have their content in their name. */
declare const FILES: (string | { url: string; revision: string })[];

const PAGE = "/index.html";
/** A server that doesn't answer by then is away. */
const PATIENCE_S = 4;

(self as unknown as { skipWaiting: () => void }).skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute(FILES, { directoryIndex: "" });
// The page itself from the server while it answers: a new version is there at once.
registerRoute(new NavigationRoute(new NetworkOnly({ networkTimeoutSeconds: PATIENCE_S })));
setCatchHandler(async ({ request }) =>
  request.mode === "navigate"
    ? ((await matchPrecache(PAGE)) ?? Response.error())
    : Response.error(),
);

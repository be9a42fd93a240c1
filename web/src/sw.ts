/// <reference lib="webworker" />
// Serves the application without the network: its own files from what was stored when this version came, pictures from
// this device's shelf. Everything the server knows goes past it; the page itself keeps answers.
import { openDB } from "idb";
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | { url: string; revision: string | null })[] };

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL("/index.html"), { denylist: [/^\/(api|hubs|health|openapi|trust)\b/] }),
);

async function picture(request: Request, hash: string): Promise<Response> {
  try {
    const db = await openDB("draklo");
    const row = db.objectStoreNames.contains("pictures")
      ? ((await db.get("pictures", hash)) as { picture: Blob } | undefined)
      : undefined;
    db.close();
    if (row) return new Response(row.picture, { headers: { "content-type": row.picture.type } });
  } catch {
    // Then the server has it, or nobody.
  }
  return fetch(request);
}

registerRoute(
  ({ url }) => /^\/api\/pictures\/[0-9a-f]{64}$/.test(url.pathname),
  ({ request, url }) => picture(request, url.pathname.split("/").at(-1) ?? ""),
);

// A newer version waits until somebody takes it: nothing changes in the middle of work.
self.addEventListener("message", (event) => {
  if ((event.data as { type?: string } | null)?.type === "take") void self.skipWaiting();
});
// The first version looks after the page that brought it.
self.addEventListener("activate", (event) => {
  event.waitUntil(self.clients.claim());
});

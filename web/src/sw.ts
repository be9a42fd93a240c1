/// <reference lib="webworker" />
// Serves the application without the network: its own files from what was stored when this version came, the core from
// what was stored once the server had built it, pictures from this device's shelf. Everything the server knows goes past
// it; the page itself keeps answers.
import { openDB } from "idb";
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | { url: string; revision: string | null })[] };

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL("/index.html"), { denylist: [/^\/(api|hubs|health|openapi|trust)\b/] }),
);

// The core for the browser is built after the server serves: it is stored when it is there, all of it or none, and only
// the one that was built with these screens.
const build = import.meta.env["VITE_DRAKLO_BUILD"] as string | undefined;
const coreStore = `draklo-core-${build ?? "unbuilt"}`;
const coreList = "/core/files.json";

interface CoreFiles {
  build: string;
  files: { url: string; sha256: string }[];
}

async function hasCore(): Promise<boolean> {
  return (await caches.open(coreStore).then((store) => store.match(coreList))) !== undefined;
}

/** Stores the core; false where the server has none yet, or that of another version. Rejects when a file does not come. */
async function takeCore(): Promise<boolean> {
  if (await hasCore()) return true;
  const answer = await fetch(coreList, { cache: "no-store" });
  if (!answer.ok) return false;
  const list = (await answer.clone().json()) as CoreFiles;
  if (list.build !== build) return false;
  const store = await caches.open(coreStore);
  for (const { url } of list.files)
    if (!(await store.match(url))) {
      const file = await fetch(url, { cache: "no-cache" });
      if (!file.ok) throw new Error(`${url}: ${file.status}`);
      await store.put(url, file);
    }
  // The list comes last: where it lies, all that it names does.
  await store.put(coreList, answer);
  return true;
}

async function coreFile(request: Request): Promise<Response> {
  const stored = (await hasCore()) ? await (await caches.open(coreStore)).match(request) : undefined;
  return stored ?? fetch(request);
}

registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith("/core/") && url.pathname !== coreList,
  ({ request }) => coreFile(request),
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

self.addEventListener("install", (event) => {
  // A version whose core is there comes with it, or not at all.
  event.waitUntil(takeCore());
});
// A page asks for two things: a newer version to be taken (it waits until then, so that nothing changes in the middle of
// work), and the core, once the server has it; it is answered whether all of the core is on the device.
self.addEventListener("message", (event) => {
  const { type } = (event.data ?? {}) as { type?: string };
  if (type === "take") void self.skipWaiting();
  if (type === "core")
    event.waitUntil(
      takeCore()
        .catch(() => false)
        .then((isHere) => {
          event.ports[0]?.postMessage(isHere);
        }),
    );
});
async function dropOtherCores(): Promise<void> {
  const old = (await caches.keys()).filter((name) => name.startsWith("draklo-core-") && name !== coreStore);
  await Promise.all(old.map((name) => caches.delete(name)));
}
// The first version looks after the page that brought it.
self.addEventListener("activate", (event) => {
  event.waitUntil(Promise.all([dropOtherCores(), self.clients.claim()]));
});

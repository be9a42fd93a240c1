import { create } from "zustand";

/** A newer version of the application that is here and waits to be taken; null for none. */
export const useUpdate = create<{ waiting: ServiceWorker | null }>(() => ({ waiting: null }));

const lookEveryMs = 30 * 60_000;
let taking = false;

/** Has the application stored on this device, and watches for newer versions. */
export async function storeApplication(): Promise<void> {
  if (!("serviceWorker" in navigator) || !import.meta.env.PROD) return;
  try {
    const registration = await navigator.serviceWorker.register("/sw.js");
    const watch = () => {
      const { waiting } = registration;
      if (waiting && navigator.serviceWorker.controller) useUpdate.setState({ waiting });
    };
    watch();
    registration.addEventListener("updatefound", () => {
      registration.installing?.addEventListener("statechange", watch);
    });
    navigator.serviceWorker.addEventListener("controllerchange", () => {
      if (taking) window.location.reload();
    });
    setInterval(() => void registration.update().catch(() => undefined), lookEveryMs);
  } catch {
    // Without it the application needs the network; it says so where it matters.
  }
}

/** Takes the newer version; the page opens again on it. */
export function takeUpdate(): void {
  taking = true;
  useUpdate.getState().waiting?.postMessage({ type: "take" });
}

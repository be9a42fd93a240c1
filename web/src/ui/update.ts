import { create } from "zustand";

interface Stored {
  /** A newer version of the application that is here and waits to be taken; null for none. */
  waiting: ServiceWorker | null;
  /**
   * Whether this device holds the core, with which plans are worked out without the server: "coming" until the server
   * has built it and all of it is stored; "never" in a browser that stores no application.
   */
  core: "looking" | "coming" | "here" | "never";
}

/** What this device has stored of the application. */
export const useUpdate = create<Stored>(() => ({ waiting: null, core: "looking" }));

const lookEveryMs = 30 * 60_000;
const coreEveryMs = 5_000;
let taking = false;
let storing: Promise<void> | undefined;

/** Has the application stored on this device, and watches for newer versions; once is enough, and asking again is free. */
export function storeApplication(): Promise<void> {
  return (storing ??= store());
}

async function store(): Promise<void> {
  if (!("serviceWorker" in navigator) || !import.meta.env.PROD) {
    useUpdate.setState({ core: "never" });
    return;
  }
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
    await storeCore((await navigator.serviceWorker.ready).active);
  } catch {
    // Without it the application needs the network; it says so where it matters.
    useUpdate.setState({ core: "never" });
  }
}

/** Asks for the core to be stored, again and again until all of it is. */
async function storeCore(worker: ServiceWorker | null): Promise<void> {
  while (worker) {
    if (await isCoreStored(worker)) {
      useUpdate.setState({ core: "here" });
      document.documentElement.dataset["core"] = "here";
      return;
    }
    useUpdate.setState({ core: "coming" });
    await new Promise((again) => setTimeout(again, coreEveryMs));
  }
}

function isCoreStored(worker: ServiceWorker): Promise<boolean> {
  return new Promise((answered) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = (event: MessageEvent<boolean>) => {
      answered(event.data);
    };
    worker.postMessage({ type: "core" }, [port2]);
  });
}

/** Takes the newer version; the page opens again on it. */
export function takeUpdate(): void {
  taking = true;
  useUpdate.getState().waiting?.postMessage({ type: "take" });
}

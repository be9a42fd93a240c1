import { useHome } from "./home";

/** What this page understands of the server's answers; a server that no longer speaks it says so. */
export const speaks = 1;

const everyMs = 3000;
const patienceMs = 2000;
const listeners = new Set<() => void>();

/** Calls when the server answers again after it did not. */
export function onBack(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether a failure means that nobody answered at all. */
export function isSilence(error: unknown): boolean {
  return error instanceof TypeError || (error instanceof DOMException && error.name === "TimeoutError");
}

let timer: ReturnType<typeof setInterval> | undefined;

/** Nobody answered: from now on this device goes on alone and looks every few seconds. */
export function outOfReach(): void {
  if (!useHome.getState().away) useHome.setState({ away: true });
  timer ??= setInterval(() => void look(), everyMs);
}

/** Somebody answered. */
export function inReach(): void {
  clearInterval(timer);
  timer = undefined;
  if (!useHome.getState().away) return;
  useHome.setState({ away: false });
  for (const listener of listeners) listener();
}

async function look(): Promise<void> {
  try {
    const response = await fetch("/health/live", {
      cache: "no-store",
      headers: { "x-draklo-speaks": String(speaks) },
      signal: AbortSignal.timeout(patienceMs),
    });
    if (response.ok) inReach();
  } catch {
    // Still nobody.
  }
}

if (typeof window !== "undefined" && typeof window.addEventListener === "function") {
  window.addEventListener("offline", outOfReach);
  window.addEventListener("online", () => void look());
}

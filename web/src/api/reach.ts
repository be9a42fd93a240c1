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
  if (await isThere(patienceMs)) inReach();
}

async function isThere(withinMs: number): Promise<boolean> {
  try {
    const response = await fetch("/health/live", {
      cache: "no-store",
      headers: { "x-draklo-speaks": String(speaks) },
      signal: AbortSignal.timeout(withinMs),
    });
    return response.ok;
  } catch {
    return false;
  }
}

/** An answer that takes longer than this is waited for only while the server says that it is there. */
const soonMs = 700;
const lookMs = 1300;
/** Where nobody was there a moment ago, nobody is waited for. */
const awayMs = 150;
let looking: Promise<boolean> | undefined;

/** Whether the server is there, asked once however many wait for it; where it is not, this device goes on alone. */
function lookNow(): Promise<boolean> {
  looking ??= isThere(lookMs).then((there) => {
    looking = undefined;
    if (!there) outOfReach();
    return there;
  });
  return looking;
}

/**
 * The answer. Where the network hangs it fails after two seconds, as if nobody were there.
 * @param writes Whether something is saved: then it is never given up while the server says that it is there, for it would be
 * saved all the same.
 */
export async function unlessGone<T>(asked: Promise<T>, writes = false): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const away = useHome.getState().away && !writes;
  const late = new Promise<undefined>((go) => {
    timer = setTimeout(go, away ? awayMs : soonMs);
  });
  const inTime = await Promise.race([asked.then((answer) => ({ answer })), late]).finally(() => {
    clearTimeout(timer);
  });
  if (inTime) return inTime.answer;
  // Whether anybody is there again is looked at every few seconds anyway.
  const gone = (away ? Promise.resolve(false) : lookNow()).then((there) => {
    if (!there) throw new DOMException("Nobody answers.", "TimeoutError");
    return asked;
  });
  // Whoever is answered in the end does not hear of it.
  gone.catch(() => undefined);
  return Promise.race([asked, gone]);
}

if (typeof window !== "undefined" && typeof window.addEventListener === "function") {
  window.addEventListener("offline", outOfReach);
  window.addEventListener("online", () => void look());
}

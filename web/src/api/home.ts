import { wrap, type Remote } from "comlink";
import { create } from "zustand";
import type { CoreHome } from "./core.worker";

/** What a worker answers, as a response would. */
export interface HomeAnswer {
  status: number;
  body: unknown;
}

interface HomeState {
  /** Whether the core in this browser answers. */
  ready: boolean;
  /** Whether the server left the last question unanswered. */
  away: boolean;
}

/** The core in this browser, and whether the server is there beside it. */
export const useHome = create<HomeState>(() => ({ ready: false, away: false }));

let quick: Promise<Remote<CoreHome>> | undefined;
let slow: Promise<Remote<CoreHome>> | undefined;

/** What the server last said of how the locker's pieces stand. */
const standings: Record<string, string> = {};

/** A core in a worker of its own, told all that is known. */
async function openWorker(): Promise<Remote<CoreHome>> {
  const home = wrap<CoreHome>(new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" }));
  for (const [units, json] of Object.entries(standings)) await home.knowStandings(units, json);
  return home;
}

/**
 * Starts the core; once is enough, and asking again is free.
 * @param plan Worked out once before the core is said to be ready: the first answer takes a second or two, and no hand
 * is to wait for it.
 */
export async function startHome(plan: string): Promise<void> {
  if (quick) return;
  quick = openWorker();
  try {
    await (await quick).answer("/api/analysis", "workings=false", plan);
    useHome.setState({ ready: true });
    document.documentElement.dataset["core"] = "ready";
  } catch {
    // A browser that cannot run it goes on with the server alone.
    quick = undefined;
  }
}

/** Keeps how the pieces of the locker stand, for this browser's own answers. */
export async function knowStandings(units: string, json: string): Promise<void> {
  standings[units] = json;
  for (const home of [quick, slow]) await (await home)?.knowStandings(units, json);
}

/**
 * Answers a question here.
 * @param heavy Takes long: it gets a worker of its own, so that what follows a hand never waits behind it.
 */
export async function answerHere(path: string, body: string, heavy: boolean): Promise<HomeAnswer> {
  const home = await (heavy ? (slow ??= openWorker()) : quick);
  if (!home) throw new Error("the core is not started");
  const [address = "", query = ""] = path.split("?");
  const text = await home.answer(address, query, body);
  return { status: Number(text.slice(0, 3)), body: JSON.parse(text.slice(3)) as unknown };
}

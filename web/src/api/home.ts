import { proxy, wrap, type Remote } from "comlink";
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
  /** Whether the server no longer speaks with a page as old as this one. */
  old: boolean;
}

/** The core in this browser, and whether the server is there beside it. */
export const useHome = create<HomeState>(() => ({ ready: false, away: false, old: false }));

interface Home {
  worker: Worker;
  core: Remote<CoreHome>;
}

let quick: Promise<Home> | undefined;
let slow: Promise<Home> | undefined;

/** What the server last said of the locker and the days to come. */
let known: string | undefined;

/** A core in a worker of its own, told all that is known. */
async function openWorker(): Promise<Home> {
  const worker = new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" });
  const core = wrap<CoreHome>(worker);
  if (known !== undefined) await core.know(known);
  return { worker, core };
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
    await (await quick).core.answer("/api/analysis", "workings=false", plan);
    useHome.setState({ ready: true });
    document.documentElement.dataset["core"] = "ready";
    warm((await quick).core, plan).catch(() => undefined);
  } catch {
    // A browser that cannot run it goes on with the server alone.
    quick = undefined;
  }
}

const warmAfterMs = 3000;
const warmTimes = 350;
const warmPauseMs = 80;

/**
 * Once its code has run some hundred times the core answers in half the time, and no answer takes three times as long as
 * the others: so it is run beforehand, now and then, while nobody waits for it.
 */
async function warm(core: Remote<CoreHome>, plan: string): Promise<void> {
  const pause = (ms: number) => new Promise((go) => setTimeout(go, ms));
  await pause(warmAfterMs);
  for (let i = 0; i < warmTimes; i++) {
    await core.answer("/api/analysis", "workings=false", plan);
    await pause(warmPauseMs);
  }
}

/** Keeps what the server says beside the plans, for this browser's own answers. */
export async function know(locker: string): Promise<void> {
  if (locker === known) return;
  known = locker;
  for (const home of [quick, slow]) await (await home)?.core.know(locker);
}

/**
 * Answers a question here, starting the core where nobody has yet.
 * @param heavy Takes long: it gets a worker of its own, so that what follows a hand never waits behind it.
 */
export async function answerHere(path: string, body: string, heavy = false): Promise<HomeAnswer> {
  const home = await (heavy ? (slow ??= openWorker()) : (quick ??= openWorker()));
  const [address = "", query = ""] = path.split("?");
  const text = await home.core.answer(address, query, body);
  if (!heavy) useHome.setState({ ready: true });
  return readAnswer(text);
}

/** Looks for rigs in the worker for what takes long; stopping it ends that worker. */
export async function findHere(
  query: string,
  plan: string,
  progress: (done: number, total: number) => void,
  signal: AbortSignal,
): Promise<HomeAnswer> {
  const begun = (slow ??= openWorker());
  const home = await begun;
  return new Promise((answer, fail) => {
    signal.addEventListener("abort", () => {
      home.worker.terminate();
      if (slow === begun) slow = undefined;
      fail(signal.reason as Error);
    });
    home.core.findRigs(query, plan, proxy(progress)).then((text) => {
      answer(readAnswer(text));
    }, fail);
  });
}

/** What the core makes of something that a load cell sent to this device. */
export interface CellHeard {
  session: number;
  sequence: number;
  tensionN?: number;
  counts: boolean;
  missed: number;
  trouble: string;
}

export async function hearCell(lineId: string, isPacket: boolean, sent: string, plannedN: number): Promise<CellHeard> {
  const home = await (quick ??= openWorker());
  const text = await home.core.hearCell(lineId, isPacket, sent, plannedN, performance.now() / 1000);
  return readAnswer(text).body as CellHeard;
}

function readAnswer(text: string): HomeAnswer {
  return { status: Number(text.slice(0, 3)), body: JSON.parse(text.slice(3)) as unknown };
}

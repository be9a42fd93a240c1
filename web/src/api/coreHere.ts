import { proxy, wrap, type Remote } from "comlink";
import type { CoreHome, Progress } from "./core.worker";
import { shelf } from "../ui/shelf";
import { carriedPath } from "./carriedPath";
import { useHome } from "./home";

// The core in this browser. It is fetched when it is first asked: most pages never do while the server is there.

/** What a worker answers, as a response would. */
export interface HomeAnswer {
  status: number;
  body: unknown;
}

interface Home {
  core: Remote<CoreHome>;
  /** Rejects when the worker fails or is stopped. */
  broken: Promise<never>;
  /** Settles once it was told what is known beside the plans: no question goes before. */
  told: Promise<void>;
  end: (why: unknown) => void;
}

/** One for what follows a hand, so that it never waits, and one for what takes long. */
type Which = "quick" | "slow";

const homes: Record<Which, Home | undefined> = { quick: undefined, slow: undefined };

/** What the server last said of the locker and the days to come. */
let known: string | undefined;

function openWorker(): Home {
  const worker = new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" });
  let fail: (why: unknown) => void = () => undefined;
  const broken = new Promise<never>((_, no) => {
    fail = no;
  });
  broken.catch(() => undefined);
  worker.addEventListener("error", (event) => {
    fail(new Error(event.message));
  });
  return {
    core: wrap<CoreHome>(worker),
    broken,
    told: Promise.resolve(),
    end: (why) => {
      worker.terminate();
      fail(why);
    },
  };
}

/** What the server said last, also before this page was opened. */
async function lastKnown(): Promise<string | undefined> {
  if (known !== undefined) return known;
  const carried = (await shelf.answer(carriedPath)) as { locker?: unknown } | undefined;
  return carried?.locker === undefined ? undefined : JSON.stringify(carried.locker);
}

/** A core that is told all that is known before anything else. */
function open(): Home {
  const home = openWorker();
  home.told = lastKnown().then(async (locker) => {
    if (locker !== undefined) await home.core.know(locker);
  });
  home.told.catch(home.end);
  return home;
}

/** Asks a core, starting it where nobody has yet. One that fails is let go: the next question begins with a fresh one. */
async function asked<T>(which: Which, question: (core: Remote<CoreHome>) => Promise<T>): Promise<T> {
  const home = (homes[which] ??= open());
  try {
    return await Promise.race([home.told.then(() => question(home.core)), home.broken]);
  } catch (error) {
    home.end(error);
    if (homes[which] === home) {
      homes[which] = undefined;
      if (which === "quick") useHome.setState({ ready: false });
    }
    throw error;
  }
}

/**
 * Starts the core; once is enough, and asking again is free.
 * @param plan Worked out once before the core reports ready: the first answer takes a second or two, and no hand
 * is to wait for it.
 */
export async function startHome(plan: string): Promise<void> {
  if (homes.quick) return;
  try {
    await asked("quick", (core) => core.answer("/api/analysis", "workings=false", plan));
    useHome.setState({ ready: true });
    warm(plan).catch(() => undefined);
  } catch {
    // A browser that cannot run it goes on with the server alone.
  }
}

const warmAfterMs = 3000;
const warmTimes = 350;
const warmPauseMs = 80;

/**
 * Once its code has run some hundred times the core answers in half the time, and no answer takes three times as long as
 * the others: so it is run beforehand, now and then, while nobody waits for it.
 */
async function warm(plan: string): Promise<void> {
  const pause = (ms: number) => new Promise((go) => setTimeout(go, ms));
  await pause(warmAfterMs);
  for (let i = 0; i < warmTimes && homes.quick; i++) {
    await asked("quick", (core) => core.answer("/api/analysis", "workings=false", plan));
    await pause(warmPauseMs);
  }
}

/** Keeps what the server says beside the plans, for this browser's own answers. */
export async function know(locker: string): Promise<void> {
  if (locker === known) return;
  known = locker;
  for (const which of ["quick", "slow"] as const) if (homes[which]) await asked(which, (core) => core.know(locker));
}

export interface HereAsk {
  /** Takes long: it gets a worker of its own, so that what follows a hand never waits behind it. */
  heavy?: boolean;
  progress?: Progress | undefined;
  /** Stops what takes long: its worker is ended. */
  signal?: AbortSignal | undefined;
}

/** Answers a question here, starting the core where nobody has yet. */
export async function answerHere(
  path: string,
  body: string,
  { heavy = false, progress, signal }: HereAsk = {},
): Promise<HomeAnswer> {
  signal?.throwIfAborted();
  const [address = "", query = ""] = path.split("?");
  const text = await asked(heavy ? "slow" : "quick", (core) => {
    const answer = progress ? core.answer(address, query, body, proxy(progress)) : core.answer(address, query, body);
    return heavy && signal ? Promise.race([answer, stopped(signal)]) : answer;
  });
  if (!heavy) useHome.setState({ ready: true });
  return readAnswer(text);
}

function stopped(signal: AbortSignal): Promise<never> {
  return new Promise((_, fail) => {
    signal.addEventListener("abort", () => {
      fail(signal.reason as Error);
    });
  });
}

/** What the core makes of something that a load cell sent to this device. */
export interface CellHeard {
  session: number;
  sequence: number;
  /** As the cell sent it; below zero where it hangs the wrong way round. */
  rawN?: number;
  tensionN?: number;
  counts: boolean;
  missed: number;
  trouble: string;
}

export async function hearCell(
  lineId: string,
  isPacket: boolean,
  sent: string,
  plannedN: number,
  slack: boolean,
): Promise<CellHeard> {
  const text = await asked("quick", (core) =>
    core.hearCell(lineId, isPacket, sent, plannedN, performance.now() / 1000, slack),
  );
  return readAnswer(text).body as CellHeard;
}

function readAnswer(text: string): HomeAnswer {
  return { status: Number(text.slice(0, 3)), body: JSON.parse(text.slice(3)) as unknown };
}

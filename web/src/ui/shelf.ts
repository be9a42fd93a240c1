import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { create } from "zustand";
import { storage } from "./storage";

/** Something that was done out of range and waits to go home. */
export interface Waiting {
  number?: number;
  kind: "tick" | "sign" | "issue" | "picture" | "log" | "entry" | "readings" | "plan";
  jobId: string;
  /** Who did it, by the name that was signed in here; left out where nobody signs in. It goes home under no other. */
  by?: string;
  /** When it was done, by this device's clock. */
  at: number;
  /** In a word for people, as in "Bo signs". */
  words: string;
  /** What is sent. */
  sends: unknown;
  /** Why it was not taken; it stays here until somebody sends it again or lets go of it. */
  refused?: string;
  /** That the job it belongs to is not there any more. */
  jobGone?: boolean;
}

export interface CarriedRow {
  id: string;
  mark: string;
  name: string;
  plannedOn: string;
  /** The job as JSON, as it was sent. */
  body: string;
  carriedAt: number;
  usedAt: number;
}

interface PictureRow {
  hash: string;
  picture: Blob;
  keptAt: number;
  /** Whether the server has it too. */
  sent: boolean;
}

interface Shelves extends DBSchema {
  small: { key: string; value: string };
  answers: { key: string; value: { path: string; body: unknown; keptAt: number } };
  jobs: { key: string; value: CarriedRow };
  pictures: { key: string; value: PictureRow };
  outbox: { key: number; value: Waiting };
}

type ShelfName = "small" | "answers" | "jobs" | "pictures" | "outbox";

interface ShelfState {
  /** "off": this browser keeps nothing for us; "full": the last thing did not fit. */
  trouble: "" | "off" | "full";
  waiting: Waiting[];
  /** Counts what was taken along since the page opened, so that a list of it is read again. */
  taken: number;
}

/** Whether what is done here outlives the page, and what waits to go home. */
export const useShelf = create<ShelfState>(() => ({ trouble: "", waiting: [], taken: 0 }));

const name = "draklo";
const version = 1;
/** What an earlier version left in the browser's small storage. */
const movable = ["draklo.draft.", "draklo.day.", "draklo.log."];
/** A job that was taken along or opened so lately stays, even where room is short. */
const staysMs = 24 * 3_600_000;

let db: IDBPDatabase<Shelves> | undefined;
const mirror = new Map<string, string>();

/** Which tab this is: each keeps changes of a plan under a name of its own, so that none writes over another's. */
export const tab = Math.random().toString(36).slice(2, 10);

/** What one tab tells the others of this device: a small thing written or dropped, the outbox changed, or that it closes. */
type Told =
  { tab: string; key: string; value: string | null } | { tab: string; outbox: true } | { tab: string; closes: true };

let others: BroadcastChannel | undefined;
const openTabs = new Set<string>();
const onOthers = new Set<(key: string) => void>();
const tabLock = "draklo-tab-";

const tell = (what: { key: string; value: string | null } | { outbox: true } | { closes: true }): void =>
  others?.postMessage({ tab, ...what });

function hear({ data }: MessageEvent<Told>): void {
  if ("closes" in data) {
    openTabs.delete(data.tab);
    return;
  }
  openTabs.add(data.tab);
  if ("outbox" in data) {
    void countWaiting();
    return;
  }
  if (data.value === null) mirror.delete(data.key);
  else mirror.set(data.key, data.value);
  for (const listener of onOthers) listener(data.key);
}

/** Says which tabs of this device are open; where the browser does not say, none is taken to be. */
export async function lookForTabs(): Promise<void> {
  const held = (await navigator.locks?.query().catch(() => undefined))?.held ?? [];
  openTabs.clear();
  for (const { name } of held) if (name?.startsWith(tabLock) === true) openTabs.add(name.slice(tabLock.length));
  openTabs.delete(tab);
}

function joinTabs(): void {
  if (typeof BroadcastChannel === "undefined") return;
  others = new BroadcastChannel("draklo");
  others.onmessage = hear;
  void navigator.locks?.request(tabLock + tab, () => new Promise(() => undefined)).catch(() => undefined);
  window.addEventListener("pagehide", () => {
    tell({ closes: true });
  });
}

/** Calls with the job's id when another tab of this device changed what is left of its day. */
export function onDayElsewhere(listener: (jobId: string) => void): void {
  const prefix = keyOf("day", "");
  onOthers.add((key) => {
    if (key.startsWith(prefix)) listener(key.slice(prefix.length));
  });
}

/** Runs something in one tab of this device at a time. */
export async function alone(name: string, work: () => Promise<void>): Promise<void> {
  if (typeof navigator === "undefined" || !("locks" in navigator)) await work();
  else await navigator.locks.request(`draklo-${name}`, work);
}

/** Opens what this device keeps; without it the page goes on and says so. */
export async function openShelf(): Promise<void> {
  if (typeof indexedDB === "undefined") {
    useShelf.setState({ trouble: "off" });
    return;
  }
  try {
    db = await openDB<Shelves>(name, version, {
      upgrade: (fresh) => {
        fresh.createObjectStore("small");
        fresh.createObjectStore("answers", { keyPath: "path" });
        fresh.createObjectStore("jobs", { keyPath: "id" });
        fresh.createObjectStore("pictures", { keyPath: "hash" });
        fresh.createObjectStore("outbox", { keyPath: "number", autoIncrement: true });
      },
      blocking: () => {
        // A newer page wants to change the shelves: it waits for nobody.
        db?.close();
        db = undefined;
      },
    });
    joinTabs();
    await lookForTabs();
    const keys = await db.getAllKeys("small");
    const values = await db.getAll("small");
    keys.forEach((key, i) => mirror.set(key, values[i] ?? ""));
    for (const key of movable.flatMap((prefix) => storage.keys(prefix))) {
      const value = storage.read(key);
      if (value !== null && !mirror.has(key)) writeSmall(key, value);
      storage.drop(key);
    }
    await countWaiting();
  } catch {
    db = undefined;
    useShelf.setState({ trouble: "off" });
  }
}

/** "strict" outlives a device that loses its power, and waits for its disk; "relaxed" outlives the browser. */
export type Durability = "strict" | "relaxed";

/** Writes; where it does not fit, makes room once, and says so when that is not enough. */
async function put<N extends ShelfName>(
  store: N,
  value: Shelves[N]["value"],
  key?: Shelves[N]["key"],
  durability: Durability = "strict",
): Promise<boolean> {
  if (!db) return false;
  for (const last of [false, true]) {
    try {
      const transaction = db.transaction(store, "readwrite", { durability });
      await Promise.all([transaction.store.put(value, key), transaction.done]);
      if (useShelf.getState().trouble === "full") useShelf.setState({ trouble: "" });
      return true;
    } catch (error) {
      if (last || !(error instanceof DOMException) || error.name !== "QuotaExceededError" || !(await makeRoom())) break;
    }
  }
  useShelf.setState({ trouble: "full" });
  return false;
}

/** Whether something of a job waits on this device to go home. */
export function waitsFor(jobId: string): boolean {
  return (
    draftsOf(jobId).length > 0 ||
    (["day", "log"] as const).some((what) => left.read(what, jobId) !== null) ||
    useShelf.getState().waiting.some((w) => w.jobId === jobId)
  );
}

/**
 * Lets go of what the server has too: pictures first, then jobs that nobody opened since yesterday. What waits to go home
 * is never let go.
 */
async function makeRoom(): Promise<boolean> {
  if (!db) return false;
  const pictures = (await db.getAll("pictures")).filter((p) => p.sent);
  if (pictures.length > 0) {
    for (const p of pictures) await db.delete("pictures", p.hash);
    return true;
  }
  const going = (await db.getAll("jobs")).filter((j) => !waitsFor(j.id) && Date.now() - j.usedAt > staysMs);
  for (const j of going) await db.delete("jobs", j.id);
  return going.length > 0;
}

/** What is left on this device of a job's change, of its day, of its log being written. */
export type Left = "draft" | "day" | "log";

const keyOf = (what: Left, jobId: string) => `draklo.${what}.${jobId}`;

/**
 * Small things that must be there at once: read from memory, written to the device as they change. Without the device's
 * database they lie in the browser's small storage.
 */
export const left = {
  /** Null where nothing is, or nothing that can be read: whoever reads looks at what it is. */
  read(what: Left, jobId: string): unknown {
    const key = keyOf(what, jobId);
    try {
      return JSON.parse((db ? mirror.get(key) : storage.read(key)) ?? "null") as unknown;
    } catch {
      return null;
    }
  },
  /** Whether it is kept, as far as is known at once; {@link useShelf} says when it turned out not to be. */
  write: (what: Left, jobId: string, value: unknown, durability: Durability = "strict"): boolean =>
    writeSmall(keyOf(what, jobId), JSON.stringify(value), durability),
  drop(what: Left, jobId: string): void {
    const key = keyOf(what, jobId);
    if (!db) {
      storage.drop(key);
      return;
    }
    mirror.delete(key);
    tell({ key, value: null });
    void db.delete("small", key).catch(() => undefined);
  },
  /** Jobs of which something is left. */
  jobs(what: Left): string[] {
    const prefix = keyOf(what, "");
    const keys = db ? [...mirror.keys()].filter((k) => k.startsWith(prefix)) : storage.keys(prefix);
    return keys.map((key) => key.slice(prefix.length));
  },
};

/** A change of a plan is left by the tab that made it: "job~tab"; by an earlier version, under the job alone. */
const byTab = "~";

export const draftOf = (jobId: string): string => jobId + byTab + tab;

/** Every change of a job that is left here: this tab's own first. */
export function draftsOf(jobId: string): string[] {
  const all = left.jobs("draft").filter((d) => jobOfDraft(d) === jobId);
  const own = draftOf(jobId);
  return all.includes(own) ? [own, ...all.filter((d) => d !== own)] : all;
}

export const jobOfDraft = (name: string): string => name.split(byTab)[0] ?? name;

/** Whether the tab that left a change is open and goes on with it. */
export const isInHandElsewhere = (name: string): boolean => openTabs.has(name.split(byTab)[1] ?? "");

/** The change of a job that is to be seen here. */
export const draftShown = (jobId: string): unknown => {
  const [first] = draftsOf(jobId);
  return first === undefined ? null : left.read("draft", first);
};

function writeSmall(key: string, value: string, durability: Durability = "strict"): boolean {
  if (!db) return storage.write(key, value);
  mirror.set(key, value);
  tell({ key, value });
  void put("small", value, key, durability);
  return useShelf.getState().trouble === "";
}

async function found<N extends ShelfName>(store: N, key: Shelves[N]["key"]): Promise<Shelves[N]["value"] | undefined> {
  try {
    return await db?.get(store, key);
  } catch {
    return undefined;
  }
}

async function countWaiting(): Promise<void> {
  useShelf.setState({ waiting: (await db?.getAll("outbox").catch(() => [])) ?? [] });
}

/** Everything larger that this device keeps. */
export const shelf = {
  keepAnswer: (path: string, body: unknown) => put("answers", { path, body, keptAt: Date.now() }),
  answer: async (path: string): Promise<unknown> => (await found("answers", path))?.body,
  async keepJob(row: CarriedRow): Promise<void> {
    if (await put("jobs", row)) useShelf.setState((s) => ({ taken: s.taken + 1 }));
  },
  job: (id: string) => found("jobs", id),
  /** Says that a job is opened on this device. */
  async opened(id: string): Promise<void> {
    const row = await found("jobs", id);
    if (row) await put("jobs", { ...row, usedAt: Date.now() });
  },
  jobs: async (): Promise<CarriedRow[]> => (await db?.getAll("jobs").catch(() => [])) ?? [],
  dropJob: async (id: string) => {
    await db?.delete("jobs", id).catch(() => undefined);
  },
  /** Lets go of all that has gone home, or came from there; what waits to go home stays. */
  async letGoOfKnown(): Promise<void> {
    await db?.clear("answers").catch(() => undefined);
    await db?.clear("jobs").catch(() => undefined);
    for (const { hash } of (await shelf.pictures()).filter((p) => p.sent)) await db?.delete("pictures", hash);
    useShelf.setState((s) => ({ taken: s.taken + 1 }));
  },
  keepPicture: (row: PictureRow) => put("pictures", row),
  picture: (hash: string) => found("pictures", hash),
  pictures: async (): Promise<PictureRow[]> => (await db?.getAll("pictures").catch(() => [])) ?? [],
  /** Whether it is kept. */
  async wait(waiting: Waiting): Promise<boolean> {
    const kept = await put("outbox", waiting);
    tell({ outbox: true });
    await countWaiting();
    return kept;
  },
  waiting: async (): Promise<Waiting[]> => (await db?.getAll("outbox").catch(() => [])) ?? [],
  async gone(number: number): Promise<void> {
    await db?.delete("outbox", number).catch(() => undefined);
    tell({ outbox: true });
    await countWaiting();
  },
};

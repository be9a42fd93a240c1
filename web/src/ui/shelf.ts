import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { create } from "zustand";
import { storage } from "./storage";

/** Something that was done out of range and waits to go home. */
export interface Waiting {
  number?: number;
  kind: "tick" | "sign" | "issue" | "picture" | "log" | "entry" | "readings";
  jobId: string;
  /** When it was done, by this device's clock. */
  at: number;
  /** In a word for people, as in "Bo signs". */
  words: string;
  /** What is sent. */
  sends: unknown;
  /** Why it was not taken; it stays here until somebody has read it. */
  refused?: string;
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
    (["draft", "day", "log"] as const).some((what) => left.read(what, jobId) !== null) ||
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
    void db.delete("small", key).catch(() => undefined);
  },
  /** Jobs of which something is left. */
  jobs(what: Left): string[] {
    const prefix = keyOf(what, "");
    const keys = db ? [...mirror.keys()].filter((k) => k.startsWith(prefix)) : storage.keys(prefix);
    return keys.map((key) => key.slice(prefix.length));
  },
};

function writeSmall(key: string, value: string, durability: Durability = "strict"): boolean {
  if (!db) return storage.write(key, value);
  mirror.set(key, value);
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
  keepPicture: (row: PictureRow) => put("pictures", row),
  picture: (hash: string) => found("pictures", hash),
  pictures: async (): Promise<PictureRow[]> => (await db?.getAll("pictures").catch(() => [])) ?? [],
  /** Whether it is kept. */
  async wait(waiting: Waiting): Promise<boolean> {
    const kept = await put("outbox", waiting);
    await countWaiting();
    return kept;
  },
  waiting: async (): Promise<Waiting[]> => (await db?.getAll("outbox").catch(() => [])) ?? [],
  async gone(number: number): Promise<void> {
    await db?.delete("outbox", number).catch(() => undefined);
    await countWaiting();
  },
};

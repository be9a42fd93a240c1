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
}

/** Whether what is done here outlives the page, and what waits to go home. */
export const useShelf = create<ShelfState>(() => ({ trouble: "", waiting: [] }));

const name = "draklo";
const version = 1;
/** What an earlier version left in the browser's small storage. */
const movable = ["draklo.draft.", "draklo.day.", "draklo.log."];

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
      if (value !== null && !mirror.has(key)) small.write(key, value);
      storage.drop(key);
    }
    await countWaiting();
  } catch {
    db = undefined;
    useShelf.setState({ trouble: "off" });
  }
}

/** Writes; where it does not fit, makes room once, and says so when that is not enough. */
async function put<N extends ShelfName>(
  store: N,
  value: Shelves[N]["value"],
  key?: Shelves[N]["key"],
): Promise<boolean> {
  if (!db) return false;
  for (const last of [false, true]) {
    try {
      const transaction = db.transaction(store, "readwrite", { durability: "strict" });
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

/**
 * Lets go of what the server has too: pictures first, then jobs that nobody opened for longest. What waits to go home is
 * never let go.
 */
async function makeRoom(): Promise<boolean> {
  if (!db) return false;
  const pictures = (await db.getAll("pictures")).filter((p) => p.sent);
  if (pictures.length > 0) {
    for (const p of pictures) await db.delete("pictures", p.hash);
    return true;
  }
  const held = new Set((await db.getAll("outbox")).map((w) => w.jobId));
  const jobs = (await db.getAll("jobs"))
    .filter((j) => !held.has(j.id) && !mirror.has(`draklo.draft.${j.id}`) && !mirror.has(`draklo.day.${j.id}`))
    .sort((a, b) => a.usedAt - b.usedAt);
  const going = jobs.slice(0, Math.ceil(jobs.length / 2));
  for (const j of going) await db.delete("jobs", j.id);
  return going.length > 0;
}

/**
 * Short texts that must be there at once: read from memory, written to the device as they change. Without the device's
 * database they lie in the browser's small storage.
 */
export const small = {
  read: (key: string): string | null => (db ? (mirror.get(key) ?? null) : storage.read(key)),
  /** Whether it is kept, as far as is known at once; {@link useShelf} says when it turned out not to be. */
  write(key: string, value: string): boolean {
    if (!db) return storage.write(key, value);
    mirror.set(key, value);
    void put("small", value, key);
    return useShelf.getState().trouble === "";
  },
  drop(key: string): void {
    if (!db) {
      storage.drop(key);
      return;
    }
    mirror.delete(key);
    void db.delete("small", key).catch(() => undefined);
  },
  keys: (prefix: string): string[] =>
    db ? [...mirror.keys()].filter((k) => k.startsWith(prefix)) : storage.keys(prefix),
};

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
  keepJob: (row: CarriedRow) => put("jobs", row),
  job: (id: string) => found("jobs", id),
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

import type { NewEntry } from "../api/types";
import { left, onDayElsewhere } from "../ui/shelf";

/**
 * @property at When it was said, by this device's clock.
 * @property author Who was signed in here; left out where nobody signs in.
 * @property takenUnder The job's revision under which this device took it, offline; it stays whatever becomes of the plan.
 */
export type QueuedEntry = NewEntry & { key: string; at?: string; author?: string; takenUnder?: number };

/** What waits, by job. Storage may be switched off or full: the page itself never forgets. */
const waiting = new Map<string, QueuedEntry[]>();
const listeners = new Set<() => void>();
const changed = () => {
  for (const listener of listeners) listener();
};
onDayElsewhere((jobId) => {
  waiting.delete(jobId);
  changed();
});

/** Calls whenever what waits changes, wherever it was sent or said. */
export function onQueue(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** What was said at this tablet and not yet kept by Draklo: it outlives the tablet's restart. */
export function queued(jobId: string): QueuedEntry[] {
  const held = waiting.get(jobId);
  if (held) return held;
  const found = stored(jobId);
  waiting.set(jobId, found);
  return found;
}

function stored(jobId: string): QueuedEntry[] {
  const found = left.read("day", jobId);
  return Array.isArray(found) ? found.filter(isEntry) : [];
}

/** Keeps the queue; false where only the page holds it, for the tablet's storage does not take it. */
export function keepQueue(jobId: string, entries: QueuedEntry[]): boolean {
  waiting.set(jobId, entries);
  changed();
  if (entries.length > 0) return left.write("day", jobId, entries);
  left.drop("day", jobId);
  return true;
}

/** Jobs of which something waits here. */
export const jobsQueued = (): string[] => left.jobs("day").filter((job) => queued(job).length > 0);

/** As after a restart of the tablet: only what was stored is known. */
export function restarted(): void {
  waiting.clear();
}

const isEntry = (entry: unknown): entry is QueuedEntry =>
  typeof entry === "object" && entry !== null && "key" in entry && "kind" in entry && "step" in entry;

/** A key of its own for every entry: sent twice, it is kept once. */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, "0")).join("");

/** The queue with one more entry; a move that waits already is not asked for twice. */
export function withEntry(queue: QueuedEntry[], entry: QueuedEntry): QueuedEntry[] {
  const twice =
    entry.kind === "move" && queue.some((q) => q.kind === "move" && q.to === entry.to && q.step === entry.step);
  return twice ? queue : [...queue, entry];
}

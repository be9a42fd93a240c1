import { left, shelf, type Waiting } from "../ui/shelf";
import { takeAlong } from "../api/along";
import { ask, send } from "../api/ask";
import { api } from "../api/client";
import { useHome } from "../api/home";
import { onBack } from "../api/reach";
import { Refusal, sayWhy } from "../api/refusal";
import type { JobLog, LogAnswer } from "../api/types";
import { useSettings } from "../ui/settings";
import { sendLeftOver } from "./autosave";
import { isLetIn } from "./session";
import { jobsQueued, keepQueue, queued, type QueuedEntry } from "./dayQueue";

const longestAgoS = 30 * 86_400;

/**
 * How long ago something was done, in seconds, as the server takes it; nothing where this device's clock was set otherwise
 * meanwhile, then it counts from when it arrives.
 */
export function agoOf(at: number, now = Date.now()): { agoS?: number } {
  const agoS = Math.round((now - at) / 1000);
  return agoS > 0 && agoS <= longestAgoS ? { agoS } : {};
}

/** How long ago a cell was read, to the millisecond: readings of one parcel keep their times. */
export function ageOf(at: number, now = Date.now()): { agoS?: number } {
  const agoS = Math.max(0, now - at) / 1000;
  return agoS <= longestAgoS ? { agoS } : {};
}

let going: Promise<void> | undefined;

/** Brings home what was done offline, then takes along what is new; one run at a time. */
export function goHome(): Promise<void> {
  going ??= work().finally(() => {
    going = undefined;
  });
  return going;
}

async function work(): Promise<void> {
  if (!isLetIn()) return;
  const found = await shelf.waiting();
  const inOrder = [...found.filter((w) => w.kind === "picture"), ...found.filter((w) => w.kind !== "picture")];
  await sendLeftOver();
  for (const waiting of inOrder) {
    if (useHome.getState().away) return;
    if (waiting.refused === undefined) await bring(waiting);
  }
  for (const jobId of jobsQueued()) await sendQueue(jobId);
  await takeAlong();
}

async function bring(waiting: Waiting): Promise<void> {
  try {
    await deliver(waiting);
  } catch (error) {
    // What nobody answered waits on; what was answered and not taken stays to be read.
    if (!(error instanceof Refusal) || error.status >= 500 || error.status === 426) return;
    await shelf.wait({ ...waiting, refused: sayWhy(error) });
    return;
  }
  if (waiting.number !== undefined) await shelf.gone(waiting.number);
}

async function deliver({ kind, jobId, at, sends }: Waiting): Promise<void> {
  const { units } = useSettings.getState();
  const late = { ...(sends as object), ...agoOf(at) };
  switch (kind) {
    case "tick":
      await ask(`/api/jobs/${jobId}/packing`, send("POST", late));
      break;
    case "sign":
      await ask(`/api/jobs/${jobId}/signatures?units=${units}`, send("POST", late));
      break;
    case "issue":
      await ask(`/api/jobs/${jobId}/briefs?units=${units}`, send("POST", late));
      break;
    case "picture":
      await deliverPicture((sends as { hash: string }).hash);
      break;
    case "readings":
      await deliverReadings(jobId, sends as ReadingsSent);
      break;
    case "log":
      await deliverLog(jobId, sends as { revision: number; was?: JobLog; log: JobLog });
      break;
    default:
  }
}

/** Readings of a cell at hand as it sent them, each with when it was read: the server judges them. */
export interface ReadingsSent {
  cell: string;
  session: string;
  lineId: string;
  readings: { sequence: number; value: number; at: number }[];
}

export async function deliverReadings(jobId: string, { readings, ...cell }: ReadingsSent): Promise<void> {
  const sent = readings.map(({ sequence, value, at }) => ({
    sequence,
    value,
    ...ageOf(at),
  }));
  await ask(`/api/jobs/${jobId}/pulling/readings`, send("POST", { ...cell, unit: "N", readings: sent }));
}

async function deliverPicture(hash: string): Promise<void> {
  const row = await shelf.picture(hash);
  if (!row) return;
  const headers = { "content-type": row.picture.type };
  await ask("/api/pictures", { method: "POST", headers, body: row.picture });
  await shelf.keepPicture({ ...row, sent: true });
}

async function deliverLog(jobId: string, sends: { revision: number; was?: JobLog; log: JobLog }): Promise<void> {
  const { units } = useSettings.getState();
  const put = (revision: number, log: JobLog) =>
    ask(`/api/jobs/${jobId}/log?units=${units}`, send("PUT", log, { "if-match": `"${revision}"` }));
  try {
    await put(sends.revision, sends.log);
  } catch (error) {
    const theirs = error instanceof Refusal ? (error.current as unknown as LogAnswer | undefined) : undefined;
    if (!theirs?.log) throw error;
    const { was, log } = sends;
    const joined = await api.mergeLogs({ ...(was && { was }), mine: log, theirs: theirs.log, settled: {} }, units);
    if (joined.document) {
      await put(theirs.revision, joined.document);
      return;
    }
    // The log's own page puts the two together.
    left.write("log", jobId, { ...sends });
    const both = joined.clashes.map((c) => c.name).join(", ");
    throw new Refusal(
      412,
      `Another log was saved meanwhile, and both say otherwise of: ${both}. Open the log to settle it.`,
    );
  }
}

/** What a queue's entry is sent as. */
export function entrySent({ at, ...entry }: QueuedEntry): Omit<QueuedEntry, "at"> {
  return { ...entry, ...(at !== undefined && lateBy(at)) };
}

/** What was said just now needs no time of its own. */
const justNowS = 3;

function lateBy(at: string): { agoS?: number } {
  const late = agoOf(Date.parse(at));
  return (late.agoS ?? 0) > justNowS ? late : {};
}

/** Sends what was said at this device on a day whose page is closed. */
async function sendQueue(jobId: string): Promise<void> {
  const { units } = useSettings.getState();
  for (let next = queued(jobId)[0]; next; next = queued(jobId)[0]) {
    const sent = next;
    try {
      await api.addDayEntry(jobId, entrySent(sent), units);
    } catch (error) {
      if (!(error instanceof Refusal) || error.status >= 500 || error.status === 426) return;
      await refusedLater(jobId, sent, sayWhy(error));
    }
    keepQueue(
      jobId,
      queued(jobId).filter((q) => q.key !== sent.key),
    );
  }
}

/** Keeps an entry that was said offline and is not taken: somebody reads why. */
export async function refusedLater(jobId: string, entry: QueuedEntry, why: string): Promise<void> {
  const at = entry.at === undefined ? Date.now() : Date.parse(entry.at);
  await shelf.wait({ kind: "entry", jobId, at, words: `${entry.by}: ${entry.kind}`, sends: entry, refused: why });
}

onBack(() => void goHome().catch(() => undefined));

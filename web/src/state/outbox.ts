import { alone, left, lookForTabs, shelf, type Waiting } from "../ui/shelf";
import { takeAlong } from "../api/along";
import { ask, send } from "../api/ask";
import { isAnothers } from "../api/author";
import { api } from "../api/client";
import { useHome } from "../api/home";
import { onBack } from "../api/reach";
import { Refusal, sayWhy, waitsOn } from "../api/refusal";
import type { JobLog, LogAnswer, NewEntry } from "../api/types";
import { useSettings } from "../ui/settings";
import { leftOver, sendAside } from "./autosave";
import type { Draft } from "./drafts";
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
  going ??= alone("home", work).finally(() => {
    going = undefined;
  });
  return going;
}

/** Something to bring home: when it was done, of which job, and how; answers whether it is through or refused for good. */
interface Step {
  at: number;
  jobId: string;
  go: () => Promise<boolean>;
}

/**
 * In the order in which it was done: a signature goes home before the change that made it one to an earlier page. Where
 * something of a job waits on, what was done to that job after it waits too.
 */
async function work(): Promise<void> {
  if (!isLetIn()) return;
  await lookForTabs();
  const found = (await shelf.waiting()).filter((w) => w.refused === undefined);
  const pictures = found.filter((w) => w.kind === "picture");
  for (const picture of pictures) await bring(picture);
  const steps: Step[] = [
    ...found
      .filter((w) => w.kind !== "picture")
      .map((w) => ({ at: w.at, jobId: w.jobId, go: () => (isAnothers(w.by) ? Promise.resolve(false) : bring(w)) })),
    ...leftOver().map(({ at, jobId, go }) => ({ at, jobId, go })),
    ...jobsQueued().flatMap((jobId) =>
      queued(jobId).map((entry) => ({ at: Date.parse(entry.at ?? ""), jobId, go: () => sendQueued(jobId, entry) })),
    ),
  ];
  const waits = new Set<string>();
  for (const { jobId, go } of steps.toSorted((a, b) => (a.at || 0) - (b.at || 0))) {
    if (useHome.getState().away) return;
    if (!waits.has(jobId) && !(await go())) waits.add(jobId);
  }
  await takeAlong();
}

/** @returns Whether it is through, or refused for good. */
async function bring(waiting: Waiting): Promise<boolean> {
  try {
    await deliver(waiting);
  } catch (error) {
    // What nobody answered for good waits on; what was answered and not taken stays to be read.
    if (waitsOn(error)) return false;
    const jobGone = waiting.jobId !== "" && error instanceof Refusal && error.status === 404;
    await shelf.wait({ ...waiting, refused: sayWhy(error), ...(jobGone && { jobGone }) });
    return true;
  }
  if (waiting.number !== undefined) await shelf.gone(waiting.number);
  return true;
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
    case "plan":
      await sendAside(jobId, sends as Draft);
      break;
    case "entry":
      await api.addDayEntry(jobId, entrySent(sends as QueuedEntry), units);
      break;
    default:
  }
}

/** Sends again what was not taken. */
export async function sendAgain({ refused, jobGone, ...waiting }: Waiting): Promise<void> {
  await shelf.wait(waiting);
  await goHome();
}

/** Keeps a change whose job was deleted meanwhile as a job of its own. */
export async function asNewJob(waiting: Waiting): Promise<string> {
  const { document } = waiting.sends as Draft;
  const { id } = await api.create(document);
  if (waiting.number !== undefined) await shelf.gone(waiting.number);
  return id;
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
    // The very same was kept before, and the answer was lost.
    if (joined.document && joined.fromMine === 0) return;
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
export function entrySent({ at, author, takenUnder, ...entry }: QueuedEntry): NewEntry & { key: string } {
  return { ...entry, ...(at !== undefined && lateBy(at)) };
}

/** What was said just now needs no time of its own. */
const justNowS = 3;

function lateBy(at: string): { agoS?: number } {
  const late = agoOf(Date.parse(at));
  return (late.agoS ?? 0) > justNowS ? late : {};
}

/** Sends what was said at this device on a day, whether its page is open or not. */
async function sendQueued(jobId: string, entry: QueuedEntry): Promise<boolean> {
  // Meanwhile the day's page may have sent it.
  if (!queued(jobId).some((q) => q.key === entry.key)) return true;
  if (isAnothers(entry.author)) return false;
  try {
    await api.addDayEntry(jobId, entrySent(entry), useSettings.getState().units);
  } catch (error) {
    if (waitsOn(error)) return false;
    await refusedLater(jobId, entry, sayWhy(error));
  }
  keepQueue(
    jobId,
    queued(jobId).filter((q) => q.key !== entry.key),
  );
  return true;
}

/** Keeps an entry that was said offline and is not taken: somebody reads why. */
export async function refusedLater(jobId: string, entry: QueuedEntry, why: string): Promise<void> {
  const at = entry.at === undefined ? Date.now() : Date.parse(entry.at);
  const by = entry.author === undefined ? {} : { by: entry.author };
  await shelf.wait({
    kind: "entry",
    jobId,
    ...by,
    at,
    words: `${entry.by}: ${entry.kind}`,
    sends: entry,
    refused: why,
  });
}

onBack(() => void goHome().catch(() => undefined));

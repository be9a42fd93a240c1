import { draftShown, left, shelf, waitsFor, type Waiting } from "../ui/shelf";
import { useSettings } from "../ui/settings";
import type { Units } from "../units/units";
import { ask, askKept, here, pathOf } from "./ask";
import { author } from "./author";
import { isBesideServer, useHome } from "./home";
import { carriedPath } from "./carriedPath";
import { Refusal } from "./refusal";
import type {
  BriefAnswer,
  CarriedAnswer,
  CarriedJob,
  FoundRigs,
  Job,
  JobAsk,
  JobEntry,
  JobLog,
  LogAnswer,
  PackingTick,
  Picture,
  Plan,
  Pulling,
} from "./types";

// What this device takes along, and what it answers and keeps offline.

const listLength = 500;
/** A job that is over stays on the device for so long after it was last opened. */
const staysMs = 30 * 86_400_000;

interface DraftHere {
  document?: { name: string; place: string; plannedOn?: string; plan: Plan };
}

const listPath = (units: Units) => `/api/jobs?units=${units}&offset=0&limit=${listLength}`;

const coreHere = () => import("./coreHere");

async function know(locker: string): Promise<void> {
  await (await coreHere()).know(locker);
}

/** Takes along what changed since the last time: the locker, the lists, and every job that is open. */
export async function takeAlong(): Promise<void> {
  const { units } = useSettings.getState();
  const carried = await askKept<CarriedAnswer>(carriedPath);
  await know(JSON.stringify(carried.locker));
  if (useHome.getState().away) return;
  const lists = [
    "/api/catalogue",
    "/api/crew",
    "/api/crew-pins",
    "/api/kits",
    "/api/tackles",
    "/api/sets",
    "/api/policies",
    "/api/templates",
    `/api/locker?units=${units}`,
    listPath(units),
  ];
  for (const path of lists) await askKept(path);
  const here = new Map((await shelf.jobs()).map((row) => [row.id, row]));
  for (const { id, mark } of carried.jobs) {
    if (here.get(id)?.mark === mark) continue;
    try {
      await takeJob(id);
    } catch (error) {
      // One job that cannot be read, damaged perhaps, keeps no other at home.
      if (!(error instanceof Refusal)) throw error;
    }
  }
  const open = new Set(carried.jobs.map((j) => j.id));
  for (const row of here.values())
    if (!open.has(row.id) && Date.now() - row.usedAt > staysMs && !waitsFor(row.id)) await shelf.dropJob(row.id);
}

/**
 * Starts the core in this browser, told what is known of the locker; after it, live figures need no server. Beside the
 * server it starts with the first question that the server leaves unanswered.
 */
export async function bringHome(plan: Plan): Promise<void> {
  if (isBesideServer()) return;
  try {
    const carried = await askKept<CarriedAnswer>(carriedPath);
    await know(JSON.stringify(carried.locker));
  } catch {
    // Nothing was taken along yet: pieces of the locker are taken as the plan has them.
  }
  await (await coreHere()).startHome(JSON.stringify(plan));
}

/** The job itself comes last: with it here, all that belongs to it is. */
async function takeJob(id: string): Promise<void> {
  const carried = await ask<CarriedJob>(`/api/jobs/${id}/carried`);
  await askKept(`/api/jobs/${id}`);
  const log = await askKept<LogAnswer>(`/api/jobs/${id}/log`);
  const last = carried.papers.issued.at(-1);
  if (last) await askKept(`/api/jobs/${id}/briefs/${last.number}`);
  for (const { hash } of log.log?.pictures ?? []) if (!(await shelf.picture(hash))) await takePicture(hash);
  await keepCarried(carried);
}

async function takePicture(hash: string): Promise<void> {
  const response = await fetch(`/api/pictures/${hash}`);
  if (response.ok) await shelf.keepPicture({ hash, picture: await response.blob(), keptAt: Date.now(), sent: true });
}

async function keepCarried(carried: CarriedJob): Promise<void> {
  const { job } = carried;
  await shelf.keepJob({
    id: job.jobId,
    mark: carried.mark,
    name: job.name,
    plannedOn: job.plannedOn ?? "",
    body: JSON.stringify(carried),
    carriedAt: Date.now(),
    usedAt: (await shelf.job(job.jobId))?.usedAt ?? Date.now(),
  });
}

/** A job that was saved is taken along as it now stands. */
export async function keepJobAnswer(job: Job): Promise<void> {
  await shelf.keepAnswer(`/api/jobs/${job.id}`, job);
  const row = await shelf.job(job.id);
  if (!row) return;
  const carried = JSON.parse(row.body) as CarriedJob;
  const { revision, name, place, plannedOn, plan } = job;
  // Its mark stays: the next time in reach, what follows from the save is fetched too.
  const body = JSON.stringify({ ...carried, job: { jobId: job.id, revision, name, place, plannedOn, plan } });
  await shelf.keepJob({ ...row, name, plannedOn: plannedOn ?? "", body, usedAt: Date.now() });
}

/** Tells the core here what was taken along of the locker. */
async function knowKept(): Promise<void> {
  const kept = (await shelf.answer(carriedPath)) as CarriedAnswer | undefined;
  if (kept) await know(JSON.stringify(kept.locker));
}

/** A job as it stands on this device: as it was taken along, with what was changed here since. */
async function carriedHere(id: string): Promise<CarriedJob> {
  const row = await shelf.job(id);
  if (!row) throw new Refusal(0, "This job is not on this device. Open it once while Draklo is online.");
  const carried = JSON.parse(row.body) as CarriedJob;
  await knowKept();
  const draft = draftShown(id) as DraftHere | null;
  if (!draft?.document) return carried;
  const { name, place, plannedOn, plan } = draft.document;
  // What is entered from now on is entered under a later plan than what was before.
  const revision = carried.job.revision + 1;
  return { ...carried, job: { ...carried.job, revision, name, place, plannedOn, plan } };
}

export async function briefHere(id: string, units: Units): Promise<BriefAnswer> {
  return here<BriefAnswer>(pathOf("briefHere", { units }), await carriedHere(id));
}

export interface PullingHere {
  day: Pulling;
  /** By the key of an entry that cannot be taken: sentences by member. */
  refused: Record<string, Record<string, string>>;
}

/** The day of a job with what was said at this device since. */
export async function pullingHere(id: string, units: Units): Promise<PullingHere> {
  const said = (left.read("day", id) ?? []) as ({
    key: string;
    at?: string;
    author?: string;
    takenUnder?: number;
  } & object)[];
  const offset = -new Date().getTimezoneOffset();
  return here<PullingHere>(`${pathOf("pullingHere", { units })}&offsetMin=${offset}`, {
    carried: await carriedHere(id),
    said: said.map(({ at, author, takenUnder, ...entry }) => ({
      at: at ?? new Date().toISOString(),
      entry,
      ...(takenUnder !== undefined && { takenUnder }),
    })),
  });
}

/** Looks for rigs on this device, among the gear that was taken along. */
export async function findRigsHere(
  plan: Plan | null,
  units: Units,
  people: number | undefined,
  truckOnly: boolean,
  signal: AbortSignal,
  progress: (done: number, total: number) => void,
): Promise<FoundRigs> {
  await knowKept();
  return here<FoundRigs>(pathOf("findRigs", { units, truckOnly, ...(people !== undefined && { people }) }), plan, {
    heavy: true,
    progress,
    signal,
  });
}

/** The list as it was taken along, searched here by what it shows. */
export async function jobsHere(
  units: Units,
  offset: number,
  asked: Partial<JobAsk>,
): Promise<{ jobs: JobEntry[]; total: number }> {
  const all = ((await shelf.answer(listPath(units))) ?? null) as JobEntry[] | null;
  if (all === null) throw new Refusal(0, "The list is not on this device. Open it once while Draklo is online.");
  const jobs = all.filter((job) => isAsked(job, asked));
  return { jobs: offset > 0 ? [] : jobs, total: jobs.length };
}

function isAsked(job: JobEntry, { text = "", stage = "", species = "", place = "", crew = "" }: Partial<JobAsk>) {
  const has = (where: string | undefined, what: string) =>
    (where ?? "").toLowerCase().includes(what.trim().toLowerCase());
  const over = job.stage === "done" || job.stage === "calledOff";
  return (
    has(`${job.name} ${job.place} ${job.crew ?? ""} ${job.species ?? ""}`, text) &&
    (stage === "" || (stage === "open" ? !over : stage.split(",").includes(job.stage ?? "planned"))) &&
    (species === "" || job.species === species) &&
    (place === "" || job.place === place) &&
    has(job.crew, crew)
  );
}

async function keepWaiting(waiting: Omit<Waiting, "at">): Promise<void> {
  if (!(await shelf.wait({ ...waiting, ...author(), at: Date.now() })))
    throw new Refusal(0, "This device has no room left to keep it: free some space, then do it again.");
}

/** A tick that goes home later; the list shows it at once. */
export async function tickLater(
  id: string,
  tick: { piece: string; out?: boolean; back?: boolean },
): Promise<PackingTick[]> {
  const carried = await carriedHere(id);
  const by = useSettings.getState().who;
  const at = new Date().toISOString();
  const before = carried.papers.ticks.find((t) => t.piece === tick.piece) ?? { piece: tick.piece };
  const after: PackingTick = {
    ...before,
    ...(tick.out !== undefined && { outAt: tick.out ? at : undefined, outBy: tick.out ? by : undefined }),
    ...(tick.back !== undefined && { backAt: tick.back ? at : undefined, backBy: tick.back ? by : undefined }),
  };
  const ticks = [...carried.papers.ticks.filter((t) => t.piece !== tick.piece), after];
  await keepWaiting({ kind: "tick", jobId: id, words: "gear ticked", sends: tick });
  await keepPapers(id, { ticks });
  return ticks;
}

async function keepPapers(id: string, papers: Partial<CarriedJob["papers"]>): Promise<void> {
  const row = await shelf.job(id);
  if (!row) return;
  const carried = JSON.parse(row.body) as CarriedJob;
  await shelf.keepJob({ ...row, body: JSON.stringify({ ...carried, papers: { ...carried.papers, ...papers } }) });
}

/** A signature that goes home later: its PIN is sealed for the server, and nobody here can check or read it. */
export async function signLater(
  kind: "sign" | "issue",
  id: string,
  units: Units,
  given: { name: string; pin: string; lead?: string; fingerprint: string },
): Promise<BriefAnswer> {
  const brief = await briefHere(id, units);
  const kept = (await shelf.answer(carriedPath)) as CarriedAnswer | undefined;
  if (!kept) throw new Refusal(0, "This device has no key for signing offline. Open Draklo once while it is online.");
  const { pin, ...rest } = given;
  const signer = given.lead ?? given.name;
  const sealedPin = await sealed(kept.seal, pin, `${id}\n${kind}\n${signer}\n${given.name}\n${given.fingerprint}`);
  const words = kind === "sign" ? `${given.name} signs` : `${given.name} issues the brief`;
  await keepWaiting({ kind, jobId: id, words, sends: { ...rest, sealedPin } });
  return brief;
}

async function sealed(key: string, pin: string, boundTo: string): Promise<string> {
  const text = new TextEncoder();
  const hash = await crypto.subtle.digest("SHA-256", text.encode(boundTo));
  const hex = [...new Uint8Array(hash)].map((b) => b.toString(16).padStart(2, "0")).join("");
  const spki = Uint8Array.from(atob(key), (c) => c.charCodeAt(0));
  const rsa = await crypto.subtle.importKey("spki", spki, { name: "RSA-OAEP", hash: "SHA-256" }, false, ["encrypt"]);
  const bytes = await crypto.subtle.encrypt({ name: "RSA-OAEP" }, rsa, text.encode(`${pin}\n${hex}`));
  return btoa(String.fromCharCode(...new Uint8Array(bytes)));
}

/** A log that goes home later; opened again on this device it stands as it was written. */
export async function logLater(id: string, revision: number, log: JobLog): Promise<LogAnswer> {
  const path = `/api/jobs/${id}/log`;
  const kept = (await shelf.answer(path)) as LogAnswer | undefined;
  if (!kept) throw new Refusal(0, "This log is not on this device. What you wrote stays in this form.");
  const earlier = (await shelf.waiting()).find((w) => w.kind === "log" && w.jobId === id && w.refused === undefined);
  const began = earlier ? (earlier.sends as { revision: number; was?: JobLog }) : { revision, was: kept.log };
  await keepWaiting({ kind: "log", jobId: id, words: "the log", sends: { ...began, log } });
  if (earlier?.number !== undefined) await shelf.gone(earlier.number);
  const answer = { ...kept, log, stage: log.stage };
  await shelf.keepAnswer(path, answer);
  return answer;
}

/** A picture that goes home later, under the hash that it will have there. */
export async function pictureLater(picture: Blob): Promise<Picture> {
  const digest = await crypto.subtle.digest("SHA-256", await picture.arrayBuffer());
  const hash = [...new Uint8Array(digest)].map((b) => b.toString(16).padStart(2, "0")).join("");
  if (!(await shelf.keepPicture({ hash, picture, keptAt: Date.now(), sent: false })))
    throw new Refusal(0, "This device has no room left for a picture: free some space, then add it again.");
  await keepWaiting({ kind: "picture", jobId: "", words: "a picture", sends: { hash } });
  const { width, height } = await createImageBitmap(picture);
  return { hash, widthPx: width, heightPx: height, bytes: picture.size };
}

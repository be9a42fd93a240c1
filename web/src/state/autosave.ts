import { create } from "zustand";
import { author, isAnothers } from "../api/author";
import { api, Refusal } from "../api/client";
import { onBack } from "../api/reach";
import { waitsOn, wantsSignIn } from "../api/refusal";
import type { Clash, Job, Side } from "../api/types";
import { useSettings } from "../ui/settings";
import { draftOf, left, shelf, useShelf } from "../ui/shelf";
import { drafts, type Draft } from "./drafts";
import { isKept, merged, stands, type Joined } from "./merge";
import { may } from "./session";
import { documentOf, useSheet, type Document } from "./store";
import { keepUndo, takeUndo } from "./undoKept";

type SaveState =
  | { kind: "saved" }
  | { kind: "saving" }
  | { kind: "offline"; since: number; waiting: number; text: string }
  | { kind: "refused"; text: string }
  | { kind: "conflict"; theirs: Job; clashes: Clash[] };

interface Saving {
  state: SaveState;
  revision: number;
  savedAt: string;
  /** What came in from others while this job was open here: so many members, saved at that time; null for nothing. */
  came: { members: number; savedAt: string } | null;
}

export const useSaving = create<Saving>(() => ({ state: { kind: "saved" }, revision: 0, savedAt: "", came: null }));

const pause = 350;
/** While a hand holds something, the change is written on the device now and then, and saved when the hand lets go. */
const draftInHand = 1000;
const saveInHand = 5000;
/** Until the first of a row of failed saves is tried again, and at most; each pause is twice the one before. */
const firstAgain = 1500;
const longestAgain = 30_000;
let id: string | null = null;
/** Whose work the job's changes are; null where whoever is signed in only tries things out. */
let writes: { by?: string } | null = null;
/** When the change that is not saved yet began. */
let since: number | undefined;
let kept: Document | null = null;
/** What the change shown began from: as the revision named has it; unknown for a draft of an earlier version. */
let base: Document | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let busy = false;
/** Saves that failed in a row, and changes since the last that went through. */
let failures = 0;
let waiting = 0;
/** What was sent last and not answered: the server may have taken it. */
let unanswered: Document | undefined;

/** A change that is left over: when it began, and how it goes home. */
interface LeftOver {
  at: number;
  jobId: string;
  /** Answers whether it is through, or was put aside. */
  go: () => Promise<boolean>;
}

/**
 * What was left over in this browser from jobs that are not open, as after the server was away when a page was closed.
 * What cannot be saved stays, and shows when its job is opened; the work of somebody who is not signed in waits for them.
 */
export function leftOver(): LeftOver[] {
  return drafts
    .leftOver()
    .filter(({ name, job }) => job !== id || name !== draftOf(job))
    .map(({ name, job, draft }) => ({ at: draft.since ?? 0, jobId: job, go: () => sendLeft(name, job, draft) }));
}

/** Sends it where nothing else of its job waits: that goes home in the order in which it was done. */
export async function sendLeftOver(): Promise<number> {
  let sent = 0;
  for (const { jobId, go } of leftOver())
    if (left.read("day", jobId) === null && !useShelf.getState().waiting.some((w) => w.jobId === jobId))
      sent += (await go()) ? 1 : 0;
  return sent;
}

async function sendLeft(name: string, job: string, draft: Draft): Promise<boolean> {
  if (isAnothers(draft.by)) {
    await putAside(name, job, draft);
    return false;
  }
  try {
    await sendDraft(job, draft.revision, draft.document, draft.base);
  } catch (error) {
    if (!(error instanceof Refusal) || error.status !== 404) return false;
    await putAside(name, job, draft, true);
    return true;
  }
  drafts.dropNamed(name);
  return true;
}

/** A change that nobody here can save now: it waits to go home by itself, and the job can be changed meanwhile. */
async function putAside(name: string, job: string, draft: Draft, jobGone = false): Promise<void> {
  const kept = await shelf.wait({
    kind: "plan",
    jobId: job,
    ...(draft.by !== undefined && { by: draft.by }),
    at: draft.since ?? Date.now(),
    words: `a change of “${draft.document.name}”`,
    sends: draft,
    ...(jobGone && { jobGone, refused: "The job was deleted meanwhile. Keep the change as a new job." }),
  });
  if (kept) drafts.dropNamed(name);
}

/** Brings home a change that waited. */
export const sendAside = (job: string, { revision, document, base: from }: Draft): Promise<void> =>
  sendDraft(job, revision, document, from);

/** Saves a draft, put together with what others saved meanwhile; where both changed the same, it stays as it is. */
async function sendDraft(job: string, revision: number, document: Document, from: Document | undefined): Promise<void> {
  try {
    await api.save(job, revision, document);
  } catch (error) {
    if (!(error instanceof Refusal) || !error.current) throw error;
    const joined = await merged(from, document, documentOf(error.current), {}, useSettings.getState().units);
    if (!joined.document) throw error;
    if (stands(joined)) return;
    await sendDraft(job, error.current.revision, joined.document, documentOf(error.current));
  }
}

/** A job that was made to be looked at, while nothing has been entered in it. */
let untouched: string | null = null;
const leaving = new Set<() => void>();

/** Calls when a job went that was begun and left again. */
export function onGone(listener: () => void): () => void {
  leaving.add(listener);
  return () => leaving.delete(listener);
}

/**
 * Opens a job on the sheet, with a change that was not acknowledged before, if there is one.
 * @param fresh Whether it was only just begun: it goes again if nothing is entered.
 */
export function openJob(job: Job, fresh = false): void {
  id = job.id;
  untouched = fresh && job.revision === 1 ? job.id : null;
  failures = 0;
  waiting = 0;
  unanswered = undefined;
  since = undefined;
  kept = documentOf(job);
  base = kept;
  useSheet.getState().open(job.id, kept);
  void shelf.opened(job.id);
  useSaving.setState({ state: { kind: "saved" }, revision: job.revision, savedAt: job.savedAt, came: null });
  const draft = drafts.find(job.id);
  writes = may("plan") ? author() : null;
  if (draft && isAnothers(draft.by)) void putAside(draftOf(job.id), job.id, draft);
  else if (draft && JSON.stringify(draft.document) !== JSON.stringify(kept)) {
    if (draft.revision !== job.revision) base = draft.base;
    since = draft.since;
    useSheet.getState().replace(draft.document);
    useSaving.setState({ revision: draft.revision });
    takeUndo(job.id, draft.revision, false);
    return;
  }
  takeUndo(job.id, job.revision, true);
}

/** Remembers what can be undone, for when the page is loaded again. */
function keepSteps(): void {
  if (id !== null) keepUndo(id, useSaving.getState().revision, useSheet.getState().document === kept);
}

export function closeJob(): void {
  keepDraft();
  keepSteps();
  flush();
  if (untouched !== null && untouched === id && useSheet.getState().document === kept)
    void api.remove(untouched).then(
      () => {
        for (const listener of leaving) listener();
      },
      () => undefined,
    );
  untouched = null;
  id = null;
}

/** Takes the other version, after a save was refused as stale. */
export function takeTheirs(theirs: Job): void {
  kept = documentOf(theirs);
  base = kept;
  drafts.drop(theirs.id);
  useSaving.setState({ state: { kind: "saved" }, revision: theirs.revision, savedAt: theirs.savedAt });
  useSheet.getState().replace(kept);
}

/** Puts both versions together as somebody settled it, and saves that; the other one stays among the revisions. */
export async function settle(theirs: Job, settled: Record<string, Side>): Promise<void> {
  const mine = useSheet.getState().document;
  if (!mine) return;
  const joined = await merged(base, mine, documentOf(theirs), settled, useSettings.getState().units);
  if (joined.document) await goOnWith(joined, theirs);
  else useSaving.setState({ state: { kind: "conflict", theirs, clashes: joined.clashes } });
}

/**
 * Goes on with what was put together, on top of what the other side saved.
 * @param whole The other side has it all: nothing is saved again.
 */
async function goOnWith(joined: Joined, theirs: Job, whole = false): Promise<void> {
  kept = documentOf(theirs);
  base = kept;
  useSaving.setState({
    state: { kind: whole ? "saved" : "saving" },
    revision: theirs.revision,
    savedAt: theirs.savedAt,
    came: joined.fromTheirs > 0 ? { members: joined.fromTheirs, savedAt: theirs.savedAt } : null,
  });
  if (whole) {
    drafts.drop(theirs.id);
    failures = 0;
    waiting = 0;
    since = undefined;
    useSheet.getState().adopt(kept);
    return;
  }
  if (joined.document) useSheet.getState().adopt(joined.document);
  keepDraft();
  await save();
}

/**
 * What somebody else just saved is shown at once where nothing is being changed here; otherwise the next save here finds it
 * and puts both together.
 */
export function comeIn(theirs: Job): void {
  const { document, grip } = useSheet.getState();
  const { state, revision } = useSaving.getState();
  if (id === theirs.id && state.kind === "conflict" && theirs.revision > state.theirs.revision) {
    // What is being settled is looked at again beside the newest: the other side may have given way.
    void meet(theirs);
    return;
  }
  if (id !== theirs.id || theirs.revision <= revision || document !== kept || grip !== null || busy) return;
  if (state.kind !== "saved") return;
  kept = documentOf(theirs);
  base = kept;
  untouched = null;
  useSaving.setState({ revision: theirs.revision, savedAt: theirs.savedAt });
  useSheet.getState().adopt(kept);
}

/** Somebody else saved since: what only one side changed is put together at once, the rest is settled by hand. */
async function meet(theirs: Job): Promise<void> {
  for (;;) {
    const mine = useSheet.getState().document;
    if (!mine || id !== theirs.id) return;
    let joined: Joined;
    try {
      const { units } = useSettings.getState();
      // What was sent before and not answered may be what was found: then all that came after it goes on top.
      if (unanswered && (await isKept(unanswered, documentOf(theirs), units))) base = unanswered;
      joined = await merged(base, mine, documentOf(theirs), {}, units);
    } catch {
      // Nobody could put them together just now: both are shown whole.
      joined = { document: null, clashes: [], fromMine: 0, fromTheirs: 0 };
    }
    // What was changed while they were put together is put together too.
    if (useSheet.getState().document !== mine) continue;
    unanswered = undefined;
    if (joined.document) await goOnWith(joined, theirs, stands(joined));
    else useSaving.setState({ state: { kind: "conflict", theirs, clashes: joined.clashes } });
    return;
  }
}

/** Keeps this version as a job of its own and shows the other one here. */
export async function keepBoth(theirs: Job): Promise<Job | null> {
  const mine = useSheet.getState().document;
  if (!mine) return null;
  const copy = await api.create({ ...mine, name: `${mine.name}, other version` });
  takeTheirs(theirs);
  return copy;
}

/** Sends what is not saved yet, as when the page is left. */
export function flush(): void {
  const document = useSheet.getState().document;
  clearTimeout(timer);
  if (
    id !== null &&
    document &&
    document !== kept &&
    !busy &&
    may("plan") &&
    useSaving.getState().state.kind !== "conflict"
  ) {
    void api.save(id, useSaving.getState().revision, document, true).then(
      (job) => {
        drafts.drop(job.id);
        if (id === job.id) {
          kept = document;
          base = document;
          useSaving.setState({ state: { kind: "saved" }, revision: job.revision, savedAt: job.savedAt });
        }
      },
      () => undefined,
    );
  }
}

async function save(): Promise<void> {
  const document = useSheet.getState().document;
  if (busy || id === null || !document || document === kept || useSaving.getState().state.kind === "conflict") return;
  if (!may("plan")) {
    useSaving.setState({
      state: {
        kind: "refused",
        text: "You are not signed in as somebody who changes plans: this is tried out here and not kept.",
      },
    });
    return;
  }
  const job = id;
  busy = true;
  let stale: Job | undefined;
  try {
    const saved = await api.save(job, useSaving.getState().revision, document);
    failures = 0;
    unanswered = undefined;
    untouched = null;
    if (id === job) {
      since = undefined;
      kept = document;
      base = document;
      waiting = useSheet.getState().document === document ? 0 : 1;
      useSaving.setState({ state: { kind: "saved" }, revision: saved.revision, savedAt: saved.savedAt });
    }
    if (useSheet.getState().document === document) drafts.drop(job);
  } catch (error) {
    if (error instanceof Refusal && error.current) stale = error.current;
    else if (wantsSignIn(error))
      useSaving.setState({
        state: {
          kind: "refused",
          text: "Your session is over: the change stays on this device until you sign in again.",
        },
      });
    else if (error instanceof Refusal && !waitsOn(error))
      useSaving.setState({ state: { kind: "refused", text: Object.values(error.errors)[0]?.[0] ?? error.message } });
    else {
      // The server is away, or cannot write just now: what to do is said, and it is tried until it goes through.
      failures++;
      unanswered = document;
      const before = useSaving.getState().state;
      useSaving.setState({
        state: {
          kind: "offline",
          since: before.kind === "offline" ? before.since : Date.now(),
          waiting: Math.max(1, waiting),
          text: error instanceof Refusal ? error.message : "Draklo does not answer.",
        },
      });
    }
  } finally {
    busy = false;
  }
  if (stale && id === job) {
    await meet(stale);
    return;
  }
  // What was refused is sent again when it has been changed, not before.
  const after = useSaving.getState().state.kind;
  const changed = useSheet.getState().document !== document;
  if (id === job && useSheet.getState().document !== kept && (after !== "refused" || changed))
    later(after === "offline" ? Math.min(longestAgain, firstAgain * 2 ** (failures - 1)) : pause);
}

function later(delay: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void save(), delay);
}

let unwritten: ReturnType<typeof setTimeout> | undefined;

/** Writes the change into the browser's own storage: at rest, and before the page is left, not at every step of a drag. */
function keepDraft(): void {
  clearTimeout(unwritten);
  unwritten = undefined;
  const { document, grip } = useSheet.getState();
  // A session that ends keeps nobody's last change from being kept.
  if (id !== null && document && document !== kept && writes !== null)
    drafts.keep(
      id,
      {
        revision: useSaving.getState().revision,
        document,
        since: (since ??= Date.now()),
        ...(base && { base }),
        ...writes,
      },
      grip === null ? "strict" : "relaxed",
    );
}

function keepDraftSoon(after: number): void {
  unwritten ??= setTimeout(keepDraft, after);
}

useSheet.subscribe((now, before) => {
  if (id === null || !now.document) return;
  if (now.document === before.document) {
    // The hand let go.
    if (before.grip !== null && now.grip === null && now.document !== kept) {
      keepDraft();
      if (useSaving.getState().state.kind === "saving") later(pause);
    }
    return;
  }
  if (now.document === kept) {
    // Undone and done again before anything was sent: what is shown is what is kept.
    if (!busy && useSaving.getState().state.kind === "saving") {
      clearTimeout(timer);
      waiting = 0;
      drafts.drop(id);
      useSaving.setState({ state: { kind: "saved" } });
    }
    return;
  }
  const inHand = now.grip !== null;
  keepDraftSoon(inHand ? draftInHand : pause / 2);
  if (now.grip === null || now.grip !== before.grip) waiting++;
  const state = useSaving.getState().state;
  // While saves fail, changes wait for the next try; they do not hasten it.
  if (state.kind === "offline") useSaving.setState({ state: { ...state, waiting: Math.max(1, waiting) } });
  else if (state.kind !== "conflict") {
    useSaving.setState({ state: { kind: "saving" } });
    later(inHand ? saveInHand : pause);
  }
});

// What waits is tried at once when the server is back.
onBack(() => {
  if (useSaving.getState().state.kind === "offline") later(0);
});

window.addEventListener("pagehide", () => {
  keepSteps();
  keepDraft();
  flush();
});

import { create } from "zustand";
import { api, Refusal } from "../api/client";
import type { Job } from "../api/types";
import { documentOf, useSheet, type Document } from "./store";

type SaveState =
  | { kind: "saved" }
  | { kind: "saving" }
  | { kind: "offline" }
  | { kind: "refused"; text: string }
  | { kind: "conflict"; theirs: Job };

interface Saving {
  state: SaveState;
  revision: number;
  savedAt: string;
}

export const useSaving = create<Saving>(() => ({ state: { kind: "saved" }, revision: 0, savedAt: "" }));

const pause = 350;
let id: string | null = null;
let kept: Document | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
let busy = false;

interface Draft {
  revision: number;
  document: Document;
}

/** A change that the server has not acknowledged yet, kept by the browser in case either of them is stopped. */
const drafts = {
  key: (job: string) => `draklo.draft.${job}`,
  keep: (job: string, draft: Draft) => {
    localStorage.setItem(drafts.key(job), JSON.stringify(draft));
  },
  drop: (job: string) => {
    localStorage.removeItem(drafts.key(job));
  },
  find: (job: string): Draft | null => {
    const text = localStorage.getItem(drafts.key(job));
    return text === null ? null : (JSON.parse(text) as Draft);
  },
};

/** Opens a job on the sheet, with a change that was not acknowledged before, if there is one. */
export function openJob(job: Job): void {
  id = job.id;
  kept = documentOf(job);
  useSheet.getState().open(job.id, kept);
  useSaving.setState({ state: { kind: "saved" }, revision: job.revision, savedAt: job.savedAt });
  const draft = drafts.find(job.id);
  if (draft && JSON.stringify(draft.document) !== JSON.stringify(kept)) {
    useSheet.getState().replace(draft.document);
    useSaving.setState({ revision: draft.revision });
  }
}

export function closeJob(): void {
  keepDraft();
  flush();
  id = null;
}

/** Takes the other version, after a save was refused as stale. */
export function takeTheirs(theirs: Job): void {
  kept = documentOf(theirs);
  drafts.drop(theirs.id);
  useSaving.setState({ state: { kind: "saved" }, revision: theirs.revision, savedAt: theirs.savedAt });
  useSheet.getState().replace(kept);
}

/** Saves this version over the other one, which stays among the revisions. */
export async function keepMine(theirs: Job): Promise<void> {
  useSaving.setState({ state: { kind: "saving" }, revision: theirs.revision });
  await save();
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
  if (id !== null && document && document !== kept && !busy && useSaving.getState().state.kind !== "conflict") {
    void api.save(id, useSaving.getState().revision, document, true).then(
      (job) => {
        drafts.drop(job.id);
        if (id === job.id) {
          kept = document;
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
  const job = id;
  busy = true;
  try {
    const saved = await api.save(job, useSaving.getState().revision, document);
    if (id === job) {
      kept = document;
      useSaving.setState({ state: { kind: "saved" }, revision: saved.revision, savedAt: saved.savedAt });
    }
    if (useSheet.getState().document === document) drafts.drop(job);
  } catch (error) {
    if (error instanceof Refusal && error.current)
      useSaving.setState({ state: { kind: "conflict", theirs: error.current } });
    else if (error instanceof Refusal)
      useSaving.setState({ state: { kind: "refused", text: Object.values(error.errors)[0]?.[0] ?? error.message } });
    else useSaving.setState({ state: { kind: "offline" } });
  } finally {
    busy = false;
  }
  // What was refused is sent again when it has been changed, not before.
  const after = useSaving.getState().state.kind;
  const changed = useSheet.getState().document !== document;
  if (id === job && useSheet.getState().document !== kept && (after !== "refused" || changed))
    later(after === "offline" ? 1500 : pause);
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
  const document = useSheet.getState().document;
  if (id !== null && document && document !== kept)
    drafts.keep(id, { revision: useSaving.getState().revision, document });
}

useSheet.subscribe((now, before) => {
  if (id === null || now.document === before.document || !now.document || now.document === kept) return;
  unwritten ??= setTimeout(keepDraft, pause / 2);
  if (useSaving.getState().state.kind !== "conflict") {
    if (useSaving.getState().state.kind !== "offline") useSaving.setState({ state: { kind: "saving" } });
    later(pause);
  }
});

window.addEventListener("pagehide", () => {
  keepDraft();
  flush();
});

import { useSheet, type Document } from "./store";

/** A few steps: what somebody wants back after a reload is what they did last. */
const most = 30;

interface Kept {
  jobId: string;
  /** Of the job as it was left; at another one, somebody else's work would be undone. */
  revision: number;
  /** Whether all of it was saved. */
  saved: boolean;
  past: Document[];
  future: Document[];
}

const key = "draklo.undo";

/** Keeps the steps that can be undone while the page is loaded again; of one job, in this tab. */
export function keepUndo(jobId: string, revision: number, saved: boolean): void {
  const { past, future } = useSheet.getState();
  const kept: Kept = { jobId, revision, saved, past: past.slice(-most), future: future.slice(0, most) };
  try {
    sessionStorage.setItem(key, JSON.stringify(kept));
  } catch {
    // Full, or switched off: then there is nothing to undo after a reload.
  }
}

/** Gives the sheet its steps back, where the job stands as it was left. */
export function takeUndo(jobId: string, revision: number, saved: boolean): void {
  try {
    const kept = JSON.parse(sessionStorage.getItem(key) ?? "null") as Kept | null;
    sessionStorage.removeItem(key);
    if (kept?.jobId === jobId && kept.revision === revision && kept.saved === saved)
      useSheet.getState().restore(kept.past, kept.future);
  } catch {
    // Not readable: nothing is undone by guess.
  }
}

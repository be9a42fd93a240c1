import { draftOf, draftsOf, isInHandElsewhere, jobOfDraft, left, type Durability } from "../ui/shelf";
import type { Document } from "./store";

export interface Draft {
  revision: number;
  document: Document;
  /** What the change began from, so that it can be put together with what others saved meanwhile. */
  base?: Document;
  /** When the change began, by this device's clock. */
  since?: number;
  /** Whose change it is; left out where nobody signs in. */
  by?: string;
}

/** A change that the server has not acknowledged yet, kept on this device in case either of them is stopped. */
export const drafts = {
  /** Keeps this tab's change of a job. */
  keep: (job: string, draft: Draft, durability: Durability = "strict") =>
    left.write("draft", draftOf(job), draft, durability),
  drop: (job: string) => {
    left.drop("draft", draftOf(job));
  },
  /** This tab's change of a job, or one that a tab left which is closed: then it is this tab's from now on. */
  find: (job: string): Draft | null => {
    for (const name of draftsOf(job)) {
      if (isInHandElsewhere(name)) continue;
      const draft = read(name);
      if (draft === null) continue;
      if (name !== draftOf(job)) {
        left.write("draft", draftOf(job), draft);
        left.drop("draft", name);
      }
      return draft;
    }
    return null;
  },
  /** All that no open tab goes on with, by the name under which it is left. */
  leftOver: (): { name: string; job: string; draft: Draft }[] =>
    left
      .jobs("draft")
      .filter((name) => !isInHandElsewhere(name))
      .flatMap((name) => {
        const draft = read(name);
        return draft === null ? [] : [{ name, job: jobOfDraft(name), draft }];
      }),
  dropNamed: (name: string) => {
    left.drop("draft", name);
  },
  jobs: (): string[] => [...new Set(left.jobs("draft").map(jobOfDraft))],
};

function read(name: string): Draft | null {
  const draft = left.read("draft", name);
  if (isDraft(draft)) return draft;
  // Somebody else's, or cut short.
  left.drop("draft", name);
  return null;
}

function isDraft(draft: unknown): draft is Draft {
  if (typeof draft !== "object" || draft === null) return false;
  const { revision, document } = draft as Partial<Draft>;
  return (
    typeof revision === "number" &&
    typeof document === "object" &&
    typeof (document as Partial<Document> | null)?.name === "string" &&
    Array.isArray((document as Partial<Document> | null)?.plan?.lines)
  );
}

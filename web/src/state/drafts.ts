import { left, type Durability } from "../ui/shelf";
import type { Document } from "./store";

export interface Draft {
  revision: number;
  document: Document;
  /** What the change began from, so that it can be put together with what others saved meanwhile. */
  base?: Document;
}

/** A change that the server has not acknowledged yet, kept on this device in case either of them is stopped. */
export const drafts = {
  keep: (job: string, draft: Draft, durability: Durability = "strict") => left.write("draft", job, draft, durability),
  drop: (job: string) => {
    left.drop("draft", job);
  },
  find: (job: string): Draft | null => {
    const draft = left.read("draft", job);
    if (isDraft(draft)) return draft;
    // Somebody else's, or cut short.
    drafts.drop(job);
    return null;
  },
  jobs: () => left.jobs("draft"),
};

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

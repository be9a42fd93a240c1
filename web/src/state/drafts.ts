import { small } from "../ui/shelf";
import type { Document } from "./store";

export interface Draft {
  revision: number;
  document: Document;
  /** What the change began from, so that it can be put together with what others saved meanwhile. */
  base?: Document;
}

/** A change that the server has not acknowledged yet, kept on this device in case either of them is stopped. */
export const drafts = {
  prefix: "draklo.draft.",
  key: (job: string) => drafts.prefix + job,
  keep: (job: string, draft: Draft) => small.write(drafts.key(job), JSON.stringify(draft)),
  drop: (job: string) => {
    small.drop(drafts.key(job));
  },
  find: (job: string): Draft | null => {
    try {
      const draft: unknown = JSON.parse(small.read(drafts.key(job)) ?? "null");
      if (isDraft(draft)) return draft;
    } catch {
      // Not JSON: somebody else's, or cut short.
    }
    drafts.drop(job);
    return null;
  },
  jobs: () => small.keys(drafts.prefix).map((key) => key.slice(drafts.prefix.length)),
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

import type { BriefAnswer } from "../../api/types";

/** How a brief stands, in a few words. */
export function standingOf(brief: BriefAnswer): string {
  return brief.state === "issued"
    ? `Brief ${brief.number}, issued`
    : brief.state === "changedSince"
      ? `Not issued: changed since brief ${brief.number}`
      : "Not issued";
}

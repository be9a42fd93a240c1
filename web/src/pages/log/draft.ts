import type { JobLog, LogAnswer } from "../../api/types";
import { left } from "../../ui/shelf";

/** What has been typed and not been kept yet, with the revision that it began from. */
export interface Draft {
  revision: number;
  /** The log as it was saved then; left out where none was. */
  was?: JobLog;
  log: JobLog;
}

export function keepDraft(jobId: string, draft: Draft): void {
  left.write("log", jobId, draft);
}

export function dropDraft(jobId: string): void {
  left.drop("log", jobId);
}

/** A draft that was left on this device; null for none, or for one that cannot be read. */
export function draftOf(jobId: string): Draft | null {
  const kept = left.read("log", jobId) as Draft | null;
  return kept && typeof kept.revision === "number" && Array.isArray((kept.log as Partial<JobLog> | undefined)?.lines)
    ? kept
    : null;
}

/** The log as its questions first stand: what was read on the day is there, what nobody said is left out. */
export function firstLog(answer: LogAnswer, by: string): JobLog {
  return {
    stage: answer.start.clearing?.alone === true ? "cleared" : "pulled",
    on: answer.start.on,
    by,
    lines: answer.start.lines.map((l) => ({
      lineId: l.lineId,
      fromTrace: l.fromTrace,
      shock: false,
      confirmed: false,
      seatM: l.seatM,
      ...(l.readPeakN === undefined ? {} : { peakN: l.readPeakN }),
      ...(l.readWentN === undefined ? {} : { wentN: l.readWentN }),
      ...(l.people === undefined ? {} : { people: l.people }),
    })),
    knots: [],
    minutes: [],
    nearMisses: [],
    gear: [],
    pictures: [],
    ...countedOf(answer),
  };
}

/** The loads that were counted and timed on the day; nothing where nobody counted. */
function countedOf({ start }: LogAnswer): Pick<JobLog, "clearing"> {
  const of = start.clearing;
  if (!of || of.moved === 0) return {};
  return {
    clearing: {
      way: of.way,
      loads: of.moved,
      lapsMin: of.lapsMin,
      ...(of.readPeakN === undefined ? {} : { peakN: of.readPeakN }),
    },
  };
}

/** A log with what the day read where it says nothing yet, as after the day made it by itself. */
export function filledIn(log: JobLog, answer: LogAnswer, by: string): JobLog {
  const counted = log.clearing ? log : { ...log, ...countedOf(answer) };
  return counted.lines.length > 0
    ? counted
    : { ...firstLog(answer, by), ...counted, lines: firstLog(answer, by).lines };
}

/** How far the top came down from the mark, and to which side, in metres. */
export function fromMark(
  landing: { outM: number; rightM: number },
  mark: { forwardM: number; rightM: number },
): { off: number; beyond: number; right: number } {
  const beyond = landing.outM - mark.forwardM;
  const right = landing.rightM - mark.rightM;
  return { off: Math.hypot(beyond, right), beyond, right };
}

import { beforeEach, describe, expect, it } from "vitest";
import type { LogAnswer } from "../../api/types";
import { draftOf, dropDraft, filledIn, firstLog, fromMark, keepDraft } from "./draft";

const answer: LogAnswer = {
  jobId: "job",
  name: "Lime",
  place: "",
  stage: "pulled",
  revision: 2,
  start: {
    on: "2026-05-01",
    heightM: 20,
    layDeg: 90,
    aimErrorDeg: 5,
    lines: [{ lineId: "main", readPeakN: 1500, readWentN: 1300, fromTrace: true, seatM: 12, people: 2 }],
    tasks: [],
    knots: [],
    gear: [],
  },
};

describe("a log before it is kept", () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    globalThis.localStorage = {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => kept.set(k, v),
      removeItem: (k: string) => kept.delete(k),
    } as unknown as Storage;
  });

  it("begins with what was read on the day", () => {
    const log = firstLog(answer, "Runa");
    expect(log.lines[0]).toMatchObject({ peakN: 1500, wentN: 1300, fromTrace: true, people: 2 });
    expect(log.by).toBe("Runa");
  });

  it("takes the readings up where the day made it by itself, and nothing where somebody wrote", () => {
    const made = { ...firstLog(answer, ""), by: "Mette", lines: [] };
    expect(filledIn(made, answer, "Runa").lines).toHaveLength(1);
    expect(filledIn(made, answer, "Runa").by).toBe("Mette");
    const written = {
      ...made,
      lines: [{ lineId: "main", fromTrace: false, confirmed: false, shock: false, peakN: 900 }],
    };
    expect(filledIn(written, answer, "Runa").lines[0]?.peakN).toBe(900);
  });

  it("lies on this device until it is kept", () => {
    const log = firstLog(answer, "Runa");
    keepDraft("job", { revision: 2, log });
    expect(draftOf("job")).toEqual({ revision: 2, log });
    dropDraft("job");
    expect(draftOf("job")).toBeNull();
  });

  it("passes over what it did not write", () => {
    localStorage.setItem("draklo.log.job", "{]");
    expect(draftOf("job")).toBeNull();
    localStorage.setItem("draklo.log.job", '{"revision":"x"}');
    expect(draftOf("job")).toBeNull();
  });

  it("measures from the mark", () => {
    expect(fromMark({ outM: 17, rightM: 1.3 }, { forwardM: 17, rightM: 0 })).toEqual({
      off: 1.3,
      beyond: 0,
      right: 1.3,
    });
    expect(fromMark({ outM: 20, rightM: -3 }, { forwardM: 16, rightM: 0 }).off).toBeCloseTo(5);
  });
});

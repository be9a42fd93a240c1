import { describe, expect, it } from "vitest";
import type { DayEntry, PullDay } from "../../api/types";
import { stepName, wordsOf } from "./Kept";

const day = {
  steps: [
    { step: "slackOut", name: "slack out", state: "done" },
    { step: "bedTest", name: "bed test", state: "now" },
  ],
} as PullDay;

const kept = (entry: Partial<DayEntry["entry"]>, tension?: DayEntry["tensionN"]): DayEntry =>
  ({
    number: 1,
    at: "2026-11-27T08:00:00Z",
    revision: 1,
    entry: { key: "k", kind: "seen", step: "bedTest", by: "Runa", ...entry },
    ...(tension ? { tensionN: tension } : {}),
  }) as DayEntry;

describe("what was kept, in words", () => {
  it("names a step as the tape does, and one of another school by its own word", () => {
    expect(stepName(day, "slackOut")).toBe("slack out");
    expect(stepName(day, "planned")).toBe("planned");
    expect(stepName(day, undefined)).toBe("another step");
  });
  it("tells a reading with its way, its spread and its line", () => {
    const read = kept(
      { kind: "reading", lineId: "steer", tension: { way: "pluck" } as DayEntry["entry"]["tension"] },
      { low: 1400, nominal: 1574, high: 1750 },
    );
    expect(wordsOf(day, read, "metric")).toBe("steer line, plucked: 1.57 kN (1.4 to 1.75 kN)");
    expect(wordsOf(day, read, "us")).toContain("lbf");
  });
  it("tells everything that was seen, and nothing that was not looked at", () => {
    const seen = { bedded: true, woodBroke: false, cameM: 0.04, leanDeg: 3 } as DayEntry["entry"]["seen"];
    expect(wordsOf(day, kept({ seen }), "metric")).toBe("bedded: yes, small wood broke: no, seat came 4 cm, lean 3°");
  });
  it.each([
    ["move", "to bed test: looked at it"],
    ["stop", "stop: looked at it"],
    ["resume", "on again: looked at it"],
    ["changed", "plan changed: looked at it"],
    ["again", "begun again: looked at it"],
  ] as const)("tells why somebody said %s", (kind, words) => {
    expect(wordsOf(day, kept({ kind, to: "bedTest", because: "looked at it" }), "metric")).toBe(words);
  });
});

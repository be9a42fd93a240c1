import { describe, expect, it } from "vitest";
import type { Analysis, Plan } from "../api/types";
import { stillMissing, wordsOf } from "./missing";

const plan = {
  walkUp: [
    { id: "all", text: "Walked all round", must: true },
    { id: "nest", text: "No nest", must: false },
  ],
  guesses: [],
  provenance: { "tree.heightM": "guess", "tree.taperExponent": "default" },
  crew: [],
  help: { meetAt: "the gate" },
} as unknown as Plan;

const analysis = {
  verdict: {
    reasons: [
      { code: "guess-matters", state: "check", text: "The height is a guess.", path: "tree.heightM" },
      { code: "walk-up-open", state: "check", text: "One point open." },
      { code: "link-fails", state: "stop", text: "The rope fails.", linkId: "main.rope" },
      { code: "guesses-left", state: "ready", text: "Two are guesses." },
    ],
  },
} as unknown as Analysis;

describe("what is still missing", () => {
  it("leads through problems, stops, checks, ticks and what nobody has said, the weightiest first", () => {
    const points = stillMissing({
      plan,
      plannedOn: undefined,
      analysis,
      problems: { "cut.hingeThicknessM": "Too thick." },
    });
    expect(points.map((p) => p.key)).toEqual([
      "mend cut.hingeThicknessM",
      "link-fails main.rope",
      "guess-matters tree.heightM",
      "tick all",
      "guess tree.taperExponent",
      "crew",
      "help.nearestRoad",
      "help.caller",
      "help.kitAt",
      "day",
    ]);
  });

  it("is empty once everything is said", () => {
    const whole = {
      walkUp: [],
      guesses: [],
      provenance: {},
      crew: [{ role: "faller" }],
      help: { meetAt: "a", nearestRoad: "b", caller: "c", kitAt: "d" },
    } as unknown as Plan;
    const sound = { verdict: { reasons: [] } } as unknown as Analysis;
    expect(stillMissing({ plan: whole, plannedOn: "2027-03-09", analysis: sound, problems: {} })).toEqual([]);
  });

  it("writes a member's path as words", () => {
    expect(wordsOf("tree.crown.baseHeightM")).toBe("crown base height");
    expect(wordsOf("lines[0].anchor.bearingDeg")).toBe("anchor bearing");
  });
});

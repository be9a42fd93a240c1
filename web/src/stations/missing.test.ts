import { describe, expect, it } from "vitest";
import type { Analysis, Plan } from "../api/types";
import { nameOf, stillMissing } from "./missing";

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
      "tick all",
      "guess-matters tree.heightM",
      "crew",
      "help.nearestRoad",
      "help.caller",
      "help.kitAt",
      "day",
    ]);
  });

  it("asks for no guess that changes nothing, and tells which the eye can confirm", () => {
    const asked = stillMissing({
      plan: { ...plan, provenance: { "tree.taperExponent": "guess" } } as unknown as Plan,
      plannedOn: "2027-03-09",
      analysis: {
        verdict: {
          reasons: ["tree.crown.reachM.north", "tree.heightM", "lines[0].seat.heightM", "lines[0].rope.lengthM"].map(
            (path) => ({ code: "guess-matters", state: "check", text: "A guess.", path }),
          ),
        },
      } as unknown as Analysis,
      problems: {},
    });
    expect(asked.some((p) => p.path === "tree.taperExponent")).toBe(false);
    expect(asked.filter((p) => p.asDrawn).map((p) => p.path)).toEqual([
      "tree.crown.reachM.north",
      "lines[0].seat.heightM",
    ]);
  });

  it("is empty once everything is said", () => {
    const whole = {
      walkUp: [],
      guesses: [],
      provenance: {},
      follows: [],
      crew: [{ role: "faller" }, { role: "hauler" }],
      help: { meetAt: "a", nearestRoad: "b", caller: "c", kitAt: "d" },
    } as unknown as Plan;
    const sound = { verdict: { reasons: [] } } as unknown as Analysis;
    expect(stillMissing({ plan: whole, plannedOn: "2027-03-09", analysis: sound, problems: {} })).toEqual([]);
  });

  it("calls a member what the page calls it, and says of which part", () => {
    expect(nameOf("tree.dbhM", plan)).toBe("breast diameter");
    const two = {
      ...plan,
      lines: [{ id: "main" }, { id: "steer" }],
      site: { targets: [{ name: "chapel" }] },
    } as unknown as Plan;
    expect(nameOf("lines[1].anchor.tree.dbhM", two)).toBe("breast diameter of the anchor, steer line");
    expect(nameOf("site.targets[0].heightM", two)).toMatch(/ of chapel$/);
  });

  it("keeps its order while one answers: by station, then by member, whatever weighs most", () => {
    const guesses = (from: string[]) =>
      stillMissing({
        plan,
        plannedOn: "2027-03-09",
        analysis: {
          verdict: {
            reasons: from.map((path) => ({ code: "guess-matters", state: "check", text: "A guess.", path })),
          },
        } as unknown as Analysis,
        problems: {},
      })
        .map((p) => p.path ?? "")
        .filter((p) => from.includes(p));
    const all = ["cut.hingeThicknessM", "lines[0].seat.heightM", "tree.heightM", "tree.crown.baseHeightM"];
    const order = ["tree.heightM", "tree.crown.baseHeightM", "lines[0].seat.heightM", "cut.hingeThicknessM"];
    expect(guesses(all)).toEqual(order);
    expect(guesses(all.slice(0, 3))).toEqual([order[0], order[2], order[3]]);
  });
});

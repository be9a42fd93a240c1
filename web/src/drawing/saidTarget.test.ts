import { describe, expect, it } from "vitest";
import type { Plan } from "../api/types";
import { saidTarget } from "./saidTarget";

const plan = { tree: { heightM: 20 }, lay: { bearingDeg: 0 }, site: { targets: [] } } as unknown as Plan;

const said = (text: string, units: "metric" | "us" = "metric") => saidTarget(text, plan, units, "other");
const corners = (text: string, units: "metric" | "us" = "metric") => {
  const answer = said(text, units);
  return "target" in answer ? answer.target.points.map((p) => [p.eastM, p.northM]) : answer.problem;
};

describe("a target as one says it", () => {
  it("stands so far out and to its side, as wide and as deep as it was said", () => {
    const shed = said("shed, 6 m left of the lay, 12 m out, 4 × 3");
    expect(shed).toMatchObject({ target: { kind: "building", name: "shed", closed: true } });
    const place = [
      [-8, 10.5],
      [-4, 10.5],
      [-4, 13.5],
      [-8, 13.5],
    ];
    expect(corners("shed, 6 m left of the lay, 12 m out, 4 × 3")).toEqual(place);
    expect(corners("shed 6 l 12 out 4x3")).toEqual(place);
    expect(corners("4 by 3 shed 12m out and 6m left")).toEqual(place);
  });

  it("runs across the lay where it is said how far out, along it where only its side is", () => {
    expect(corners("road 30 out")).toEqual([
      [-30, 30],
      [30, 30],
    ]);
    expect(corners("lane 8.5 right")).toEqual([
      [8.5, -30],
      [8.5, 30],
    ]);
    expect(corners("path 10 behind across")).toEqual([
      [-30, -10],
      [30, -10],
    ]);
  });

  it("reads a comma in a figure, feet, and a name of several words", () => {
    expect(corners("oak 7,5 out 2 right")).toEqual([[2, 7.5]]);
    expect(corners("oak 100 ft out", "us")).toEqual([[0, 30.5]]);
    expect(said("old garden wall 12 out")).toMatchObject({ target: { kind: "wall", name: "old garden wall" } });
    expect(said("thing 12 out")).toMatchObject({ target: { kind: "other", name: "thing" } });
  });

  it("says what it lacks, or could not read", () => {
    expect(said("shed")).toEqual({ problem: "Say where it is: “12 m out”, “6 m left”, or both." });
    expect(said("shed 12 out 7")).toHaveProperty("problem");
  });
});

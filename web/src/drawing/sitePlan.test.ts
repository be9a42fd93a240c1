import { describe, expect, it } from "vitest";
import type { Plan, RoseBearing, Target } from "../api/types";
import { bearingOf, cleared, placeAt, runsOf, sectorPath, targetBySide, turnedTo, usualTarget } from "./sitePlan";

const plan = {
  tree: { heightM: 20 },
  lay: { bearingDeg: 0 },
  site: { targets: [{ id: "building", points: [] }] },
  lines: [
    {
      id: "main",
      anchor: { name: "oak", bearingDeg: 10, capacityN: 9000 },
      redirects: [],
      puller: { place: { eastM: 1, northM: 2 } },
    },
  ],
} as unknown as Plan;

const rose = (states: RoseBearing["state"][]): RoseBearing[] =>
  states.map((state, i) => ({ bearingDeg: i * 90, state, why: "", neededTensionN: 1000 - i })) as RoseBearing[];

describe("the plan from above", () => {
  it("turns bearings into places and back, clockwise from north", () => {
    expect(placeAt(10, 90).eastM).toBeCloseTo(10);
    expect(placeAt(10, 180).northM).toBeCloseTo(-10);
    expect(bearingOf({ x: -5, y: 0 })).toBe(270);
    expect(bearingOf({ x: 5, y: 5 })).toBe(45);
  });

  it("draws a sector from its first bearing clockwise, north being up", () => {
    expect(sectorPath({ x: 100, y: 100 }, 0, 50, 0, 90)).toMatch(
      /^M100\.0 100\.0L100\.0 50\.0A50 50 0 0 1 150\.0 100\.0/,
    );
  });

  it("never claims a clearance closer than a tenth", () => {
    expect(cleared(0.04, "metric")).toBe("under 0.1 m");
    expect(cleared(2.04, "metric")).toBe("2 m");
    expect(cleared(10, "us")).toBe("32.8 ft");
  });

  it("puts a new target in under a name that is free, aside of the lay", () => {
    const target = usualTarget("building", plan);
    expect(target.id).toBe("building-2");
    expect(target.closed).toBe(true);
    expect(Math.min(...target.points.map((p) => p.eastM))).toBeGreaterThan(0);
    expect(usualTarget("powerLine", plan)).toMatchObject({ id: "power-line", closed: false });
  });

  it("puts no two new targets on one spot", () => {
    let targets: Target[] = [];
    for (let n = 0; n < 8; n++)
      targets = [...targets, usualTarget("tree", { ...plan, site: { targets } } as unknown as Plan)];
    const spots = targets.map((t) => `${t.points[0]?.eastM} ${t.points[0]?.northM}`);
    expect(new Set(spots).size).toBe(8);
  });

  it("puts a target in by its distance and side, off a lay that is turned", () => {
    const east = { ...plan, lay: { bearingDeg: 90 } } as Plan;
    const shed = targetBySide("building", east, { outM: 12, rightM: -6, wideM: 4, deepM: 3 });
    // Left of a lay toward east is north.
    expect(shed.points.map((p) => [p.eastM, p.northM])).toEqual([
      [10.5, 8],
      [10.5, 4],
      [13.5, 4],
      [13.5, 8],
    ]);
    const road = targetBySide("road", east, { outM: 20, rightM: 0, wideM: 30, deepM: 0 });
    expect(road.points.map((p) => [p.eastM, p.northM])).toEqual([
      [20, 15],
      [20, -15],
    ]);
    expect(targetBySide("path", east, { outM: 20, rightM: 5, wideM: 0, deepM: 10 }).points).toHaveLength(2);
    expect(targetBySide("tree", east, { outM: 20, rightM: 5, wideM: 9, deepM: 9 }).points).toHaveLength(1);
  });
});

describe("the rose in runs", () => {
  it("joins neighbours, across north too, and names the easiest", () => {
    const runs = runsOf(rose(["open", "closed", "tight", "open"]));
    expect(runs.map((r) => [r.state, r.fromDeg, r.toDeg])).toEqual([
      ["closed", 90, 90],
      ["tight", 180, 180],
      ["open", 270, 0],
    ]);
    expect(runs[2]?.best.bearingDeg).toBe(270);
  });

  it("is one run when all are alike", () => {
    expect(runsOf(rose(["closed", "closed", "closed", "closed"]))).toHaveLength(1);
  });
});

describe("turning the lay", () => {
  it("keeps an anchor that still stands ahead", () => {
    expect(turnedTo(plan, 40).lines[0]?.anchor).toMatchObject({ name: "oak", bearingDeg: 10 });
    expect(turnedTo(plan, 310).lines[0]?.anchor.bearingDeg).toBe(10);
  });

  it("takes one along that would stand too far off, and forgets what was known of it", () => {
    const turned = turnedTo(plan, 180);
    expect(turned.lay.bearingDeg).toBe(180);
    expect(turned.lines[0]?.anchor).toEqual({ bearingDeg: 180, kind: "rated" });
    expect(turned.lines[0]?.puller).toEqual({});
  });

  it("goes by the first redirect, and takes redirects and anchor along together", () => {
    const round = {
      ...plan,
      lines: plan.lines.map((l) => ({
        ...l,
        redirects: [{ at: { ...l.anchor, bearingDeg: 100 }, contactId: "bushed-block" }],
      })),
    };
    expect(turnedTo(round, 90).lines[0]?.redirects[0]?.at.bearingDeg).toBe(100);
    const turned = turnedTo(round, 200).lines[0];
    expect(turned?.redirects[0]?.at.bearingDeg).toBe(200);
    expect(turned?.anchor.bearingDeg).toBe(110);
  });
});

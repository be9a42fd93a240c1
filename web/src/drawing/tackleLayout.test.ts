import { describe, expect, it } from "vitest";
import type { TackleView } from "../api/types";
import { costWords, frictionParts, labelRows, layOut, progressOf, resetSteps, setLength } from "./tackleLayout";

const three = {
  arrangement: {
    points: [
      { id: "anchor", position: 0, kind: "fixed" },
      { id: "load", position: 10, kind: "load" },
      { id: "hand", position: -10, kind: "hand" },
    ],
    ropes: [
      {
        from: "hand",
        contacts: [{ point: "load", efficiency: 0.9 }, { point: "anchor", efficiency: 0.9 }, { point: "load" }],
      },
    ],
  },
  startsM: [0, 6, -2.5],
  speeds: [0, -1 / 3, -1],
  pointForcesN: [900, 2710, 1000],
  legForcesN: [1000, 900, 810],
  idealAdvantage: 3,
  takeUpM: 12,
  sets: { sets: 3, linePerSetM: 5, haulPerSetM: 15 },
  heldBy: "the Machard",
} as unknown as TackleView;

describe("the tackle laid out", () => {
  it("gives every leg a lane of its own, one under another along the rope", () => {
    const { legs, lanes } = layOut(three, 0);
    expect(legs.map((l) => [l.lane, l.from, l.to, l.turns])).toEqual([
      [0, -2.5, 6, true],
      [1, 6, 0, true],
      [2, 0, 6, false],
    ]);
    expect(lanes).toBe(3);
  });

  it("spans every point over the lanes that it touches", () => {
    const { points } = layOut(three, 0);
    expect(points.map((p) => [p.id, p.first, p.last])).toEqual([
      ["anchor", 1, 2],
      ["load", 0, 2],
      ["hand", 0, 0],
    ]);
  });

  it("leaves out a point that no rope comes to", () => {
    const direct = {
      ...three,
      arrangement: { ...three.arrangement, ropes: [{ from: "hand", contacts: [{ point: "load" }] }] },
    } as unknown as TackleView;
    expect(layOut(direct, 0).points.map((p) => p.id)).toEqual(["load", "hand"]);
  });

  it("draws the load in as rope is hauled, and leaves hand and anchor", () => {
    const { points } = layOut(three, 6);
    expect(points.map((p) => p.at)).toEqual([0, 4, -2.5]);
  });
});

describe("the haul", () => {
  it("counts rope and line over the sets, and no farther than the take-up", () => {
    expect(setLength(three)).toBe(15);
    expect(progressOf(three, 0, 6)).toEqual({ set: 1, hauledM: 6, lineInM: 2 });
    expect(progressOf(three, 2, 15)).toEqual({ set: 3, hauledM: 36, lineInM: 12 });
  });

  it("hauls all of it in one go where no blocks meet", () => {
    expect(setLength({ ...three, sets: { sets: 1 } } as unknown as TackleView)).toBe(36);
  });

  it("names what holds before anything is opened", () => {
    expect(resetSteps(three)[0]).toBe("Hold: the Machard");
  });
});

it("puts a name that would run into another in the next row, and keeps all of them on the sheet", () => {
  const rows = labelRows(
    [
      { text: "anchor 1.5 kN", x: 300 },
      { text: "traveller 0.9 kN", x: 320 },
      { text: "grip", x: 100 },
      { text: "a long name at the edge", x: 398 },
    ],
    7,
    400,
  );
  expect(rows.map((r) => [r.text.split(" ")[0], r.row])).toEqual([
    ["grip", 0],
    ["anchor", 0],
    ["traveller", 1],
    ["a", 2],
  ]);
  expect(Math.max(...rows.map((r) => r.x + (r.text.length * 7) / 2))).toBeLessThanOrEqual(400);
});

it("lays what friction took one after the other up to the ideal", () => {
  const parts = frictionParts({
    ...three,
    actualAdvantage: 2.71,
    costs: [{ costs: 0.2 }, { costs: 0.09 }],
  } as unknown as TackleView);
  expect(parts[0]?.from).toBeCloseTo(2.71);
  expect(parts[1]?.from).toBeCloseTo(2.91);
  expect(parts[1]?.to).toBeCloseTo(3);
});

it("names every contact with what it takes, as far as there is room", () => {
  const view = {
    costs: [
      { point: "load", costs: 0.4 },
      { point: "traveller-1", costs: 0.271 },
    ],
    contacts: [{ name: "One carabiner" }, { name: "Plain-bushed block" }],
  } as unknown as TackleView;
  expect(costWords(view, 200)).toBe("load (one carabiner) 0.40, traveller 1 (plain-bushed block) 0.27");
  expect(costWords(view, 40)).toBe("load (one carabiner) 0.40, and 1 more");
  expect(costWords({ costs: [], contacts: [] } as unknown as TackleView, 40)).toBe("");
});

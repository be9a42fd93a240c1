import type { Composed } from "../api/types";
import { describe, expect, it } from "vitest";
import {
  idOf,
  movedStage,
  renamed,
  withContact,
  withKind,
  withStage,
  withTraveller,
  withTurn,
  withoutContact,
  withoutPoint,
  withoutStage,
} from "./compose";

const staged: Composed = {
  stages: [
    { kind: "three", contactIds: [], legsApartDeg: 0 },
    { kind: "two", contactIds: [], legsApartDeg: 0 },
  ],
  points: [],
  ropes: [],
};

const free: Composed = {
  stages: [],
  points: [
    { id: "anchor", position: 0, kind: "fixed" },
    { id: "load", position: 10, kind: "load" },
    { id: "hand", position: -10, kind: "hand" },
    { id: "traveller-1", position: 5, kind: "moving" },
  ],
  ropes: [
    {
      from: "hand",
      contacts: [
        { point: "traveller-1", offAxisDeg: 0 },
        { point: "anchor", offAxisDeg: 0 },
      ],
    },
    {
      from: "traveller-1",
      contacts: [
        { point: "load", contactId: "one-carabiner", offAxisDeg: 0 },
        { point: "anchor", offAxisDeg: 0 },
      ],
    },
  ],
};

describe("stages", () => {
  it("are added before the two grips, moved and taken away", () => {
    const grips = withStage(staged, "betweenGrips");
    expect(withStage(grips, "five").stages.map((s) => s.kind)).toEqual(["three", "two", "five", "betweenGrips"]);
    expect(movedStage(staged, 0, 1).stages.map((s) => s.kind)).toEqual(["two", "three"]);
    expect(movedStage(staged, 1, 1)).toBe(staged);
    expect(withoutStage(staged, 0).stages.map((s) => s.kind)).toEqual(["two"]);
  });
  it("keep a turn's own kind at its place and drop what is as usual", () => {
    const second = withTurn(staged, 0, 1, "friction-ring", "bushed-block");
    expect(second.stages[0]?.contactIds).toEqual(["bushed-block", "friction-ring"]);
    expect(withTurn(second, 0, 1, "bushed-block", "bushed-block").stages[0]?.contactIds).toEqual([]);
    expect(withKind(second, 0, "two", 1).stages[0]).toMatchObject({ kind: "two", contactIds: ["bushed-block"] });
  });
});

describe("rope by rope", () => {
  it("adds a traveller with the rope that hauls it and takes both away again", () => {
    const more = withTraveller(free);
    expect(more.points.at(-1)?.id).toBe("traveller-2");
    expect(more.ropes.at(-1)?.from).toBe("traveller-2");
    expect(withoutPoint(more, "traveller-2")).toEqual(free);
  });
  it("renames a point wherever a rope runs to it", () => {
    const named = renamed(free, "traveller-1", "cart");
    expect(named.ropes.map((r) => r.from)).toEqual(["hand", "cart"]);
    expect(named.ropes[0]?.contacts[0]?.point).toBe("cart");
  });
  it("does not leave a turn's kind where the rope is made fast", () => {
    expect(withoutContact(free, 1, 1).ropes[1]?.contacts).toEqual([{ point: "load", offAxisDeg: 0 }]);
    expect(withContact(free, 0, "load").ropes[0]?.contacts.map((c) => c.point)).toEqual([
      "traveller-1",
      "anchor",
      "load",
    ]);
  });
});

it("makes ids of names", () => {
  expect(idOf("  Quick four, no. 2! ")).toBe("quick-four-no-2");
});

import { describe, expect, it } from "vitest";
import type { GearEntry, Plan } from "../api/types";
import type { Starts } from "../state/starts";
import { withoutPieces } from "../state/store";
import { fits, hung, unhung } from "./hang";

const plan = {
  provenance: {},
  follows: [],
  accepted: [],
  guesses: ["lines[0].rope.breakingStrengthN"],
  lines: [
    {
      id: "main",
      rope: { breakingStrengthN: 1, lengthM: 1, diameterM: 0.01, stretchAtTenPercent: 0.05, wear: { ageYears: 9 } },
      tackle: {
        systemId: "five-to-one",
        contactId: "bushed-block",
        grip: { gripId: "prusik", endKnotId: "eye-splice", slipN: 6000 },
      },
      anchor: {},
      redirects: [],
    },
  ],
} as unknown as Plan;

const starts = {
  stretchAtTenPercent: 0.03,
  tackleRope: { endKnotId: "bowline" },
  grip: { gripId: "machard", endKnotId: "double-fisherman" },
  sling: { hitch: "choked", halfAngleDeg: 0 },
} as Starts;

const entry = (
  item: Partial<GearEntry["item"]>,
  strength: GearEntry["strength"] = { newtons: 46000, source: "label", how: "" },
  ageYears?: number,
): GearEntry => ({
  item: { id: "x", kind: "rope", name: "x", count: 1, flaws: [], state: "inService", ...item },
  revision: 1,
  strength,
  wears: true,
  flags: [],
  ...(ageYears === undefined ? {} : { ageYears }),
});

const rope = entry(
  { id: "red", lengthM: 60, diameterM: 0.0127, constructionId: "double-braid", keeps: 0.9 },
  { newtons: 46000, source: "label", how: "" },
  2.5,
);

describe("hanging a piece of the locker", () => {
  it("copies a rope's figures, its age and what was left of it, and it is no guess any more", () => {
    const next = hung(plan, "lines[0].rope", "rope", rope, starts);
    expect(next.lines[0]?.rope).toEqual({
      breakingStrengthN: 46000,
      lengthM: 60,
      diameterM: 0.0127,
      stretchAtTenPercent: 0.03,
      constructionId: "double-braid",
      wear: { ageYears: 2.5, keeps: 0.9, wet: false },
      itemId: "red",
    });
    expect(next.guesses).toEqual([]);
    expect(next.provenance).toEqual({ "lines[0].rope.breakingStrengthN": "locker" });
  });

  it("keeps an estimate marked as a guess", () => {
    const next = hung(
      { ...plan, guesses: [] },
      "lines[0].rope",
      "rope",
      { ...rope, strength: { newtons: 29000, source: "estimate", how: "" } },
      starts,
    );
    expect(next.provenance).toEqual({ "lines[0].rope.breakingStrengthN": "guess" });
  });

  it("keeps how a grip was tied, and drops a trial made with another cord", () => {
    const grip = hung(
      plan,
      "lines[0].tackle.grip",
      "grip",
      entry({ id: "loop", kind: "grip", diameterM: 0.008 }, { newtons: 15000, source: "label", how: "" }),
      starts,
    ).lines[0]?.tackle.grip;
    expect(grip).toEqual({
      gripId: "prusik",
      endKnotId: "eye-splice",
      cordStrengthN: 15000,
      cordDiameterM: 0.008,
      itemId: "loop",
    });
  });

  it("takes turns and sheave from blocks, and the system from a made-up set", () => {
    const tackle = hung(
      plan,
      "lines[0].tackle",
      "blocks",
      entry({ id: "b", kind: "block", diameterM: 0.075, contactId: "ball-bearing-block" }),
      starts,
    ).lines[0]?.tackle;
    expect(tackle).toMatchObject({
      contactId: "ball-bearing-block",
      sheaveDiameterM: 0.075,
      hardwareStrengthN: 46000,
      hardwareItemId: "b",
      systemId: "five-to-one",
    });
    expect(
      hung(plan, "lines[0].tackle", "blocks", entry({ kind: "tackleSet", systemId: "three-to-one" }), starts).lines[0]
        ?.tackle.systemId,
    ).toBe("three-to-one");
    // A set that is rove already takes the place of a composed tackle and of what sat at its turns.
    const composed = {
      ...plan,
      lines: plan.lines.map((l) => ({
        ...l,
        tackle: {
          ...l.tackle,
          systemId: "composed",
          composed: { stages: [], points: [], ropes: [] },
          capture: { kind: "cam", rope: 0, contact: 0 },
        },
      })),
    } as unknown as typeof plan;
    const set = hung(
      composed,
      "lines[0].tackle",
      "blocks",
      entry({ kind: "tackleSet", systemId: "three-to-one" }),
      starts,
    ).lines[0]?.tackle;
    expect([set?.systemId, set?.composed, set?.capture]).toEqual(["three-to-one", undefined, undefined]);
  });

  it("takes only what fits, with its strength known", () => {
    expect(fits(rope, "rope")).toBe(true);
    expect(fits(rope, "sling")).toBe(false);
    expect(fits(entry({ lengthM: 5, diameterM: 0.01 }, { source: "unknown", how: "" }), "rope")).toBe(false);
    expect(fits(entry({ kind: "drum" }, { source: "unknown", how: "" }), "drum")).toBe(true);
  });

  it("is taken off with its figures left, and a copied line names no piece", () => {
    const next = hung(plan, "lines[0].rope", "rope", rope, starts);
    expect(unhung(next, "lines[0].rope", "rope").lines[0]?.rope).toMatchObject({ breakingStrengthN: 46000 });
    expect(unhung(next, "lines[0].rope", "rope").lines[0]?.rope.itemId).toBeUndefined();
    const [line] = next.lines;
    expect(line && withoutPieces(line).rope.itemId).toBeUndefined();
  });
});

import { beforeEach, describe, expect, it } from "vitest";
import type { Plan } from "../api/types";
import { valueAt, withValue } from "./paths";
import { setMember, toggleGuess, useSheet, withAnotherLine, withoutLine } from "./store";

const plan = {
  tree: { heightM: 21 },
  lines: [
    { id: "main", share: 1, seat: { heightM: 13 }, anchor: { name: "oak", bearingDeg: 350, capacityN: 9000 } },
    { id: "steer", share: 0.5, seat: { heightM: 10 }, anchor: { bearingDeg: 20 } },
  ],
  provenance: {},
  accepted: [],
  guesses: ["tree.heightM", "lines[0].seat.heightM", "lines[1].seat.heightM"],
  follows: [],
} as unknown as Plan;

describe("paths", () => {
  it("reads and changes a member without touching the rest", () => {
    const changed = withValue(plan, "lines[1].seat.heightM", 9);
    expect(valueAt(changed, "lines[1].seat.heightM")).toBe(9);
    expect(valueAt(plan, "lines[1].seat.heightM")).toBe(10);
    expect(changed.lines[0]).toBe(plan.lines[0]);
    expect(valueAt(changed, "lines[7].seat.heightM")).toBeUndefined();
  });

  it("makes missing groups and takes members away", () => {
    const slung = withValue(plan, "lines[0].anchor.sling.hitch", "choked");
    expect(valueAt(slung, "lines[0].anchor.sling")).toEqual({ hitch: "choked" });
    expect("sling" in (withValue(slung, "lines[0].anchor.sling", undefined).lines[0]?.anchor ?? {})).toBe(false);
  });
});

describe("the sheet's edits", () => {
  beforeEach(() => {
    useSheet.getState().open("job", { name: "n", place: "p", plan });
  });
  const height = () => valueAt(useSheet.getState().document?.plan, "tree.heightM");

  it("undoes and redoes step by step", () => {
    setMember("tree.heightM", 22);
    setMember("tree.heightM", 23);
    useSheet.getState().undo();
    expect(height()).toBe(22);
    useSheet.getState().undo();
    useSheet.getState().undo();
    expect(height()).toBe(21);
    useSheet.getState().redo();
    useSheet.getState().redo();
    useSheet.getState().redo();
    expect(height()).toBe(23);
  });

  it("takes a drag as one step, and the next drag as another", () => {
    for (const h of [22, 23, 24]) setMember("tree.heightM", h, "drag");
    useSheet.getState().release();
    setMember("tree.heightM", 25, "drag");
    useSheet.getState().undo();
    expect(height()).toBe(24);
    useSheet.getState().undo();
    expect(height()).toBe(21);
  });

  it("forgets what was undone once something else is done", () => {
    setMember("tree.heightM", 22);
    useSheet.getState().undo();
    setMember("tree.heightM", 30);
    useSheet.getState().redo();
    expect(height()).toBe(30);
  });

  it("takes a given figure for no guess any more, and gives the mark back on undo", () => {
    setMember("tree.heightM", 22);
    expect(useSheet.getState().document?.plan.guesses).not.toContain("tree.heightM");
    useSheet.getState().undo();
    expect(useSheet.getState().document?.plan.guesses).toContain("tree.heightM");
    toggleGuess("tree.heightM");
    expect(useSheet.getState().document?.plan.guesses).not.toContain("tree.heightM");
  });
});

describe("lines", () => {
  it("moves guesses along when a line goes", () => {
    expect(withoutLine(plan, 0).guesses).toEqual(["tree.heightM", "lines[0].seat.heightM"]);
    expect(withoutLine(plan, 0).lines.map((l) => l.id)).toEqual(["steer"]);
  });

  it("adds one of another name whose anchor is not yet known", () => {
    const more = withAnotherLine(plan);
    expect(more.lines.map((l) => l.id)).toEqual(["main", "steer", "second"]);
    expect(more.lines[2]?.anchor.bearingDeg).toBe(40);
    expect(withAnotherLine({ ...plan, lines: plan.lines.slice(0, 1) }).lines[1]?.anchor).not.toHaveProperty(
      "capacityN",
    );
  });
});

import { describe, expect, it } from "vitest";
import type { GearEntry } from "../../api/types";
import { filtered, inSight } from "./words";

const piece = (id: string, part: Partial<GearEntry["item"]> = {}, flags: GearEntry["flags"] = []): GearEntry => ({
  item: { id, kind: "rope", name: id, count: 1, flaws: [], state: "inService", ...part },
  revision: 1,
  strength: { source: "label", how: "", newtons: 1 },
  wears: true,
  flags,
});
const pieces = [
  piece("red", { name: "Red line", marks: "tag 12" }),
  piece("blue", { name: "Blue line", state: "retired", reason: "cut" }),
  piece("block", { name: "Small block", kind: "block" }, [{ kind: "inspectionDue", text: "due" }]),
];
const ids = (entries: GearEntry[]) => entries.map((e) => e.item.id);

describe("search and filters of the locker", () => {
  it("wants every word somewhere in the piece", () => {
    expect(ids(filtered(pieces, "line TAG", "all", "all"))).toEqual(["red"]);
    expect(ids(filtered(pieces, "cut", "all", "all"))).toEqual(["blue"]);
    expect(ids(filtered(pieces, "  ", "all", "all"))).toEqual(["red", "blue", "block"]);
    expect(filtered(pieces, "nothing", "all", "all")).toEqual([]);
  });

  it("filters by kind, state and flags at once", () => {
    expect(ids(filtered(pieces, "", "rope", "inService"))).toEqual(["red"]);
    expect(ids(filtered(pieces, "", "all", "flagged"))).toEqual(["block"]);
    expect(ids(filtered(pieces, "", "all", "retired"))).toEqual(["blue"]);
  });
});

describe("rows in sight", () => {
  it("are those of the window and a few to spare, never past the ends", () => {
    expect(inSight(5000, 40, 0, 400)).toEqual([0, 16]);
    expect(inSight(5000, 40, 4000, 400)).toEqual([94, 116]);
    expect(inSight(5000, 40, 5000 * 40, 400)[1]).toBe(5000);
    expect(inSight(3, 40, 0, 400)).toEqual([0, 3]);
    expect(inSight(0, 40, 0, 400)).toEqual([0, 0]);
  });
});

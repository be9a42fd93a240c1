import { describe, expect, it } from "vitest";
import type { Clearing, WayResult } from "../api/types";
import { groundUp, gripsOf, sectionBounds } from "./section";

const spots = [
  { atM: 0, upM: 10 },
  { atM: 10, upM: 10 },
  { atM: 30, upM: 0 },
];
const fast = { atM: 28, heightM: 0.5, kind: "rated" } as const;
const clearing = {
  way: "fly",
  stemCutsM: [],
  pieces: [{ id: "log", name: "", count: 3, lengthM: 3, buttM: 0.3, atM: 25 }],
  ground: { leftName: "", rightName: "", spots, landingAtM: 4, surfaceId: "drag-litter", soft: false, obstacles: [] },
  high: {
    atM: 8,
    blockHeightM: 12,
    topped: false,
    stem: { dbhM: 0.4, heightM: 20, groundId: "roots-ordinary", soundness: 1 },
  },
  low: fast,
  people: [{ name: "Ines", task: "", atM: 2, offM: 5 }],
  times: [],
} as unknown as Clearing;

const fly: Pick<WayResult, "way" | "uses"> = { way: "fly", uses: ["pieces", "high", "block", "low", "hauler", "line"] };
const drag: Pick<WayResult, "way" | "uses"> = { way: "drag", uses: ["pieces", "lead", "hauler", "haul", "sling"] };

describe("the section", () => {
  it("is level past its ends and straight between its spots", () => {
    expect(groundUp(spots, -5)).toBe(10);
    expect(groundUp(spots, 20)).toBe(5);
    expect(groundUp(spots, 99)).toBe(0);
  });

  it("offers to take hold of what the way uses, and of nothing else", () => {
    const ids = gripsOf(clearing, fly, "way").map((g) => g.id);
    expect(ids).toEqual(["piece-0", "landing", "high", "low", "hauler"]);
    expect(gripsOf(clearing, drag, "way").map((g) => g.id)).not.toContain("high");
    expect(gripsOf(clearing, fly, "people").map((g) => g.id)).toEqual(["person-0"]);
  });

  it("offers what a way alone has, where it stands", () => {
    const lifted = { ...clearing, lift: { tagAtM: 20, tagHeightM: 1 } } as Clearing;
    expect(gripsOf(lifted, { way: "lift", uses: [] }, "way").at(-1)).toMatchObject({ id: "tag", at: { x: 20, y: 6 } });
    expect(gripsOf(lifted, { way: "fly", uses: [] }, "way").map((g) => g.id)).not.toContain("tag");
  });

  it("keeps a spot between its neighbours", () => {
    const spot = gripsOf(clearing, fly, "ground").find((g) => g.id === "spot-1");
    expect(spot?.least).toBeCloseTo(0.1);
    expect(spot?.most).toBeCloseTo(29.9);
    expect(spot?.from).toBe("zero");
  });

  it("places a grip over the ground that is under it", () => {
    expect(gripsOf(clearing, fly, "way").find((g) => g.id === "low")?.at).toEqual({ x: 28, y: 1.5 });
  });

  it("shows the ground, the high point and everybody", () => {
    const bounds = sectionBounds(clearing, undefined);
    expect(bounds.minX).toBeLessThanOrEqual(0);
    expect(bounds.maxX).toBeGreaterThanOrEqual(30);
    expect(bounds.maxY).toBeGreaterThanOrEqual(22);
  });
});

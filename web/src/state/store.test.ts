import { beforeEach, describe, expect, it } from "vitest";
import type { Plan } from "../api/types";
import {
  elsewhere,
  setMember,
  toggleGuess,
  useSheet,
  withAnotherLine,
  withoutLine,
  withoutPieces,
  type Document,
} from "./store";

const plan = {
  tree: { heightM: 21 },
  guesses: ["tree.heightM", "lines[1].seat.heightM"],
  lines: [
    {
      id: "main",
      share: 1,
      seat: { heightM: 13, on: "stem" },
      redirects: [{ contactId: "bushed-block", hardwareItemId: "snatch" }],
      rope: { lengthM: 60, itemId: "long" },
      tackle: { hardwareItemId: "twins" },
      anchor: { name: "oak", distanceM: 30, bearingDeg: 350, kind: "tree", tree: { dbhM: 0.5 }, capacityN: 9000 },
    },
    {
      id: "steer",
      share: 0.5,
      seat: { heightM: 11, on: "stem" },
      redirects: [],
      rope: { lengthM: 50 },
      tackle: {},
      anchor: { distanceM: 25, bearingDeg: 10, kind: "rated" },
    },
  ],
} as unknown as Plan;

const document: Document = { name: "Lime", place: "shore", plan };
const now = () => useSheet.getState().document;

beforeEach(() => {
  useSheet.getState().open("a", document);
});

describe("editing", () => {
  it("is undone and done again step by step", () => {
    setMember("tree.heightM", 22);
    setMember("tree.heightM", 23);
    useSheet.getState().undo();
    expect(now()?.plan.tree.heightM).toBe(22);
    useSheet.getState().undo();
    expect(now()).toBe(document);
    useSheet.getState().undo();
    expect(now()).toBe(document);
    useSheet.getState().redo();
    useSheet.getState().redo();
    expect(now()?.plan.tree.heightM).toBe(23);
  });

  it("makes one step of a drag, and another after it is let go", () => {
    setMember("tree.heightM", 22, "height");
    setMember("tree.heightM", 23, "height");
    useSheet.getState().release();
    setMember("tree.heightM", 24, "height");
    useSheet.getState().undo();
    expect(now()?.plan.tree.heightM).toBe(23);
    useSheet.getState().undo();
    expect(now()?.plan.tree.heightM).toBe(21);
  });

  it("forgets what was undone once something else is changed", () => {
    setMember("tree.heightM", 22);
    useSheet.getState().undo();
    setMember("tree.heightM", 19);
    useSheet.getState().redo();
    expect(now()?.plan.tree.heightM).toBe(19);
  });

  it("is no edit where nothing changes, and clears the mark of a guess where a figure is given", () => {
    setMember("lines[0].seat.heightM", 13);
    expect(useSheet.getState().past).toHaveLength(0);
    setMember("tree.heightM", 21);
    expect(now()?.plan.guesses).toEqual(["lines[1].seat.heightM"]);
    toggleGuess("tree.heightM");
    expect(now()?.plan.guesses).toContain("tree.heightM");
  });

  it("takes a member away", () => {
    setMember("lines[0].anchor.name", undefined);
    expect(Object.keys(now()?.plan.lines[0]?.anchor ?? {})).not.toContain("name");
  });

  it("can take another version in whole and go back", () => {
    useSheet.getState().replace({ ...document, name: "Theirs" });
    expect(now()?.name).toBe("Theirs");
    useSheet.getState().undo();
    expect(now()).toBe(document);
  });
});

describe("lines", () => {
  it("take what was said of them along when one is taken away", () => {
    const left = withoutLine(plan, 0);
    expect(left.lines.map((l) => l.id)).toEqual(["steer"]);
    expect(left.guesses).toEqual(["tree.heightM", "lines[0].seat.heightM"]);
    expect(withoutLine(plan, 1).guesses).toEqual(["tree.heightM"]);
  });

  it("are added lower, aside, under a name of their own, on an anchor that nobody has looked at", () => {
    const added = withAnotherLine(plan).lines[2];
    expect(added).toMatchObject({
      id: "second",
      share: 0.5,
      seat: { heightM: 8.8, on: "stem" },
      anchor: { bearingDeg: 30, kind: "rated" },
    });
    expect(withAnotherLine({ ...plan, lines: [] }).lines).toEqual([]);
  });

  it("do not hang a piece twice when copied", () => {
    const copy = JSON.stringify(withoutPieces(plan.lines[0] as Plan["lines"][number]));
    expect(copy).not.toMatch(/itemId/i);
    expect(copy).toContain("bushed-block");
  });
});

it("an anchor moved elsewhere keeps how far it stands and forgets what it is", () => {
  expect(elsewhere(plan.lines[0]?.anchor as Plan["lines"][number]["anchor"])).toEqual({
    distanceM: 30,
    bearingDeg: 350,
    kind: "rated",
  });
});

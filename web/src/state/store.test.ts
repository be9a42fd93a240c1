import { beforeEach, describe, expect, it } from "vitest";
import type { Plan } from "../api/types";
import {
  accept,
  allGuesses,
  elsewhere,
  isGuess,
  provenanceOf,
  setFrom,
  startMember,
  takeBack,
  setMember,
  toggleGuess,
  useSheet,
  withFollowed,
  withAnotherLine,
  withoutLine,
  withoutPieces,
  type Document,
} from "./store";

const plan = {
  tree: { heightM: 21 },
  provenance: {},
  accepted: [],
  guesses: ["tree.heightM", "lines[1].seat.heightM"],
  follows: [],
  readings: { leanViews: [] },
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
  });

  it("calls a figure measured only when somebody says so, and a guess when they take it back", () => {
    const from = () => {
      const plan = now()?.plan;
      return plan ? provenanceOf(plan, "tree.heightM") : undefined;
    };
    expect(from()).toBe("guess");
    setMember("tree.heightM", 22);
    expect(from()).toBe("given");
    toggleGuess("tree.heightM");
    expect(from()).toBe("measured");
    toggleGuess("tree.heightM");
    expect(from()).toBe("guess");
    setMember("tree.heightM", 22);
    expect(from()).toBe("given");
  });

  it("starts a part with figures that are nobody's yet, and leaves those that somebody gave", () => {
    setMember("lines[0].anchor.distanceM", 31);
    const anchor = { ...now()?.plan.lines[0]?.anchor, kind: "tree", tree: { dbhM: 0.4, heightM: 15 } };
    startMember("lines[0].anchor", anchor);
    const plan = now()?.plan;
    expect(plan && allGuesses(plan).filter((p) => p.startsWith("lines[0].anchor"))).toEqual([
      "lines[0].anchor.tree.dbhM",
      "lines[0].anchor.tree.heightM",
    ]);
    setMember("lines[0].anchor.tree.dbhM", 0.4);
    expect(now()?.plan.provenance).not.toHaveProperty(["lines[0].anchor.tree.dbhM"]);
  });

  it("marks what a simulated instrument reads, and what follows from it", () => {
    setFrom("simulated", [["readings.girthM", 1.3]]);
    setFrom("measured", [["readings.height.upDeg", 40]]);
    const plan = now()?.plan;
    expect(plan && provenanceOf(plan, "tree.dbhM")).toBe("simulated");
    expect(plan && provenanceOf(plan, "tree.heightM")).toBe("measured");
    expect(plan && isGuess(plan, "readings.girthM")).toBe(true);
    expect(plan?.follows).toEqual(["tree.dbhM", "tree.heightM"]);
  });

  it("counts one view of the lean as a guess and two as measured, and forgets both", () => {
    setMember("readings.leanViews", [{ lookingDeg: 90, leanDeg: 3 }]);
    expect(now()?.plan.follows).toEqual(["tree.lean.angleDeg", "tree.lean.bearingDeg"]);
    expect(now() && provenanceOf(now()?.plan as Plan, "tree.lean.angleDeg")).toBe("guess");
    setMember("readings.leanViews", [
      { lookingDeg: 90, leanDeg: 3 },
      { lookingDeg: 0, leanDeg: 1 },
    ]);
    expect(now() && provenanceOf(now()?.plan as Plan, "tree.lean.angleDeg")).toBe("measured");
    setMember("readings.leanViews", []);
    expect(now()?.plan.follows).toEqual([]);
  });

  it("waits with a height until somebody has read all that it hangs on", () => {
    startMember("readings.height", { method: "angles", distanceM: 25, upDeg: 40, downDeg: -4 });
    setMember("readings.height.distanceM", 30);
    setMember("readings.height.upDeg", 35);
    expect(now()?.plan.follows).toEqual([]);
    setMember("readings.height.downDeg", -4);
    expect(now()?.plan.follows).toEqual(["tree.heightM"]);
  });

  it("lets a figure follow until somebody sets it, by its field or along with others", () => {
    const follows = ["tree.heightM", "lines[0].seat.heightM", "lines[0].rope.lengthM"];
    const { edit, settle, open } = useSheet.getState();
    open("j", { ...document, plan: { ...document.plan, follows } });
    const before = now()?.plan as Plan;
    settle(before, withFollowed(before, [{ path: "lines[0].seat.heightM", value: 12 }]));
    expect(now()?.plan.lines[0]?.seat.heightM).toBe(12);
    expect(useSheet.getState().past).toEqual([]);
    edit((d) => ({ ...d, plan: { ...d.plan, tree: { ...d.plan.tree, heightM: 25 } } }));
    expect(now()?.plan.follows).toEqual(follows.slice(1));
    // The same value typed again is somebody's word for it.
    setMember("lines[0].seat.heightM", 12);
    expect(now()?.plan.follows).toEqual(["lines[0].rope.lengthM"]);
    settle(before, before);
    expect(now()?.plan.follows).toEqual(["lines[0].rope.lengthM"]);
    // Nothing moved: the document is the same, and nothing is saved.
    const same = now();
    settle(same?.plan as Plan, same?.plan as Plan);
    expect(now()).toBe(same);
  });

  it("takes a check on once, and back", () => {
    const entry = { code: "gust-low", path: "wind.gustMps", by: "Mara", at: "2026-04-18T08:00:00Z", because: "calm" };
    accept([entry]);
    accept([{ ...entry, by: "Ives" }]);
    expect(now()?.plan.accepted.map((a) => a.by)).toEqual(["Ives"]);
    takeBack({ code: "gust-low" });
    expect(now()?.plan.accepted).toHaveLength(1);
    takeBack(entry);
    expect(now()?.plan.accepted).toEqual([]);
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
    const told = {
      ...plan,
      provenance: { "lines[1].seat.heightM": "measured", "lines[0].share": "default" },
      accepted: [{ code: "link-tight", path: "lines[1].anchor", by: "Mara", at: "", because: "" }],
    } as unknown as Plan;
    expect(withoutLine(told, 0).provenance).toEqual({ "lines[0].seat.heightM": "measured" });
    expect(withoutLine(told, 0).accepted[0]?.path).toBe("lines[0].anchor");
    expect(withoutLine(told, 1).accepted).toEqual([]);
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

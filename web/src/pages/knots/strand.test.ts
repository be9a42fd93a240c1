import { describe, expect, it } from "vitest";
import { shapes } from "./shapes";
import {
  alternating,
  beside,
  crossings,
  determinant,
  linking,
  stretch,
  through,
  words,
  type P,
  type Strand,
} from "./strand";

const tied = (id: string) => shapes[id]?.strands[0] ?? [];

const cut = (strand: Strand, x: number, y: number): Strand[] => {
  const at = strand.findIndex((p) => p.x === x && p.y === y);
  return [strand.slice(0, at - 1), strand.slice(at + 2)];
};

/** What two ropes are: each alone, both together, and how often they wind round each other. */
const held = ([a = [], b = []]: Strand[]): number[] => [
  determinant(a),
  determinant(b),
  determinant(a, b),
  Math.abs(linking(a, b)),
];

/** The butterfly by its tying steps, its loop cut: a bight twisted, folded down behind, brought up through the middle. */
function twistedBight(wholeTurn: boolean): Strand[] {
  const second = wholeTurn ? -1 : 1;
  const part = (side: 1 | -1): Strand =>
    through(
      (
        [
          [100, 200, 0],
          [40, 190, 0],
          [0, 150, 1],
          [-30, 110, 0],
          [0, 70, second],
          [30, 40, 0],
          [16, 10, -3],
          [10, 60, -6],
          [10, 110, -6],
          [10, 180, -6],
          [10, 240, 0],
          [6, 190, 6],
          [6, 150, 6],
          [5, 120, 4],
          [5, 106, -8],
          [5, 40, -9],
          [5, -60, -9],
        ] as [number, number, number][]
      ).map(([x, y, z]): P => [100 - side * x, y, Math.abs(z) === 1 ? side * z : z]),
    );
  return [part(1), part(-1)];
}

describe("curves and their crossings", () => {
  it("finds what crosses and which lies over", () => {
    const found = crossings([
      through([
        [0, 50, 1],
        [100, 50, 1],
      ]),
      through([
        [50, 0, -1],
        [50, 100, -1],
      ]),
    ]);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ over: { strand: 0 }, under: { strand: 1 } });
    expect(found[0]?.x).toBeCloseTo(50, 1);
  });

  it("keeps a parallel curve at its distance", () => {
    const base = through([
      [0, 0],
      [50, 0],
      [100, 0],
    ]);
    expect(beside(base, 5).every((p) => Math.abs(p.y + 5) < 1e-9)).toBe(true);
  });

  it("cuts a stretch of the asked length", () => {
    const cut = stretch(
      through([
        [0, 0],
        [100, 0],
      ]),
      7,
      10,
    );
    const xs = cut.map((p) => p.x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(20, 6);
  });

  it("knows the knots by their determinant", () => {
    const overhand = alternating(
      through([
        [0, 104],
        [84, 104],
        [140, 104],
        [178, 92],
        [184, 60],
        [142, 36],
        [94, 38],
        [70, 66],
        [84, 104],
        [100, 134],
        [128, 132],
        [140, 104],
        [146, 70],
        [142, 36],
        [158, 12],
        [250, 6],
      ]),
    );
    expect(determinant(overhand)).toBe(3);
    const loose = through([
      [0, 104],
      [84, 104],
      [140, 104],
      [178, 92],
      [184, 60],
      [142, 36],
      [94, 38],
      [70, 66],
      [84, 104, 1],
      [100, 134, 1],
      [128, 132, 1],
      [140, 104, 1],
      [146, 70, 1],
      [142, 36, 1],
      [158, 12, 1],
      [250, 6, 1],
    ]);
    expect(determinant(loose)).toBe(1);
  });
});

describe("the drawn knots", () => {
  it.each(Object.keys(shapes))("%s leaves no crossing in doubt", (id) => {
    const strands = shapes[id]?.strands ?? [];
    for (const c of crossings(strands)) {
      const depth = (pass: { strand: number; at: number }) => {
        const s = strands[pass.strand] ?? [];
        const a = s[Math.floor(pass.at)]?.z ?? 0;
        const b = s[Math.min(s.length - 1, Math.floor(pass.at) + 1)]?.z ?? 0;
        return a + (b - a) * (pass.at % 1);
      };
      expect(depth(c.over) - depth(c.under), `${id} at ${c.x.toFixed(0)}, ${c.y.toFixed(0)}`).toBeGreaterThan(0.15);
    }
  });

  it("ties a bowline that stays one wherever its tail is led; the small loop turned the wrong way would give 3 and 7", () => {
    const led = (z: number) =>
      determinant([
        ...tied("bowline"),
        ...through([
          [130, 178, z],
          [130, 200, z],
          [132, 290, z],
        ]),
      ]);
    expect([led(9), led(-9)]).toEqual([13, 9]);
  });

  // Along the rope from the pull, as the tying steps say it: "o" where it lies over what it crosses, "u" where under.
  it.each([
    [
      "bowline",
      // The end goes behind the standing part and back in front; the small loop closes over it; twice under the small loop's near
      // side go the end's two passes, twice over its far side; then the end itself: up through, behind, in front, down through.
      ["ouu" + "oo" + "uu" + "o" + "uo" + "uo" + "ou"],
    ],
    // The same round its own standing part, which runs over one side of the loop and under the other.
    ["running-bowline", ["ou" + "ouu" + "oo" + "uu" + "o" + "ou" + "uo" + "uo" + "ou"]],
    // Under the half hitch and over it, under the bight; the bight over both; under the bight again; the half hitch goes over
    // and under the standing part, and comes out over its own part.
    ["cow-hitch", ["uou" + "oo" + "u" + "uouo"]],
    ["clove-hitch", ["u" + "oo" + "u"]],
    ["prusik", ["u" + "oo" + "u"]],
    // Standing part in its eye; what the end winds round on its way back; the eye; five tucks.
    ["timber-hitch", ["uo" + "uo".repeat(5) + "ou" + "uo".repeat(5)]],
    ["loops-through-each-other", ["uouuou", "ouoouo"]],
    [
      "sheet-bend-double",
      // Each turn goes behind both legs and back over the near one, under its own standing part, over the far one.
      ["ouou" + "o" + "uouou", "u" + "oooo" + "o" + ("uuu" + "ouo").repeat(2)],
    ],
  ] as [string, string[]][])("%s goes over and under as its steps say", (id, expected) => {
    expect(words(shapes[id]?.strands ?? [])).toEqual(expected);
  });

  it.each([
    // A half hitch that comes out behind its own part is a mere turn: 1.
    ["cow-hitch", 3],
    ["clove-hitch", 1],
    ["butterfly", 1],
    ["figure-eight-loop", 1],
    ["prusik", 1],
  ])("%s with its ends joined makes a knot of determinant %i", (id, expected) => {
    expect(determinant(tied(id))).toBe(expected);
  });

  it.each([
    ["water-knot", 3, 1],
    ["figure-eight-bend", 5, 0],
    // Two turns and out through them, in each end; each holds the other twice.
    ["double-fisherman", 5, 4],
    ["sheet-bend-double", 1, 1],
  ])("%s: each rope makes a knot of determinant %i of its own", (id, own) => {
    const strands = shapes[id]?.strands ?? [];
    expect(strands.map((s) => determinant(s))).toEqual([own, own]);
    if (id === "double-fisherman") expect(Math.abs(linking(strands[0] ?? [], strands[1] ?? []))).toBe(4);
  });

  it("leaves two eights when the figure-eight loop is cut, and two locked overhands when the butterfly is", () => {
    const eights = cut(tied("figure-eight-loop"), 122, 292);
    expect(eights.map((s) => determinant(s))).toEqual([5, 5]);
    expect(held(cut(tied("butterfly"), 256, 100))).toEqual(held(twistedBight(true)));
  });

  it("tells a butterfly from one whose crossing is missing", () => {
    expect(held(twistedBight(true))).toEqual([3, 3, 2, 1]);
    expect(held(twistedBight(false))).toEqual([3, 3, 0, 0]);
  });

  it("winds the same way round a post in a clove hitch, and both ways in a cow hitch", () => {
    const post = through([
      [120, -60],
      [120, 300],
      [-90, 300],
      [-90, -60],
    ]);
    expect(Math.abs(linking(tied("clove-hitch"), post))).toBe(2);
    expect(linking(tied("cow-hitch"), post)).toBe(0);
  });

  it("winds a Machard as often as it says, both parts of the loop alike", () => {
    const line = through([
      [-60, 64],
      [330, 64],
      [330, -90],
      [-60, -90],
    ]);
    expect(shapes.machard?.strands.map((s) => Math.abs(linking(s, line)))).toEqual([7, 7]);
  });

  it("interlocks where rope goes round rope, and holds nothing that only lies on top", () => {
    for (const id of Object.keys(shapes)) {
      const strands = shapes[id]?.strands ?? [];
      const found = crossings(strands);
      if ((shapes[id]?.things ?? []).length > 0) continue;
      expect(found.length, id).toBeGreaterThan(2);
      strands.forEach((_, n) => {
        expect(
          found.some((c) => c.over.strand === n),
          `${id}: rope ${n} goes over`,
        ).toBe(true);
        expect(
          found.some((c) => c.under.strand === n),
          `${id}: rope ${n} goes under`,
        ).toBe(true);
      });
    }
  });
});

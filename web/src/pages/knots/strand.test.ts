import { describe, expect, it } from "vitest";
import { shapes } from "./shapes";
import { alternating, beside, crossings, determinant, stretch, through } from "./strand";

const tied = (id: string) => shapes[id]?.strands[0] ?? [];

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

  it.each(["butterfly", "clove-hitch"])(
    "%s can be made without an end: with its ends joined it is no knot at all",
    (id) => {
      expect(determinant(tied(id))).toBe(1);
    },
  );

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

import { describe, expect, it } from "vitest";
import type { Figure } from "../api/types";
import {
  barLength,
  boundsOf,
  crownOutline,
  fit,
  flatten,
  hatchPath,
  stemAt,
  tensionAt,
  tipped,
  toMetres,
  toPixels,
} from "./projection";

const at = (forwardM: number, rightM: number, upM: number) => ({ forwardM, rightM, upM });

const figure: Figure = {
  viewDeg: 0,
  groundUpM: -0.3,
  conifer: false,
  stem: [0, 5, 10, 20].map((upM) => ({ ...at(-0.125 - 0.05 * upM, 0, upM), diameterM: 0.5 * (1 - upM / 21) })),
  crown: { baseUpM: 6, topUpM: 20, reachAheadM: 3, reachBehindM: 5 },
  lines: [{ id: "main", seat: at(-0.7, 0, 12), anchor: at(30, 0, 0.2), anchorGroundUpM: -0.3, turns: [] }],
};

describe("projection", () => {
  it("keeps a line in the view true to length and shortens one that lies off it", () => {
    expect(flatten(at(30, 0, 2), 0)).toEqual({ x: 30, y: 2 });
    const turn = (25 * Math.PI) / 180;
    expect(flatten(at(30 * Math.cos(turn), 30 * Math.sin(turn), 0), 25).x).toBeCloseTo(30);
    expect(flatten(at(30, 0, 0), 25).x).toBeLessThan(30);
  });

  it("tips about the hinge without stretching", () => {
    const turned = tipped(at(0, 2, 10), 90);
    expect(turned.forwardM).toBeCloseTo(10);
    expect(turned.upM).toBeCloseTo(0);
    expect(turned.rightM).toBe(2);
  });

  it("fits everything inside the margins, at one scale", () => {
    const scale = fit(boundsOf(figure), 800, 560, { top: 40, right: 30, bottom: 80, left: 30 });
    for (const point of [flatten(at(30, 0, -0.3), 0), { x: -5, y: 20 }]) {
      const pixels = toPixels(scale, point);
      expect(pixels.x).toBeGreaterThanOrEqual(30);
      expect(pixels.x).toBeLessThanOrEqual(770);
      expect(pixels.y).toBeGreaterThanOrEqual(40);
      expect(pixels.y).toBeLessThanOrEqual(480);
    }
    const there = toMetres(scale, toPixels(scale, { x: 7.3, y: 4.1 }));
    expect(there.x).toBeCloseTo(7.3);
    expect(there.y).toBeCloseTo(4.1);
  });

  it("reads the pull curve between its points", () => {
    const curve = [
      { deg: 0, tensionN: 1500 },
      { deg: 4, tensionN: 700 },
      { deg: 8, tensionN: 0 },
    ];
    expect(tensionAt(curve, 0)).toBe(1500);
    expect(tensionAt(curve, 2)).toBe(1100);
    expect(tensionAt(curve, 8)).toBe(0);
    expect(tensionAt(curve, 12)).toBe(0);
    expect(
      tensionAt(
        [
          { deg: 0, tensionN: 0 },
          { deg: 0, tensionN: 0 },
        ],
        0,
      ),
    ).toBe(0);
  });

  it("places the stem between slices", () => {
    expect(stemAt(figure, 7.5).forwardM).toBeCloseTo(-0.5);
    expect(stemAt(figure, 0).upM).toBe(0);
    expect(stemAt(figure, 25).upM).toBe(20);
  });

  it("draws a crown no wider than it reaches, but for its ragged edge", () => {
    for (const conifer of [false, true]) {
      for (const point of crownOutline({ ...figure, conifer }, 0)) {
        expect(point.x).toBeLessThan(3 * 1.1);
        expect(point.x).toBeGreaterThan(-1.2 - 5 * 1.1);
        expect(point.y).toBeGreaterThanOrEqual(6 - 1e-9);
        expect(point.y).toBeLessThanOrEqual(20 + 1e-9);
      }
    }
  });

  it("rounds the scale bar", () => {
    expect(barLength(20, 110)).toBe(5);
    expect(barLength(20, 90)).toBe(2);
    expect(barLength(3, 100)).toBe(20);
  });
});

describe("hatching", () => {
  const square = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
    { x: 0, y: 10 },
  ];

  it("crosses an outline from side to side, one stroke a line", () => {
    expect(hatchPath(square, 4, 0)).toBe("M0.0 0.0L10.0 0.0M0.0 4.0L10.0 4.0M0.0 8.0L10.0 8.0");
  });

  it("leaves a bay out", () => {
    const bay = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 10 },
      { x: 7, y: 10 },
      { x: 7, y: 3 },
      { x: 3, y: 3 },
      { x: 3, y: 10 },
      { x: 0, y: 10 },
    ];
    expect(hatchPath(bay, 5, 0)).toContain("M0.0 5.0L3.0 5.0M7.0 5.0L10.0 5.0");
  });
});

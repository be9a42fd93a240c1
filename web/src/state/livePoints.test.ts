import { describe, expect, it } from "vitest";
import { averageOf, keepLast, livePath, type LivePoint } from "./livePoints";

const at = (seenMs: number, tensionN = 1000): LivePoint => ({ atMs: seenMs, seenMs, tensionN });

describe("readings on the page", () => {
  it("never hold more than half a minute, however long they come", () => {
    let points: LivePoint[] = [];
    for (let i = 0; i < 72_000; i++) points = keepLast(points, at(i * 50));
    expect(points.length).toBeLessThanOrEqual(20 * 36);
    expect(points.at(-1)?.seenMs).toBe(71_999 * 50);
    expect(points.length).toBeGreaterThanOrEqual(20 * 30);
  });
  it("are told by the middle one of the last second", () => {
    expect(averageOf([at(0, 5), at(9500, 900), at(9700, 1100), at(9900, 9000)], 10_000)).toBe(1100);
    expect(averageOf([at(0)], 10_000)).toBeNull();
  });
  it("are drawn with now at the right edge", () => {
    expect(livePath([at(0, 500), at(30_000, 1000)], 30_000, 1000, 300, 100)).toBe("M0.0 50.0L300.0 0.0");
    expect(livePath([], 0, 0, 300, 100)).toBe("");
  });
});

import { describe, expect, it } from "vitest";
import { layOut, overlap, type Box } from "./labels";

const box = (x: number, y: number, part: Partial<Box> = {}): Box => ({
  x,
  y,
  width: 60,
  height: 14,
  fixed: false,
  ...part,
});

const moved = (boxes: Box[], moves: ([number, number] | null)[]): Box[] =>
  boxes.flatMap((b, i) => {
    const move = moves[i];
    return move ? [{ ...b, x: b.x + move[0], y: b.y + move[1] }] : [];
  });

describe("lettering", () => {
  it("stays where it is when nothing covers it", () => {
    expect(layOut([box(10, 10), box(10, 40)], 400, 300)).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });

  it("moves out of the way of what may not move, whatever the order", () => {
    const boxes = [box(100, 100), box(100, 104, { fixed: true })];
    const moves = layOut(boxes, 400, 300);
    expect(moves[1]).toEqual([0, 0]);
    expect(moves[0]).not.toEqual([0, 0]);
  });

  it("never ends with two over one another or outside the picture", () => {
    let seed = 7;
    const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    for (let run = 0; run < 200; run++) {
      const boxes = Array.from({ length: 24 }, () =>
        box(next() * 340 - 20, next() * 230 - 10, { width: 20 + next() * 90, fixed: false }),
      );
      const after = moved(boxes, layOut(boxes, 400, 260));
      // One question to the test library a run: it takes longer over each than the layout over its boxes.
      const wrong = after.filter(
        (a, i) => a.x < 0 || a.x + a.width > 400 || after.slice(i + 1).some((b) => overlap(a, b)),
      );
      expect(wrong, `run ${run}`).toEqual([]);
    }
  });

  it("keeps the place that it had while that is free", () => {
    const [move] = layOut([box(100, 100, { last: [0, 30] }), box(100, 100, { fixed: true })], 400, 300);
    expect(move).toEqual([0, 30]);
  });

  it("shows what may not move where it stands, or not at all", () => {
    const moves = layOut([box(100, 100, { still: true }), box(104, 100, { still: true })], 400, 300);
    expect(moves).toEqual([[0, 0], null]);
  });

  it("keeps a name beside its mark, or hides it: a name by another mark would be another person", () => {
    const wall = Array.from({ length: 9 }, (_, i) => box(60, 40 + i * 15, { width: 300, fixed: true }));
    const [move] = layOut([box(100, 100, { near: true }), ...wall], 400, 300);
    expect(move).toBeNull();
    const [beside] = layOut([box(100, 100, { near: true }), box(100, 100, { fixed: true })], 400, 300);
    expect(beside).toEqual([0, 15]);
  });

  it("hides what finds no place rather than covering another", () => {
    const moves = layOut([box(0, 0), box(0, 0)], 62, 16);
    expect(moves).toEqual([[0, 0], null]);
  });
});

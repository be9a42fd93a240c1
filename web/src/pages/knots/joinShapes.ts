import type { Shape } from "./shape";
import { alternating, beside, moved, reversed, through, turns, type P, type Strand } from "./strand";

/** An overhand from the left to the upper right. */
const overhand = alternating(
  through([
    [0, 104],
    [50, 104],
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
    [200, 6],
    [250, 6],
  ]),
);

function fisherman(): Strand[] {
  // Each end winds back over itself and the other rope, twice, and goes out through its own turns.
  const left: P[] = [
    [0, 114, 0],
    [90, 114, 0],
    [188, 114, 0],
    [206, 108, 8],
    ...turns(206, 150, 100, 30, 0.02, 2.05),
    [144, 92, 0],
    [158, 100, 0],
    [214, 100, 0],
    [238, 100, 0],
  ];
  const right = left.map(([x, y, z]): P => [260 - x, 200 - y, z ?? 0]);
  return [through(left, 4), through(right, 4)];
}

/** What joins two ropes or ends one. */
export const joins: Record<string, Shape> = {
  "double-fisherman": {
    width: 260,
    height: 200,
    rope: 11.5,
    strands: fisherman(),
    labels: [
      [4, 138, "pull"],
      [256, 70, "pull", true],
    ],
  },
  "water-knot": {
    width: 260,
    height: 160,
    rope: 9.5,
    strands: [beside(overhand, 5).slice(0, -22), reversed(beside(overhand, -5)).slice(0, -14)].map((s) =>
      moved(s, 4, 10),
    ),
    labels: [
      [6, 98, "pull"],
      [252, 40, "pull", true],
    ],
  },
};

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
  "sheet-bend-double": {
    width: 270,
    height: 190,
    rope: 11,
    strands: [
      through([
        [0, 78, 0],
        [60, 78, 0],
        [120, 78, 0],
        [152, 84, 0],
        [162, 100, 0],
        [152, 116, 0],
        [120, 122, 0],
        [60, 122, 0],
        [22, 122, 0],
      ]),
      through([
        [268, 100, 0],
        [200, 100, 0],
        [162, 100, -1],
        [140, 100, 0.6],
        [112, 100, 1.6],
        [84, 97, 1.6],
        [68, 78, 1],
        [66, 58, 0],
        [78, 62, -0.5],
        [84, 78, -1],
        [92, 122, -1],
        [98, 144, -0.3],
        [103, 138, 0.6],
        [104, 122, 0.8],
        [105, 100, 0.8],
        [106, 78, 0.8],
        [108, 58, 0],
        [115, 62, -0.5],
        [118, 78, -1],
        [122, 122, -1],
        [128, 144, -0.3],
        [133, 138, 0.6],
        [134, 122, 0.8],
        [135, 100, 0.2],
        [136, 78, 0.8],
        [140, 36, 0.6],
      ]),
    ],
    labels: [
      [4, 66, "thick rope"],
      [266, 88, "thin rope", true],
    ],
  },
  "eye-splice": {
    width: 280,
    height: 170,
    rope: 12,
    strands: [
      through([
        [0, 88, 0],
        [60, 88, 0],
        [130, 88, 0],
        [164, 82, 0],
        [204, 52, 0],
        [244, 56, 0],
        [260, 88, 0],
        [244, 118, 0],
        [204, 122, 0],
        [166, 98, 0.4],
        [152, 82, 1],
        [140, 80, 0.2],
        [130, 92, -1],
        [120, 98, 0],
        [110, 84, 1],
        [100, 80, 0.2],
        [90, 92, -1],
        [80, 97, 0],
        [72, 86, 1],
        [64, 82, 0.6],
      ]),
    ],
    labels: [[6, 74, "pull"]],
  },
};

import { eight } from "./loopShapes";
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

/** Two loops passed through each other, lying square. */
function lockedLoops(): Strand[] {
  const leg = (y: number): P[] => [
    [0, 80 + 0.45 * y, 0],
    [60, 80 + 0.45 * y, 0],
    [98, 80 + 0.55 * y, -1],
    [130, 80 + 0.75 * y, 1],
    [152, 80 + 1.1 * y, 0],
  ];
  const left = through([...leg(-26), [164, 66, -1], [166, 80, -1], [164, 94, -1], ...leg(26).reverse()]);
  const right = left.map((p) => ({ x: 260 - p.x, y: p.y, z: -p.z }));
  return [left, right];
}

/** The thick rope's bight, its tail above; the thin rope up through it and twice round, its tail above too. */
function sheetBend(): Strand[] {
  return [
    through([
      [0, 122, 0],
      [60, 122, 0],
      [120, 122, 0],
      [154, 117, 0],
      [166, 100, 0],
      [154, 83, 0],
      [120, 78, 0],
      [60, 78, 0],
      [14, 76, 0],
    ]),
    through([
      [268, 100, 0],
      [200, 100, 0],
      [166, 100, -1],
      [142, 100, 0.8],
      [112, 100, 1.6],
      [80, 97, 1.6],
      [62, 78, 1],
      [60, 60, 0],
      [70, 62, -0.5],
      [76, 78, -1],
      [84, 122, -1],
      [90, 142, -0.3],
      [96, 138, 0.6],
      [98, 122, 0.8],
      [99, 99, 0.4],
      [100, 78, 0.8],
      [103, 60, 0],
      [111, 62, -0.5],
      [116, 78, -1],
      [121, 122, -1],
      [127, 142, -0.3],
      [133, 138, 0.6],
      [135, 122, 0.8],
      [136, 100, 0.1],
      [138, 80, 0.8],
      [144, 34, 0.6],
    ]),
  ];
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
  "figure-eight-bend": {
    width: 244,
    height: 220,
    rope: 9.5,
    strands: [beside(eight, 5).slice(0, -7), reversed(beside(eight, -5)).slice(0, -7)].map((s) => moved(s, 0, 8)),
    labels: [
      [136, 22, "pull"],
      [106, 214, "pull", true],
    ],
  },
  "loops-through-each-other": {
    width: 260,
    height: 160,
    rope: 11,
    strands: lockedLoops(),
    labels: [
      [4, 50, "one line's loop"],
      [256, 50, "the other's", true],
    ],
  },
  "sheet-bend-double": {
    width: 270,
    height: 190,
    rope: 13,
    ropes: [14.5, 9],
    strands: sheetBend(),
    labels: [
      [4, 144, "thick rope"],
      [266, 88, "thin rope", true],
      [4, 62, "tail"],
      [150, 40, "tail"],
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

import type { Shape } from "./shape";
import { alternating, beside, reversed, through, type P, type Strand } from "./strand";

/** Standing part, small loop and big loop of a bowline, up to where the end comes back to the small loop. */
const bowlineLoop: P[] = [
  [130, 6],
  [130, 34, 1],
  [130, 54, -1],
  [129, 82, -1],
  [124, 106, 0],
  [138, 126, 1],
  [158, 127, 1],
  [182, 114, 0.5],
  [186, 92, 0],
  [172, 78, -1],
  [157, 75, -1],
  [143, 76, -1],
  [129, 82, 1],
  [106, 94, 0],
  [84, 132],
  [76, 180],
  [106, 226],
  [156, 230],
  [190, 192],
  [182, 152, 0],
];
/** The end: up through the small loop, round behind the standing part, and down again. */
const bowlineEnd: P[] = [
  [158, 127, -1],
  [156, 101, 0],
  [157, 75, 1],
  [152, 48, 0],
  [130, 34, -1],
  [110, 42, 0],
  [130, 54, 1],
  [143, 76, 1],
  [141, 101, 0],
  [138, 126, -1],
];

const bowline = through([...bowlineLoop, ...bowlineEnd, [134, 152, 0], [130, 178, 0]]);

/** A figure of eight from top to bottom. */
export const eight = alternating(
  through([
    [122, 0],
    [121, 36],
    [114, 72],
    [108, 98],
    [90, 126],
    [96, 158],
    [122, 168],
    [150, 154],
    [152, 124],
    [131, 106],
    [108, 98],
    [88, 78],
    [94, 46],
    [121, 36],
    [148, 46],
    [152, 76],
    [131, 106],
    [124, 136],
    [122, 168],
    [122, 204],
  ]),
);

function doubledEight(): Strand {
  const down = beside(eight, 5);
  const up = reversed(beside(eight, -5));
  const from = down[down.length - 1];
  const to = up[0];
  const loop = through([
    [from?.x ?? 0, from?.y ?? 0],
    [146, 234],
    [150, 272],
    [122, 292],
    [94, 272],
    [98, 234],
    [to?.x ?? 0, to?.y ?? 0],
  ]);
  return [...down, ...loop, ...up];
}

/** Three turns round a hand, the outer one lifted over the other two and tucked back under them. */
function butterfly(): Strand {
  const [a, c, b] = [96, 122, 168];
  return through([
    [0, 58, -1],
    [52, 58, -1],
    [a - 8, 62, 0],
    [a, 84, 1],
    [a, 100, 1],
    [a, 116, 1],
    [a + 6, 140, 0],
    [a + 30, 146, -1.8],
    [b - 4, 120, -2],
    [b + 12, 78, -1.4],
    [b - 4, 52, 0.6],
    [c, 72, 2],
    [a, 76, 2],
    [68, 80, 1.2],
    [66, 92, 0],
    [a, 93, -0.6],
    [c, 93, -0.6],
    [176, 92, -0.2],
    [238, 84, 0],
    [256, 100, 0],
    [238, 116, 0],
    [176, 108, -0.2],
    [c, 107, -0.6],
    [a, 107, -0.6],
    [66, 108, 0],
    [68, 120, 1.2],
    [a, 124, 2],
    [c, 128, 2],
    [b - 6, 146, 0.6],
    [b + 8, 126, -1.6],
    [b - 6, 82, -2.8],
    [c + 14, 52, -2],
    [c, 50, -0.6],
    [c - 2, 70, 0.6],
    [c, 84, 1],
    [c, 100, 1],
    [c, 116, 1],
    [c + 2, 148, 1],
    [c + 26, 166, 1],
    [200, 168, 0],
    [264, 168, 0],
  ]);
}

/** Loops, at an end and in the middle of a rope. */
export const loops: Record<string, Shape> = {
  bowline: {
    width: 260,
    height: 250,
    rope: 13,
    strands: [bowline],
    labels: [
      [142, 18, "pull"],
      [116, 196, "tail", true],
    ],
  },
  "running-bowline": {
    width: 400,
    height: 320,
    rope: 12.5,
    things: [{ kind: "stem", x: 104, y: 116, r: 54 }],
    strands: [
      through([
        [398, 296, 0],
        [366, 284, 0],
        [326, 270, 1.5],
        [270, 252, 0],
        [222, 240, -1.5],
        [160, 214, 0],
        [80, 180, 0],
        [44, 124, 0],
        [60, 66, 0],
        [112, 48, 0],
        [190, 40, 0],
        [250, 42, 0],
        ...[...bowlineLoop.slice(1), ...bowlineEnd, [134, 152, 0] as P, [130, 174, 0] as P].map(([x, y, z]): P => [
          x + 144,
          y + 62,
          z ?? 0,
        ]),
      ]),
    ],
    labels: [
      [394, 268, "pull", true],
      [104, 121, "stem"],
      [250, 216, "tail", true],
    ],
  },
  butterfly: {
    width: 276,
    height: 210,
    rope: 13,
    strands: [butterfly()],
    labels: [
      [4, 46, "pull"],
      [262, 190, "pull", true],
      [272, 76, "loop", true],
    ],
  },
  "figure-eight-loop": {
    width: 244,
    height: 300,
    rope: 9.5,
    strands: [doubledEight()],
    labels: [[136, 14, "pull and tail"]],
  },
};

import { alternating, beside, moved, reversed, through, turns, type P, type Strand } from "./strand";

/** A thing that rope goes round. */
export type Thing =
  | { kind: "post"; left: number; right: number; top: number; bottom: number; open: boolean }
  | { kind: "line"; y: number; half: number; from: number; to: number }
  | { kind: "stem"; x: number; y: number; r: number }
  | { kind: "ring"; x: number; y: number; r: number };

/** One drawing: its ropes, the second and third tinted, and what they go round. */
export interface Shape {
  width: number;
  height: number;
  strands: Strand[];
  rope: number;
  /** One cord laid double: both strands in the same tint. */
  doubled?: boolean;
  things?: Thing[];
  /** Lettering: what pulls where. */
  labels?: [x: number, y: number, text: string, end?: boolean][];
}

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
const eight = alternating(
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

function bightBowline(): Strand {
  const loop = through(bowlineLoop);
  const outer = beside(loop, -4.6);
  const inner = beside(loop, 4.6);
  const join = (from: Strand, mid: P[], to: Strand): Strand => {
    const a = from[from.length - 1];
    const b = to[0];
    return [...from, ...through([[a?.x ?? 0, a?.y ?? 0, a?.z ?? 0], ...mid, [b?.x ?? 0, b?.y ?? 0, b?.z ?? 0]]), ...to];
  };
  // Up through the small loop, round behind both standing parts, down through it again and back along the first rope.
  return join(
    outer,
    [
      [163, 127, -1.4],
      [162, 101, 0],
      [161, 75, 1.4],
      [156, 46, 0.4],
      [130, 30, -1.4],
      [104, 42, 0.4],
      [130, 58, 1.4],
      [146, 76, 1.4],
      [147, 101, 0],
      [148, 127, -1.4],
      [158, 142, -0.4],
    ],
    reversed(inner).slice(5),
  );
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

function inlineEight(): Strand {
  // The bight goes behind the line, back over it, and out under its own legs.
  const legs = through([
    [128, 158, 0],
    [160, 150, 0.6],
    [176, 116, 1],
    [166, 76, 0],
    [128, 60, -1.4],
    [92, 74, 0],
    [90, 104, 0.6],
    [128, 118, 1.6],
    [154, 113, 0],
    [176, 110, -0.6],
    [214, 110, 0],
    [250, 110, 0],
  ]);
  const there = beside(legs, 5);
  const back = reversed(beside(legs, -5));
  const end = there[there.length - 1];
  const begin = back[0];
  const tip = through([
    [end?.x ?? 0, end?.y ?? 0],
    [262, 99],
    [280, 95],
    [293, 110],
    [280, 125],
    [262, 121],
    [begin?.x ?? 0, begin?.y ?? 0],
  ]);
  const first = there[0];
  const last = back[back.length - 1];
  return [
    ...through([
      [118, 0, 0],
      [118, 60, 0.2],
      [118, 110, 0.2],
      [119, 134, 0.2],
      [first?.x ?? 0, first?.y ?? 0, 0],
    ]),
    ...there,
    ...tip,
    ...back,
    ...through([
      [last?.x ?? 0, last?.y ?? 0, 0],
      [120, 174, 0],
      [118, 200, 0],
      [118, 240, 0],
    ]),
  ];
}

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

const post: Thing = { kind: "post", left: 88, right: 152, top: 0, bottom: 220, open: false };

/** Wraps round a level line with both ends down to a ring. */
function wraps(count: number, from: number, to: number, doubled: boolean): Strand[] {
  const path = through(
    [
      [(from + to) / 2 + 8, 226, 1],
      [(from + to) / 2 + 22, 190, 10],
      [to - 4, 132, 20],
      ...turns(to, from, 100, 21, -0.1, count - 0.4),
      [from + 4, 132, 20],
      [(from + to) / 2 - 22, 190, 10],
      [(from + to) / 2 - 8, 226, 1],
    ],
    4,
  );
  return doubled ? [beside(path, 4.2), beside(path, -4.2)] : [path];
}

export const shapes: Record<string, Shape> = {
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
  "bowline-on-bight": {
    width: 260,
    height: 250,
    rope: 9,
    strands: [bightBowline()],
    labels: [[146, 18, "pull, both"]],
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
  "inline-eight": {
    width: 300,
    height: 246,
    rope: 9.5,
    strands: [inlineEight()],
    labels: [
      [130, 14, "free"],
      [130, 236, "pull"],
      [292, 88, "loop", true],
    ],
  },
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
  "timber-hitch": {
    width: 270,
    height: 220,
    rope: 11,
    things: [post],
    strands: [
      through([
        [266, 134, 0],
        [214, 128, 0],
        [178, 122, 0],
        [154, 118, 0],
        [120, 114, -1],
        [86, 116, 0],
        [80, 124, 0.2],
        [92, 132, 0.6],
        [120, 132, 0.6],
        [150, 130, 0.6],
        [176, 128, 0.6],
        [196, 118, 1.2],
        [204, 106, 0.6],
        [194, 104, -0.4],
        [184, 124, -1],
        [172, 140, 0],
        [160, 138, 1.4],
        [152, 122, 1.2],
        [142, 122, 0.3],
        [136, 140, 0.2],
        [128, 142, 1.2],
        [120, 122, 1.4],
        [112, 122, 0.3],
        [106, 140, 0.2],
        [98, 142, 1.2],
        [92, 122, 1.4],
        [84, 116, 0.8],
      ]),
    ],
    labels: [[262, 122, "pull", true]],
  },
  "cow-hitch": {
    width: 270,
    height: 220,
    rope: 11,
    things: [post],
    strands: [
      through([
        [266, 104, 0],
        [222, 104, 0],
        [180, 104, 0.2],
        [150, 104, 0.3],
        [128, 103, 0.3],
        [104, 96, 0.3],
        [86, 84, 0],
        [120, 70, -1],
        [155, 78, 0],
        [144, 88, 1],
        [132, 98, 1.4],
        [128, 111, 1.4],
        [132, 124, 1.4],
        [144, 134, 1],
        [155, 144, 0],
        [120, 152, -1],
        [86, 138, 0],
        [104, 126, 0.3],
        [128, 119, 0.3],
        [150, 119, 0.3],
        [190, 122, 0.2],
        [214, 122, 0.6],
        [222, 104, 1],
        [216, 90, 0],
        [206, 104, -1],
        [203, 122, -0.6],
        [200, 152, 0],
      ]),
    ],
    labels: [
      [262, 92, "pull", true],
      [210, 166, "tail"],
    ],
  },
  "clove-hitch": {
    width: 270,
    height: 220,
    rope: 11,
    things: [post],
    strands: [
      through([
        [266, 118, 0.3],
        [200, 117, 0.3],
        [152, 116, 0.3],
        [116, 115, 0.3],
        [94, 122, 0.2],
        [86, 130, 0],
        [120, 140, -1],
        [154, 142, 0],
        [146, 134, 0.8],
        [122, 110, 1.2],
        [98, 86, 0.8],
        [86, 78, 0],
        [120, 68, -1],
        [154, 80, 0],
        [144, 92, 0.3],
        [116, 98, 0.3],
        [84, 100, 0.3],
        [30, 102, 0.3],
      ]),
    ],
    labels: [
      [262, 106, "pull", true],
      [32, 90, "tail"],
    ],
  },
  "pile-hitch": {
    width: 270,
    height: 220,
    rope: 8,
    things: [{ kind: "post", left: 100, right: 140, top: 40, bottom: 220, open: true }],
    strands: [
      through([
        [266, 92, 0],
        [196, 106, 0],
        [160, 116, 0],
        [140, 119, 0],
        [120, 121, -1],
        [98, 117, 0],
        [104, 110, 0.8],
        [120, 107, 1],
        [146, 103, 1.2],
        [168, 100, 1.2],
        [172, 88, 0.8],
        [142, 86, 0],
        [120, 86, -1],
        [97, 80, 0],
        [104, 74, 0.8],
        [120, 73, 1],
        [146, 74, 1],
        [182, 82, 1.2],
        [192, 104, 1.2],
        [180, 120, 1.2],
        [146, 124, 1],
        [120, 127, 1],
        [104, 130, 0.8],
        [98, 134, 0],
        [120, 140, -1],
        [140, 138, 0],
        [164, 134, 0],
        [200, 124, 0],
        [266, 108, 0],
      ]),
    ],
    labels: [
      [262, 80, "throw line", true],
      [150, 200, "end of the pull rope"],
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
  "rope-loop-hitch": {
    width: 330,
    height: 210,
    rope: 9.5,
    things: [{ kind: "stem", x: 286, y: 104, r: 24 }],
    strands: [
      through([
        [0, 84, 0],
        [40, 84, 0.2],
        [76, 84, 0.4],
        [98, 76, 1],
        [100, 54, 0.6],
        [78, 46, 0],
        [62, 60, -0.6],
        [64, 84, -0.8],
        [76, 104, 0.6],
        [98, 112, 0.2],
        [124, 116, 0],
        [146, 128, 0.4],
        [142, 148, 0],
        [118, 146, -0.4],
        [96, 128, -0.2],
        [86, 104, 0.2],
        [88, 80, -0.8],
        [106, 62, 0],
        [160, 62, 0],
        [240, 64, 0],
        [292, 68, 0],
        [318, 92, 0],
        [312, 126, 0],
        [280, 142, 0],
        [220, 134, 0],
        [160, 130, -0.8],
        [132, 126, 0.8],
        [122, 136, 1],
        [134, 148, 1],
        [160, 156, 0],
        [230, 176, 0],
        [320, 186, 0],
      ]),
    ],
    labels: [
      [4, 72, "to the tree"],
      [316, 204, "hauled", true],
    ],
  },
  prusik: {
    width: 270,
    height: 240,
    rope: 8.5,
    things: [
      { kind: "line", y: 100, half: 13, from: 0, to: 270 },
      { kind: "ring", x: 132, y: 228, r: 11 },
    ],
    strands: [
      through(
        [
          [128, 220, 1],
          [126, 160, 8],
          [126, 128, 14],
          ...turns(124, 84, 100, 21, -0.1, 3),
          [80, 100, 24],
          [82, 126, 26],
          [100, 134, 28],
          [132, 136, 28],
          [164, 134, 28],
          [182, 126, 26],
          [184, 100, 24],
          ...turns(180, 140, 100, 21, 0, -2.9),
          [138, 128, 14],
          [138, 160, 8],
          [136, 220, 1],
        ],
        4,
      ),
    ],
    labels: [
      [4, 80, "line"],
      [152, 226, "connector"],
    ],
  },
  valdotain: {
    width: 270,
    height: 240,
    rope: 8.5,
    things: [
      { kind: "line", y: 100, half: 13, from: 0, to: 270 },
      { kind: "ring", x: 132, y: 228, r: 11 },
    ],
    strands: wraps(7, 84, 180, false),
    labels: [
      [4, 80, "line"],
      [152, 226, "connector"],
    ],
  },
  machard: {
    width: 270,
    height: 240,
    rope: 6.5,
    things: [
      { kind: "line", y: 100, half: 13, from: 0, to: 270 },
      { kind: "ring", x: 132, y: 228, r: 11 },
    ],
    strands: wraps(7, 66, 198, true),
    doubled: true,
    labels: [
      [4, 80, "line"],
      [152, 226, "connector"],
    ],
  },
};

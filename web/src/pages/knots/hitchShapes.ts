import type { Shape, Thing } from "./shape";
import { beside, through, turns, type P, type Strand } from "./strand";

const post: Thing = { kind: "post", left: 88, right: 152, top: 0, bottom: 220, open: false };

/** The far side of a stem seen along it: the rope round it, and its end tucked round that rope on the way back. */
function timberHitch(): Strand {
  const [x, y, r] = [104, 112, 74];
  const at = (turn: number, out: number, depth: number): P => {
    const angle = 2 * Math.PI * turn;
    return [x + (r + out) * Math.cos(angle), y - (r + out) * Math.sin(angle), depth];
  };
  const steps = 72;
  const tucks = 5;
  return through(
    [
      [330, 187, 0],
      [260, 187, 0],
      [190, 187, 0],
      [140, 187, 0],
      ...Array.from({ length: 41 }, (_, i) => at(-0.25 - (i / 40) * 0.84, 0, 0)),
      [188, 168, 0.6],
      [190, 187, 1.2],
      [182, 203, 0],
      [172, 187, -1.2],
      [163, 166, -0.6],
      ...Array.from({ length: steps + 1 }, (_, i) => {
        const wave = 2 * Math.PI * (tucks + 0.25) * (i / steps);
        return at(-1.1 + 0.04 + (i / steps) * 0.6, -10 * Math.cos(wave), -1.2 * Math.sin(wave));
      }),
    ],
    4,
  );
}

const level: Thing = { kind: "line", y: 64, half: 11, from: 0, to: 270 };

/** A closed loop passed round a line and through itself three times: three wraps to either side, joined by a bridge in front. */
function prusik(): Strand {
  const half: P[] = [
    [131, 200, 0.2],
    [129, 150, 0.2],
    [126, 110, 0.4],
    ...turns(126, 76, 64, 19, -0.16, 2.7),
    [70, 92, 10],
    [82, 101, 24],
    [106, 104, 32],
  ];
  const other = [...half].reverse().map(([x, y, z]): P => [270 - x, y, z ?? 0]);
  return through([...half, [135, 104, 34], ...other], 4);
}

/** A loop laid behind a line and wound round it, side by side; both its ends come down together. */
function machard(): Strand[] {
  const wound = through(
    [
      [128, 200, 10],
      [112, 160, 16],
      [40, 92, 18],
      ...turns(30, 240, 64, 19, -0.12, 6.62),
      [236, 92, 18],
      [158, 160, 16],
      [142, 200, 10],
    ],
    4,
  );
  return [beside(wound, 4.4), beside(wound, -4.4)];
}

/** Hitches on a stem, a post or a rope. */
export const hitches: Record<string, Shape> = {
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
        [203, 122, 1.4],
        [200, 152, 0.6],
      ]),
    ],
    labels: [
      [262, 92, "pull", true],
      [210, 166, "tail"],
    ],
  },
  "timber-hitch": {
    width: 330,
    height: 230,
    rope: 9,
    things: [{ kind: "stem", x: 104, y: 112, r: 66 }],
    strands: [timberHitch()],
    labels: [
      [326, 174, "pull", true],
      [104, 117, "stem"],
    ],
  },
  prusik: {
    width: 270,
    height: 210,
    rope: 9,
    things: [level],
    strands: [prusik()],
    labels: [
      [4, 44, "line"],
      [148, 200, "to the connector"],
    ],
  },
  machard: {
    width: 270,
    height: 210,
    rope: 8,
    doubled: true,
    things: [level],
    strands: machard(),
    labels: [
      [4, 34, "line"],
      [160, 200, "to the connector"],
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
};

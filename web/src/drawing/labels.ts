/** Where a text stands on a drawing, pixels from its top left corner. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
  /** It may not move: others move out of its way. */
  fixed: boolean;
  /** A mark, no lettering: what stands still may lie on it. */
  block?: boolean;
  /** It shows where it stands or not at all. */
  still?: boolean;
  /** It belongs to the mark beside it: it goes a row up or down, or to the mark's other side, or not at all. */
  near?: boolean;
  /** It is placed before the others that may move. */
  first?: boolean;
  /** Where it was moved the last time; tried first, so that lettering does not jump about while something is dragged. */
  last?: [number, number] | undefined;
}

/** Between two texts, pixels. */
const gap = 1;
/** What a text leaves free to go to the other side of its mark, pixels. */
const markWidth = 30;
const steps = [0, 1, -1, 2, -2, 3, -3, 4, -4];
const sides = [0, 0.5, -0.5, 1, -1];

/**
 * How far each text moves so that none covers another and none leaves the picture; null for one that finds no place. Fixed
 * ones come first, then the others in their order.
 */
export function layOut(boxes: Box[], width: number, height: number): ([number, number] | null)[] {
  const placed: Box[] = boxes.filter((b) => b.fixed);
  const moved = boxes.map((): [number, number] | null => [0, 0]);
  const order = boxes.map((_, i) => i).filter((i) => !boxes[i]?.fixed);
  order.sort((a, b) => Number(boxes[b]?.first ?? false) - Number(boxes[a]?.first ?? false) || a - b);
  for (const i of order) {
    const box = boxes[i];
    if (box) moved[i] = placeOf(box, placed, width, height);
  }
  return moved;
}

/** The first place where it covers nothing that is placed; it is placed there. Null without one. */
function placeOf(box: Box, placed: Box[], width: number, height: number): [number, number] | null {
  for (const move of moves(box)) {
    const at = { ...box, x: box.x + move[0], y: box.y + move[1] };
    if (isInside(at, width, height) && !placed.some((p) => !(box.still && p.block) && overlap(p, at))) {
      placed.push(at);
      return move;
    }
  }
  return null;
}

/** Where to try: where it wants to be, where it was, then rows up and down, then aside as well. */
function* moves(box: Box): Generator<[number, number]> {
  yield [0, 0];
  if (box.still) return;
  if (box.near) {
    const otherSide = box.width + markWidth;
    for (const across of [0, -otherSide, otherSide]) {
      for (const rows of [0, 1, -1]) yield [across, rows * (box.height + gap)];
    }
    return;
  }
  if (box.last) yield box.last;
  const row = box.height + gap;
  for (const side of sides) {
    for (const step of steps) yield [side * box.width, step * row];
  }
}

export function overlap(a: Box, b: Box): boolean {
  return a.x < b.x + b.width + gap && b.x < a.x + a.width + gap && a.y < b.y + b.height && b.y < a.y + a.height;
}

function isInside(box: Box, width: number, height: number): boolean {
  // A text that is wider than the picture stays where it is; one that hangs over an edge is drawn in.
  return (
    (box.x >= 0 || box.width > width) &&
    (box.x + box.width <= width || box.width > width) &&
    box.y >= 0 &&
    box.y + box.height <= height
  );
}

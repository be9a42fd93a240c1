import type { TackleView } from "../api/types";

export interface LegShape {
  index: number;
  rope: number;
  /** The number of the contact that it runs to, along its rope. */
  contact: number;
  fromPoint: string;
  toPoint: string;
  /** How far it lies off the haul axis, degrees. */
  offDeg: number;
  /** Metres from the anchor toward the tree. */
  from: number;
  to: number;
  /** Each leg has a lane of its own, so that no two cross; the lanes are counted from above. */
  lane: number;
  /** Whether the rope turns at its far end and comes back in the next lane. */
  turns: boolean;
}

export interface PointShape {
  id: string;
  kind: TackleView["arrangement"]["points"][number]["kind"];
  at: number;
  /** The lanes that it spans. */
  first: number;
  last: number;
  forceN: number;
}

/** Where every leg and point stands once so much rope has been hauled since the tackle was opened. */
export function layOut(view: TackleView, hauled: number): { legs: LegShape[]; points: PointShape[]; lanes: number } {
  const { points, ropes } = view.arrangement;
  const at = new Map(
    points.map((p, i) => [p.id, (view.startsM[i] ?? 0) + (p.kind === "hand" ? 0 : (view.speeds[i] ?? 0) * hauled)]),
  );
  const lanesOf = new Map<string, number[]>();
  const touch = (id: string, lane: number) => {
    lanesOf.set(id, [...(lanesOf.get(id) ?? []), lane]);
  };
  const legs: LegShape[] = [];
  let lane = 0;
  ropes.forEach((rope, r) => {
    let from = rope.from;
    rope.contacts.forEach((contact, c) => {
      touch(from, lane);
      touch(contact.point, lane);
      legs.push({
        index: legs.length,
        rope: r,
        contact: c,
        fromPoint: from,
        toPoint: contact.point,
        offDeg: contact.offAxisDeg ?? 0,
        from: at.get(from) ?? 0,
        to: at.get(contact.point) ?? 0,
        lane,
        turns: c < rope.contacts.length - 1,
      });
      from = contact.point;
      lane++;
    });
  });
  return {
    legs,
    // A point that no rope comes to, as the anchor of a line hauled directly, is not part of it.
    points: points.flatMap((p, i) => {
      const lanes = lanesOf.get(p.id);
      return lanes
        ? [
            {
              id: p.id,
              kind: p.kind,
              at: at.get(p.id) ?? 0,
              first: Math.min(...lanes),
              last: Math.max(...lanes),
              forceN: view.pointForcesN[i] ?? 0,
            },
          ]
        : [];
    }),
    lanes: lane,
  };
}

export interface Label {
  text: string;
  x: number;
  /** Counted down from the first row. */
  row: number;
}

/** Names under the tackle, each in the first row where it stands clear of the one before. */
export function labelRows(wanted: { text: string; x: number }[], perLetter: number, width: number): Label[] {
  const ends: number[] = [];
  return [...wanted]
    .sort((a, b) => a.x - b.x)
    .map(({ text, x }) => {
      const half = (text.length * perLetter) / 2;
      const at = Math.min(Math.max(x, half + 4), width - half - 4);
      let row = ends.findIndex((end) => end < at - half - 8);
      if (row < 0) row = ends.length;
      ends[row] = at + half;
      return { text, x: at, row };
    });
}

/** Rope hauled in one set, metres; the whole of it where no blocks meet. */
export function setLength(view: TackleView): number {
  return view.sets.haulPerSetM ?? view.takeUpM * view.idealAdvantage;
}

export interface Progress {
  set: number;
  hauledM: number;
  lineInM: number;
}

/** How far a pull has come: sets done, and rope hauled in this one. */
export function progressOf(view: TackleView, set: number, hauled: number): Progress {
  const whole = setLength(view);
  const all = Math.min(set * whole + hauled, view.takeUpM * view.idealAdvantage);
  return { set: set + 1, hauledM: all, lineInM: all / view.idealAdvantage };
}

/** What is done between two sets, in order. */
export function resetSteps(view: TackleView): string[] {
  return [
    `Hold: ${view.heldBy}`,
    "Hands clear of the blocks",
    "Open the tackle again",
    "Take up the slack",
    "Go on hauling",
  ];
}

/** Each contact, where it is, what it is and what it takes, as far as there is room for so many letters. */
export function costWords(view: TackleView, letters: number): string {
  const words = view.costs.map(
    (cost, i) =>
      `${cost.point.replace(/-/g, " ")} (${(view.contacts[i]?.name ?? "turn").toLowerCase()}) ${cost.costs.toFixed(2)}`,
  );
  let said = "";
  for (const [i, word] of words.entries()) {
    const next = said === "" ? word : `${said}, ${word}`;
    const left = words.length - i - 1;
    if (next.length + (left > 0 ? 12 : 0) > letters) return `${said}${said === "" ? "" : ", "}and ${left + 1} more`;
    said = next;
  }
  return said;
}

/** What is left of the ideal advantage and what each contact took of it, one after the other along a bar. */
export function frictionParts(view: TackleView): { from: number; to: number }[] {
  return view.costs.map((cost, i) => {
    const from = view.actualAdvantage + view.costs.slice(0, i).reduce((sum, c) => sum + c.costs, 0);
    return { from, to: from + cost.costs };
  });
}

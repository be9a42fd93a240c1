import type { Catalogue, Composed } from "../api/types";

export type StageKind = Composed["stages"][number]["kind"];
type Rope = Composed["ropes"][number];

/** How many turns a stage has, each of a kind of its own if wanted. */
export function turnsOf(catalogue: Catalogue, kind: StageKind): number {
  return catalogue.stages.find((s) => s.kind === kind)?.turns ?? 0;
}

export function withStage(own: Composed, kind: StageKind): Composed {
  const stage: Composed["stages"][number] = { kind, contactIds: [], legsApartDeg: 0 };
  // A redirect of the line and the two grips come last; whatever else is added stands before them.
  const last = own.stages.at(-1);
  const before = last !== undefined && last.kind === "betweenGrips" && kind !== "redirect";
  return { ...own, stages: before ? [...own.stages.slice(0, -1), stage, last] : [...own.stages, stage] };
}

export function withoutStage(own: Composed, at: number): Composed {
  return { ...own, stages: own.stages.filter((_, i) => i !== at) };
}

/** The stage moved by one place toward the hands or toward the line. */
export function movedStage(own: Composed, at: number, by: -1 | 1): Composed {
  const to = at + by;
  const [one, other] = [own.stages[at], own.stages[to]];
  if (!one || !other) return own;
  return { ...own, stages: own.stages.map((s, i) => (i === at ? other : i === to ? one : s)) };
}

/** Another kind of stage at its place; turns that it has no more are dropped. */
export function withKind(own: Composed, at: number, kind: StageKind, turns: number): Composed {
  return {
    ...own,
    stages: own.stages.map((s, i) => (i === at ? { ...s, kind, contactIds: s.contactIds.slice(0, turns) } : s)),
  };
}

/** A kind for one turn of a stage. Those before it that had none get the tackle's own, written out, so that each stays at its place. */
export function withTurn(own: Composed, at: number, turn: number, contactId: string, usual: string): Composed {
  return {
    ...own,
    stages: own.stages.map((s, i) => {
      if (i !== at) return s;
      const kinds = Array.from({ length: Math.max(s.contactIds.length, turn + 1) }, (_, t) =>
        t === turn ? contactId : (s.contactIds[t] ?? usual),
      );
      while (kinds.length > 0 && kinds.at(-1) === usual) kinds.pop();
      return { ...s, contactIds: kinds };
    }),
  };
}

const spare = (names: string[], stem: string): string => {
  let n = 1;
  while (names.includes(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
};

/** A new moving point, halfway, and a rope that starts there: the two that belong together. */
export function withTraveller(own: Composed): Composed {
  const id = spare(
    own.points.map((p) => p.id),
    "traveller",
  );
  return {
    ...own,
    points: [...own.points, { id, position: 5 + own.points.length / 10, kind: "moving" }],
    ropes: [
      ...own.ropes,
      {
        from: id,
        contacts: [
          { point: "load", offAxisDeg: 0 },
          { point: "anchor", offAxisDeg: 0 },
        ],
      },
    ],
  };
}

/** A point and every rope and turn that it stands in taken away. */
export function withoutPoint(own: Composed, id: string): Composed {
  return {
    ...own,
    points: own.points.filter((p) => p.id !== id),
    ropes: own.ropes
      .filter((r) => r.from !== id)
      .map((r) => ({ ...r, contacts: ended(r.contacts.filter((c) => c.point !== id)) })),
  };
}

/** The point under another name, wherever a rope runs to it. */
export function renamed(own: Composed, id: string, name: string): Composed {
  const swap = (p: string) => (p === id ? name : p);
  return {
    ...own,
    points: own.points.map((p) => (p.id === id ? { ...p, id: name } : p)),
    ropes: own.ropes.map((r) => ({
      from: swap(r.from),
      contacts: r.contacts.map((c) => ({ ...c, point: swap(c.point) })),
    })),
  };
}

/** One more turn at the end of a rope: what was its end turns now. */
export function withContact(own: Composed, rope: number, point: string): Composed {
  return withRope(own, rope, (r) => ({ ...r, contacts: [...r.contacts, { point, offAxisDeg: 0 }] }));
}

export function withoutContact(own: Composed, rope: number, contact: number): Composed {
  return withRope(own, rope, (r) => ({ ...r, contacts: ended(r.contacts.filter((_, i) => i !== contact)) }));
}

export function withRope(own: Composed, rope: number, change: (rope: Rope) => Rope): Composed {
  return { ...own, ropes: own.ropes.map((r, i) => (i === rope ? change(r) : r)) };
}

/** Where a rope is made fast it does not turn. */
function ended(contacts: Rope["contacts"]): Rope["contacts"] {
  return contacts.map((c, i) => {
    if (i < contacts.length - 1 || c.contactId === undefined) return c;
    const end = { ...c };
    delete end.contactId;
    return end;
  });
}

/** A name in the letters that an id takes. */
export function idOf(name: string): string {
  return name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 32);
}

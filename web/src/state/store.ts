import type { MemberPath } from "./memberPath";
import { create } from "zustand";
import type { Job, Plan } from "../api/types";
import { valueAt, withValue } from "./paths";

/** What can be edited and undone: the job's own words and its plan. */
export interface Document {
  name: string;
  place: string;
  plannedOn?: string | undefined;
  plan: Plan;
}

interface SheetState {
  jobId: string | null;
  document: Document | null;
  past: Document[];
  future: Document[];
  /** Edits with the same grip in a row are one step to undo, as while a handle is dragged. */
  grip: string | null;
  open: (id: string, document: Document) => void;
  /** Replaces the document, as when another version is taken; can be undone. */
  replace: (document: Document) => void;
  /**
   * Shows what came in from others. It cannot be undone here: undoing one's own step must never take back what somebody
   * else did.
   */
  adopt: (document: Document) => void;
  /** Gives back the steps of before a reload. */
  restore: (past: Document[], future: Document[]) => void;
  edit: (change: (document: Document) => Document, grip?: string) => void;
  /** Puts in what follows from the last edit: no step of its own. */
  settle: (plan: Plan, settled: Plan) => void;
  release: () => void;
  undo: () => void;
  redo: () => void;
}

const deepest = 200;

/** A document that an earlier Draklo kept at this device, with the lists that it did not know. */
const whole = (document: Document): Document => {
  const { follows } = document.plan as Partial<Plan>;
  return follows ? document : { ...document, plan: { ...document.plan, follows: [] } };
};

/** Whether nothing is pulled: the job is the clearing alone. */
export const useClearsAlone = (): boolean => useSheet((s) => s.document?.plan.clearing?.alone === true);

export const useSheet = create<SheetState>((set) => ({
  jobId: null,
  document: null,
  past: [],
  future: [],
  grip: null,
  open: (jobId, read) => {
    const document = whole(read);
    set({ jobId, document, past: [], future: [], grip: null });
  },
  replace: (read) => {
    const document = whole(read);
    set((s) => ({ document, past: s.document ? [...s.past, s.document] : s.past, future: [], grip: null }));
  },
  adopt: (read) => {
    const document = whole(read);
    set({ document, past: [], future: [], grip: null });
  },
  restore: (past, future) => {
    set({ past, future, grip: null });
  },
  edit: (change, grip) => {
    set((s) => {
      if (!s.document) return s;
      const changed = change(s.document);
      if (changed === s.document) return s;
      const plan = withoutSet(s.document.plan, changed.plan);
      const document = plan === changed.plan ? changed : { ...changed, plan };
      const goesOn = grip !== undefined && grip === s.grip;
      return {
        document,
        past: goesOn ? s.past : [...s.past.slice(-deepest), s.document],
        future: [],
        grip: grip ?? null,
      };
    });
  },
  settle: (plan, settled) => {
    set((s) => (settled !== plan && s.document?.plan === plan ? { document: { ...s.document, plan: settled } } : s));
  },
  release: () => {
    set({ grip: null });
  },
  undo: () => {
    set((s) => {
      const before = s.past.at(-1);
      return before && s.document
        ? { document: before, past: s.past.slice(0, -1), future: [s.document, ...s.future], grip: null }
        : s;
    });
  },
  redo: () => {
    set((s) => {
      const [after, ...future] = s.future;
      return after && s.document ? { document: after, past: [...s.past, s.document], future, grip: null } : s;
    });
  },
}));

export type Provenance = Plan["provenance"][string];

/** Where a figure comes from. One without a word was given. */
export function provenanceOf(plan: Plan, path: string): Provenance {
  return plan.provenance[path] ?? (plan.guesses.includes(path) ? "guess" : "given");
}

/** Whether nobody has confirmed a figure: a guess, a default of the product, or a simulated reading. */
export function isGuess(plan: Plan, path: string): boolean {
  return ["guess", "default", "simulated"].includes(provenanceOf(plan, path));
}

/** Every figure that nobody has confirmed. */
export function allGuesses(plan: Plan): string[] {
  return [...new Set([...plan.guesses, ...Object.keys(plan.provenance)])].filter((path) => isGuess(plan, path));
}

/** The plan with a word on where a figure, and everything under it, comes from; nothing takes the word away. */
export function withProvenance(plan: Plan, path: string, from: Provenance | undefined): Plan {
  const under = (p: string) => p === path || p.startsWith(`${path}.`) || p.startsWith(`${path}[`);
  const guesses = plan.guesses.some(under) ? plan.guesses.filter((g) => !under(g)) : plan.guesses;
  // What somebody has a word on follows nothing any more.
  const follows = plan.follows.some(under) ? plan.follows.filter((f) => !under(f)) : plan.follows;
  const kept = Object.entries(plan.provenance).filter(([p]) => !under(p));
  if (
    from === undefined &&
    kept.length === Object.keys(plan.provenance).length &&
    guesses === plan.guesses &&
    follows === plan.follows
  )
    return plan;
  return { ...plan, guesses, follows, provenance: Object.fromEntries(from ? [...kept, [path, from]] : kept) };
}

/** Whether a figure moves along with those that it follows from. */
export function isFollowing(plan: Plan, path: string): boolean {
  return plan.follows.includes(path);
}

/** The plan in which what was set, by a field, a handle, a piece or a remedy, follows nothing any more. */
function withoutSet(before: Plan, after: Plan): Plan {
  if (before === after || after.follows.length === 0) return after;
  // An anchor of which somebody says anything stays where it stands.
  const set = (path: string) => path.replace(/\.anchor\.bearingDeg$/, ".anchor");
  const follows = after.follows.filter((path) => valueAt(before, set(path)) === valueAt(after, set(path)));
  return follows.length === after.follows.length ? after : { ...after, follows };
}

/** The plan with figures that follow from others from here on, as its readings or its measures say. */
export function following(plan: Plan, paths: string[], from: Provenance): Plan {
  const told = paths.reduce((p, path) => withProvenance(p, path, from), plan);
  return { ...told, follows: [...told.follows, ...paths] };
}

/** The plan with each figure that follows as it was answered; the same plan where none moved. */
export function withFollowed(plan: Plan, followed: { path: string; value: number }[]): Plan {
  return followed.reduce(
    (p, { path, value }) =>
      isFollowing(p, path) && valueAt(p, path) !== value ? withValue(p, path as MemberPath, value) : p,
    plan,
  );
}

/** What comes of each reading. */
const comesOf: Record<string, MemberPath[]> = {
  girthM: ["tree.dbhM"],
  height: ["tree.heightM"],
  leanViews: ["tree.lean.angleDeg", "tree.lean.bearingDeg"],
};

/** The plan in which what comes of a reading counts at once: whole, or not before the whole of it is read. */
function withReadings(plan: Plan, path: string): Plan {
  const of = path.split(/[.[]/)[1] ?? "";
  const comes = comesOf[of];
  if (!comes) return plan;
  const none = of === "leanViews" ? plan.readings.leanViews.length === 0 : plan.readings[of as "height"] === undefined;
  if (none) return { ...plan, follows: plan.follows.filter((p) => !comes.includes(p as MemberPath)) };
  if (of === "height" && !isHeightRead(plan)) return plan;
  const oneView = of === "leanViews" && plan.readings.leanViews.length < 2;
  return following(plan, comes, oneView ? "guess" : provenanceOfReadings(plan, `readings.${of}`));
}

/** Whether somebody gave all that a height is read by; what it starts from is nobody's reading. */
function isHeightRead(plan: Plan): boolean {
  const method = plan.readings.height?.method;
  const by =
    method === "stick" ? ["distanceM"] : ["distanceM", "upDeg", "downDeg", ...(method === "slope" ? ["slopeDeg"] : [])];
  return by.every((member) => provenanceOf(plan, `readings.height.${member}`) !== "default");
}

/** Sets a member of the plan. A figure that somebody gives is no guess any more, even when it is the same again. */
export function setMember(path: MemberPath, value: unknown, grip?: string): void {
  useSheet.getState().edit((document) => {
    const told = withProvenance(document.plan, path, undefined);
    if (valueAt(document.plan, path) === value && told === document.plan) return document;
    const plan = withValue(told, path, value);
    return { ...document, plan: path.startsWith("readings.") ? withReadings(plan, path) : plan };
  }, grip);
}

/** Adds or changes a part of the plan with figures that nobody has given: each new one is a guess until somebody does. */
export function startMember(path: MemberPath, value: unknown): void {
  useSheet.getState().edit((document) => {
    const figures = numbersIn(path, value).filter(([p, n]) => valueAt(document.plan, p) !== n);
    const plan = withValue(document.plan, path, value);
    return {
      ...document,
      plan: {
        ...plan,
        provenance: { ...plan.provenance, ...Object.fromEntries(figures.map(([p]) => [p, "default"] as const)) },
      },
    };
  });
}

/** Where a figure comes from that readings come to: measured only when each of them is somebody's own. */
function provenanceOfReadings(plan: Plan, readings: string): Provenance {
  const under = Object.entries(plan.provenance).filter(([p]) => p.startsWith(readings));
  return under.some(([, from]) => from === "simulated") ? "simulated" : "measured";
}

/** Lets the figures that come of a reading follow it again, after somebody set them another way. */
export function takeReading(path: MemberPath): void {
  useSheet.getState().edit((document) => ({ ...document, plan: withReadings(document.plan, path) }));
}

/** Sets figures with where they come from. */
export function setFrom(from: Provenance, figures: [path: MemberPath, value: unknown][]): void {
  useSheet.getState().edit((document) => ({
    ...document,
    plan: figures.reduce((plan, [path, value]) => {
      const set = withValue(withProvenance(plan, path, from), path, value);
      return path.startsWith("readings.") ? withReadings(set, path) : set;
    }, document.plan),
  }));
}

function numbersIn(path: string, value: unknown): [string, number][] {
  if (typeof value === "number") return [[path, value]];
  if (typeof value !== "object" || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) =>
    numbersIn(Array.isArray(value) ? `${path}[${key}]` : `${path}.${key}`, inner),
  );
}

/** Somebody measured it, or it turns out that nobody did. */
export function toggleGuess(path: MemberPath): void {
  useSheet.getState().edit((document) => ({
    ...document,
    plan: withProvenance(document.plan, path, provenanceOf(document.plan, path) === "measured" ? "guess" : "measured"),
  }));
}

/** Takes checks on by name. */
export function accept(entries: Plan["accepted"]): void {
  useSheet.getState().edit((document) => {
    const others = document.plan.accepted.filter((a) => !entries.some((entry) => sameCheck(a, entry)));
    return { ...document, plan: { ...document.plan, accepted: [...others, ...entries] } };
  });
}

export function takeBack(entry: { code: string; path?: string | undefined }): void {
  useSheet.getState().edit((document) => ({
    ...document,
    plan: { ...document.plan, accepted: document.plan.accepted.filter((a) => !sameCheck(a, entry)) },
  }));
}

const sameCheck = (a: { code: string; path?: string | undefined }, b: { code: string; path?: string | undefined }) =>
  a.code === b.code && (a.path ?? "") === (b.path ?? "");

/** Takes a line away; what was said of the lines after it moves with them. */
export function withoutLine(plan: Plan, index: number): Plan {
  const moved = (path: string): string[] => {
    const of = /^lines\[(\d+)\](.*)$/.exec(path);
    if (!of) return [path];
    const at = Number(of[1]);
    return at === index ? [] : [`lines[${at > index ? at - 1 : at}]${of[2] ?? ""}`];
  };
  return {
    ...plan,
    lines: plan.lines.filter((_, i) => i !== index),
    guesses: plan.guesses.flatMap(moved),
    follows: plan.follows.flatMap(moved),
    provenance: Object.fromEntries(
      Object.entries(plan.provenance).flatMap(([path, from]) => moved(path).map((p) => [p, from] as const)),
    ),
    accepted: plan.accepted.flatMap((a) =>
      a.path === undefined ? [a] : moved(a.path).map((path) => ({ ...a, path })),
    ),
  };
}

/** An anchor at a place that nobody has looked at: how far it stands is kept, what it is made of and holds is not. */
export function elsewhere(anchor: Plan["lines"][number]["anchor"]): Plan["lines"][number]["anchor"] {
  const bare = { ...anchor };
  delete bare.name;
  delete bare.capacityN;
  delete bare.tree;
  delete bare.post;
  delete bare.pickets;
  delete bare.weight;
  return { ...bare, kind: "rated" };
}

/** A line that names no piece of the locker: a copy takes its figures along, not the pieces themselves. */
export function withoutPieces(line: Plan["lines"][number]): Plan["lines"][number] {
  return JSON.parse(
    JSON.stringify(line, (key, value: unknown) => (key === "itemId" || key === "hardwareItemId" ? undefined : value)),
  ) as Plan["lines"][number];
}

/** Adds a line like the last one, a little lower, turned aside and on an anchor of its own. */
export function withAnotherLine(plan: Plan): Plan {
  const last = plan.lines.at(-1);
  if (!last) return plan;
  const taken = new Set(plan.lines.map((l) => l.id));
  const id =
    ["steer", "second", "third", "fourth", "fifth", "sixth"].find((name) => !taken.has(name)) ??
    `line-${plan.lines.length + 1}`;
  const bare = withoutPieces(last);
  const anchor = elsewhere(bare.anchor);
  return {
    ...plan,
    lines: [
      ...plan.lines,
      {
        ...bare,
        id,
        share: 0.5,
        redirects: [],
        seat: { heightM: Math.round(last.seat.heightM * 8) / 10, on: "stem" },
        anchor: { ...anchor, bearingDeg: (last.anchor.bearingDeg + 20) % 360 },
      },
    ],
  };
}

export function documentOf(job: Job): Document {
  return { name: job.name, place: job.place, plannedOn: job.plannedOn, plan: job.plan };
}

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
  edit: (change: (document: Document) => Document, grip?: string) => void;
  release: () => void;
  undo: () => void;
  redo: () => void;
}

const deepest = 200;

export const useSheet = create<SheetState>((set) => ({
  jobId: null,
  document: null,
  past: [],
  future: [],
  grip: null,
  open: (jobId, document) => {
    set({ jobId, document, past: [], future: [], grip: null });
  },
  replace: (document) => {
    set((s) => ({ document, past: s.document ? [...s.past, s.document] : s.past, future: [], grip: null }));
  },
  edit: (change, grip) => {
    set((s) => {
      if (!s.document) return s;
      const document = change(s.document);
      if (document === s.document) return s;
      const goesOn = grip !== undefined && grip === s.grip;
      return {
        document,
        past: goesOn ? s.past : [...s.past.slice(-deepest), s.document],
        future: [],
        grip: grip ?? null,
      };
    });
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

/** Sets a member of the plan. A figure that somebody gives is no guess any more. */
export function setMember(path: MemberPath, value: unknown, grip?: string): void {
  useSheet.getState().edit((document) => {
    if (valueAt(document.plan, path) === value && !document.plan.guesses.includes(path)) return document;
    const plan = withValue(document.plan, path, value);
    return { ...document, plan: { ...plan, guesses: plan.guesses.filter((g) => g !== path) } };
  }, grip);
}

export function toggleGuess(path: MemberPath): void {
  useSheet.getState().edit((document) => {
    const guesses = document.plan.guesses.includes(path)
      ? document.plan.guesses.filter((g) => g !== path)
      : [...document.plan.guesses, path];
    return { ...document, plan: { ...document.plan, guesses } };
  });
}

/** Takes a line away; what was said of the lines after it moves with them. */
export function withoutLine(plan: Plan, index: number): Plan {
  const guesses = plan.guesses.flatMap((path) => {
    const of = /^lines\[(\d+)\](.*)$/.exec(path);
    if (!of) return [path];
    const at = Number(of[1]);
    return at === index ? [] : [`lines[${at > index ? at - 1 : at}]${of[2] ?? ""}`];
  });
  return { ...plan, lines: plan.lines.filter((_, i) => i !== index), guesses };
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

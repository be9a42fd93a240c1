import { members } from "../api/members";
import type { Quantity } from "../units/units";
import type { MemberPath } from "./memberPath";
import { steps } from "./paths";

/** What the core says of one member of the plan; labels, units, steps and ranges stand nowhere else. */
export interface MemberFacts {
  /** What it is called here, in refusals and in merges. */
  label: string;
  /** What its number measures. */
  quantity: Quantity;
  /** One press of an arrow key, in the shown unit; the quantity's usual step where it has none of its own. */
  step?: number;
  /** The range of its number, in the plan's own unit, both ends included. */
  low: number;
  high: number;
  /** Whether somebody on site can measure it. */
  canBeMeasured: boolean;
  /** What its empty field says; without it, it must be given. */
  empty?: string;
  /** The station that decides it. */
  station?: string;
}

interface Said extends Partial<MemberFacts> {
  part?: string;
}

const table: Partial<Record<string, Partial<Record<string, Said>>>> = members;
const known = new Map<string, MemberFacts | null>();

/** What is said of the member that a path leads to, as in "lines[0].seat.heightM"; null where it leads to none. */
export function factsAt(path: string): MemberFacts | null {
  const before = known.get(path);
  if (before !== undefined) return before;
  const found = find(path);
  known.set(path, found);
  return found;
}

/** The facts of a member that there is. */
export function factsOf(path: string): MemberFacts {
  const found = factsAt(path);
  if (!found) throw new Error(`No member of the plan is at ${path}.`);
  return found;
}

export const labelOf = (path: MemberPath): string => factsOf(path).label;

/** The ends of a handle's way: the member's range, less where something on this plan is nearer. */
export function rangeOf(path: MemberPath, within: { low?: number; high?: number } = {}): { min: number; max: number } {
  const { low, high } = factsOf(path);
  return { min: Math.max(low, within.low ?? -Infinity), max: Math.min(high, within.high ?? Infinity) };
}

function find(path: string): MemberFacts | null {
  let part: string | undefined = "Plan";
  let said: Said | undefined;
  let station: string | undefined;
  let label = path;
  for (const step of steps(path)) {
    if (typeof step === "number") continue;
    const next: Said | undefined = part === undefined ? undefined : table[part]?.[step];
    if (!next) return null;
    said = next;
    part = next.part;
    station = next.station ?? station;
    label = next.label ?? label;
  }
  if (!said) return null;
  return {
    quantity: "ratio",
    low: -Infinity,
    high: Infinity,
    canBeMeasured: false,
    ...said,
    label,
    ...(station === undefined ? {} : { station }),
  };
}

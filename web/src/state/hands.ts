import { create } from "zustand";

/** A figure that two people changed each in their way, in words; undefined where it was taken out. */
export interface Difference {
  name: string;
  mine?: string;
  saved?: string;
}

interface Hands {
  /** Who else has this job open, by name. */
  names: string[];
  /** Who else drags which handle, by the handle. */
  others: Record<string, string>;
  /** What others settle just now: theirs beside what is saved. */
  settling: { name: string; differences: Difference[] }[];
}

export const nobodyElse: Hands = { names: [], others: {}, settling: [] };

/** Those who have the same job open, and what they hold. */
export const useHands = create<Hands>(() => nobodyElse);

interface Telling {
  hold: (handle: string | null) => void;
  settle: (differences: Difference[] | null) => void;
}

/** Tells the others what this page does; set while they can be told. */
let telling: Telling | undefined;
let settled: Difference[] | null = null;

export function tellBy(how: Telling | undefined): void {
  telling = how;
  // Who comes in while something is being settled says so.
  if (settled !== null) telling?.settle(settled);
}

export function takeHold(handle: string): void {
  telling?.hold(handle);
}

export function letGo(): void {
  telling?.hold(null);
}

/** Says what is being settled here; null when it is done. */
export function saySettling(differences: Difference[] | null): void {
  settled = differences;
  telling?.settle(differences);
}

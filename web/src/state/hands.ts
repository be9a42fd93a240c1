import { create } from "zustand";

interface Hands {
  /** Who else has this job open, by name. */
  names: string[];
  /** Who else drags which handle, by the handle. */
  others: Record<string, string>;
}

/** Those who have the same job open, and what they hold. */
export const useHands = create<Hands>(() => ({ names: [], others: {} }));

/** Tells the others what this page holds; set while they can be told. */
let tell: ((handle: string | null) => void) | undefined;

export function onHold(how: typeof tell): void {
  tell = how;
}

export function takeHold(handle: string): void {
  tell?.(handle);
}

export function letGo(): void {
  tell?.(null);
}

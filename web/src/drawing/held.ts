import { useHands } from "../state/hands";

/** Whether a hand drags something on a drawing: what costs time is put off until it lets go. */
export const held = { now: false };

/** Who else drags a handle just now; null for nobody. */
export const useHeldBy = (handle: string): string | null => useHands((s) => s.others[handle] ?? null);

/** Whether a hand drags something on a drawing: what costs time is put off until it lets go. */
export const held = { now: false };

import type { Flat } from "./projection";

/** Radius of the disc with somebody's letter, pixels. */
export const disc = 11;

/** Discs that would cover one another, each moved on until it is clear of those before it: people stand a few metres apart. */
export function apart(at: Flat[]): Flat[] {
  const placed: Flat[] = [];
  for (const one of at) {
    let to = one;
    for (let tries = 0; tries < 12; tries++) {
      const near = placed.find((p) => Math.hypot(p.x - to.x, p.y - to.y) < 2 * disc + 2);
      if (!near) break;
      const [dx, dy] = [to.x - near.x, to.y - near.y];
      const length = Math.hypot(dx, dy);
      const [ux, uy] = length > 0.5 ? [dx / length, dy / length] : [0, 1];
      to = { x: near.x + ux * (2 * disc + 3), y: near.y + uy * (2 * disc + 3) };
    }
    placed.push(to);
  }
  return placed;
}

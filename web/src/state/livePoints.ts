export interface LivePoint {
  /** By the server's clock. */
  atMs: number;
  tensionN: number;
  /** By this tablet's clock, when it came. */
  seenMs: number;
}

const keptMs = 30_000;
const slackMs = 5_000;

/** The readings of the last half minute and one more. Old ones go some at a time, so that it costs next to nothing. */
export function keepLast(points: LivePoint[], point: LivePoint): LivePoint[] {
  points.push(point);
  const oldest = points[0];
  if (!oldest || point.seenMs - oldest.seenMs <= keptMs + slackMs) return points;
  return points.slice(points.findIndex((p) => point.seenMs - p.seenMs <= keptMs));
}

/** Middle of the readings of the last second; null when the last came longer ago. */
export function averageOf(points: readonly LivePoint[], nowMs: number): number | null {
  const lately = points.filter((p) => nowMs - p.seenMs <= 1000).map((p) => p.tensionN);
  if (lately.length === 0) return null;
  lately.sort((a, b) => a - b);
  return lately[Math.floor(lately.length / 2)] ?? null;
}

/** Readings as a path across a picture whose right edge is now. */
export function livePath(
  points: readonly LivePoint[],
  nowMs: number,
  most: number,
  width: number,
  height: number,
): string {
  return points
    .filter((p) => nowMs - p.seenMs <= keptMs)
    .map((p, i) => {
      const x = width * (1 - (nowMs - p.seenMs) / keptMs);
      const y = height * (1 - Math.min(1, p.tensionN / Math.max(most, 1e-9)));
      return `${i === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join("");
}

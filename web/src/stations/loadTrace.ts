export interface Reading {
  atSeconds: number;
  tensionN: number;
  phase: "slack" | "preTension" | "hold" | "pull" | "gone";
}

/** Where a tension stands in a picture whose top is the most that is shown. */
export function markAt(tension: number, most: number, height: number): number {
  return Math.round((height - (Math.max(0, tension) / Math.max(most, 1e-9)) * (height - 4)) * 10) / 10;
}

/** The last half minute or more of readings as a path across the picture. */
export function traceOf(readings: Reading[], most: number, width: number, height: number): string {
  const last = readings.at(-1);
  if (!last) return "";
  const span = 34;
  const from = Math.max(0, last.atSeconds - span);
  return readings
    .filter((r) => r.atSeconds >= from)
    .map(
      (r, i) =>
        `${i === 0 ? "M" : "L"}${(((r.atSeconds - from) / span) * width).toFixed(1)} ${markAt(r.tensionN, most, height)}`,
    )
    .join("");
}

import { pathOf, toPixels, type Flat, type Scale } from "./projection";

interface GroundProps {
  scale: Scale;
  /** Level at the stump, and where it has been measured beyond it, metres. */
  known: Flat[];
  width: number;
}

/** The ground line through its known points, with short hatching under it. */
export function Ground({ scale, known, width }: GroundProps) {
  const points = [...known].sort((a, b) => a.x - b.x).map((p) => toPixels(scale, p));
  const first = points[0];
  const last = points[points.length - 1];
  if (!first || !last) return null;
  const line = [{ x: 0, y: first.y }, ...points, { x: width, y: last.y }];
  const levelAt = (x: number): number => {
    const next = line.findIndex((p) => p.x >= x);
    const b = line[Math.max(next, 1)] ?? last;
    const a = line[Math.max(next, 1) - 1] ?? first;
    return b.x === a.x ? a.y : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  };
  const ticks = Array.from({ length: Math.floor(width / 14) }, (_, i) => i * 14 + 7);
  return (
    <g aria-hidden>
      <path
        d={ticks.map((x) => `M${x} ${levelAt(x).toFixed(1)}l-8 8`).join("")}
        stroke="var(--pencil)"
        strokeWidth={0.8}
      />
      <path d={pathOf(line)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
    </g>
  );
}

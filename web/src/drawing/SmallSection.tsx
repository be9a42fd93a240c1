import type { JobEntry } from "../api/types";
import { Ground } from "./Ground";
import { fit, pathOf, toPixels } from "./projection";

const width = 168;
const height = 96;

/** A clearing of the list, to scale: its ground, the high point, the loaded lines, where the pieces lie. */
export function SmallSection({ sketch }: { sketch: NonNullable<JobEntry["sketch"]> }) {
  const all = [...sketch.ground, ...sketch.high, ...sketch.lines.flat()];
  const scale = fit(
    {
      minX: Math.min(...all.map((p) => p.x)),
      maxX: Math.max(...all.map((p) => p.x)),
      minY: Math.min(...all.map((p) => p.y)),
      maxY: Math.max(...all.map((p) => p.y)),
    },
    width,
    height,
    { top: 6, right: 4, bottom: 14, left: 4 },
  );
  const px = (p: { x: number; y: number }) => toPixels(scale, p);
  return (
    <svg width={width} height={height} aria-hidden className="block" data-sketch>
      <Ground scale={scale} width={width} known={sketch.ground} />
      {sketch.high.length === 2 && (
        <path d={pathOf(sketch.high.map(px))} stroke="var(--ink)" strokeWidth={2.5} fill="none" />
      )}
      {sketch.lines.map((line, i) => (
        <path key={i} d={pathOf(line.map(px))} stroke="var(--loaded)" strokeWidth={1.6} fill="none" />
      ))}
      {sketch.pieces.map((p, i) => (
        <circle key={i} cx={px(p).x} cy={px(p).y - 3} r={3} fill="var(--wood)" stroke="var(--ink)" />
      ))}
    </svg>
  );
}

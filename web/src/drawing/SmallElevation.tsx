import type { Figure, LayPoint } from "../api/types";
import { boundsOf, fit, flatten, toPixels } from "./projection";
import { Ground } from "./Ground";
import { TreeShape } from "./TreeShape";

const width = 168;
const height = 96;

/** A tree of the list, to scale, with its lines. */
export function SmallElevation({ figure, centre }: { figure: Figure; centre: LayPoint }) {
  const scale = fit(boundsOf(figure), width, height, { top: 6, right: 4, bottom: 14, left: 4 });
  return (
    <svg width={width} height={height} aria-hidden className="block">
      <Ground
        scale={scale}
        width={width}
        known={[
          { x: 0, y: figure.groundUpM },
          ...figure.lines.map((l) => ({ x: flatten(l.anchor, figure.viewDeg).x, y: l.anchorGroundUpM })),
        ]}
      />
      <TreeShape figure={figure} centre={centre} scale={scale} small />
      {figure.lines.map((l) => {
        const a = toPixels(scale, flatten(l.seat, figure.viewDeg));
        const b = toPixels(scale, flatten(l.anchor, figure.viewDeg));
        return <path key={l.id} d={`M${a.x} ${a.y}L${b.x} ${b.y}`} stroke="var(--loaded)" strokeWidth={1.6} />;
      })}
    </svg>
  );
}

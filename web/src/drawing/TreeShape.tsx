import { memo } from "react";
import type { Figure, LayPoint } from "../api/types";
import { crownOutline, flatten, hatchPath, pathOf, tipped, toPixels, type Scale } from "./projection";

interface TreeShapeProps {
  figure: Figure;
  centre: LayPoint;
  scale: Scale;
  tiltDeg?: number;
  /** Only an outline, as where the tree would be once tipped. */
  ghost?: boolean;
  small?: boolean;
}

/** Stem, crown and centre of mass, leaning as the plan says. Drawn again only when the tree itself has changed. */
export const TreeShape = memo(Tree, (before, now) => sameTree(before.figure, now.figure) && sameProps(before, now));

const sameTree = (a: Figure, b: Figure) =>
  a.stem === b.stem && a.crown === b.crown && a.viewDeg === b.viewDeg && a.groundUpM === b.groundUpM;

const sameProps = (a: TreeShapeProps, b: TreeShapeProps) =>
  (["centre", "scale", "tiltDeg", "ghost", "small"] as const).every((name) => a[name] === b[name]);

function Tree({ figure, centre, scale, tiltDeg = 0, ghost = false, small = false }: TreeShapeProps) {
  const crown = crownOutline(figure, tiltDeg).map((p) => toPixels(scale, p));
  const slices = figure.stem.map((s) => ({
    ...flatten(tipped(s, tiltDeg), figure.viewDeg),
    half: Math.max((s.diameterM / 2) * scale.perMetre, small ? 0.6 : 0.9),
  }));
  const pixels = slices.map((s) => ({ ...toPixels(scale, s), half: s.half }));
  const stem = [
    ...pixels.map((p) => ({ x: p.x - p.half, y: p.y })),
    ...[...pixels].reverse().map((p) => ({ x: p.x + p.half, y: p.y })),
  ];
  const mass = toPixels(scale, flatten(tipped(centre, tiltDeg), figure.viewDeg));
  const foot = toPixels(scale, flatten(figure.stem[0] ?? centre, figure.viewDeg));
  const ground = toPixels(scale, { x: 0, y: figure.groundUpM }).y;
  const half = pixels[0]?.half ?? 1;
  if (ghost) {
    return (
      <path
        aria-hidden
        d={pathOf(stem, true) + pathOf(crown, true)}
        fill="none"
        stroke="var(--pencil)"
        strokeWidth={1}
        strokeDasharray="4 4"
      />
    );
  }
  return (
    <g aria-hidden>
      <path
        d={hatchPath(crown, small ? 4 : 7, 125)}
        stroke="var(--leaf)"
        strokeWidth={small ? 0.5 : 0.6}
        opacity={0.55}
        fill="none"
      />
      <path
        d={pathOf(crown, true)}
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={small ? 0.8 : 1.3}
        strokeLinejoin="round"
      />
      <path d={pathOf(stem, true)} fill="var(--wood)" stroke="var(--bark)" strokeWidth={small ? 0.6 : 1.2} />
      <path
        d={`M${foot.x - half * 1.08} ${ground}L${foot.x - half} ${foot.y}H${foot.x + half}L${foot.x + half * 1.08} ${ground}Z`}
        fill="var(--wood)"
        stroke="var(--bark)"
        strokeWidth={small ? 0.6 : 1.2}
      />
      {!small && (
        <g transform={`translate(${mass.x.toFixed(1)} ${mass.y.toFixed(1)})`}>
          <circle r={8} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
          <path d="M0 0V-8A8 8 0 0 1 8 0ZM0 0V8A8 8 0 0 1 -8 0Z" fill="var(--ink)" />
        </g>
      )}
    </g>
  );
}

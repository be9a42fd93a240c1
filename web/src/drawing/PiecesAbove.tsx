import type { Clearing, ClearingAnalysis } from "../api/types";
import { setMember } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { toMetres, type Flat, type Scale } from "./projection";
import { tenth } from "./sitePlan";

/** What is to be moved, where it lies; pieces that were given are taken hold of here. */
export function PiecesAbove({
  clearing,
  analysis,
  scale,
  px,
  onGrab,
  onRelease,
}: {
  clearing: Clearing;
  analysis: ClearingAnalysis;
  scale: Scale;
  px: (x: number, right: number) => Flat;
  onGrab: () => void;
  onRelease: () => void;
}) {
  const units = useSettings((s) => s.units);
  const [left, right] = [clearing.ground.spots[0]?.atM ?? 0, clearing.ground.spots.at(-1)?.atM ?? 0];
  return analysis.pieces.map((p) => {
    const i = clearing.pieces.findIndex((given) => given.id === p.id);
    const at = px(p.atM, p.asideM);
    const log = <rect x={at.x - 4} y={at.y - 9} width={8} height={18} fill="var(--wood)" stroke="var(--ink)" />;
    if (i < 0) return <g key={p.id}>{log}</g>;
    return (
      <g key={p.id}>
        {log}
        <Handle
          id={`piece-${i}`}
          name={p.name}
          at={at}
          now={p.atM}
          min={left}
          max={right}
          text={`${written(p.atM, "length", units)} along, ${written(Math.abs(p.asideM), "length", units)} to the ${p.asideM < 0 ? "left" : "right"}`}
          onGrab={onGrab}
          onMove={(to) => {
            const m = toMetres(scale, to);
            lie(clearing, i, Math.min(Math.max(m.x, left), right), -m.y);
          }}
          onStep={(along, up) => {
            lie(clearing, i, Math.min(Math.max(p.atM + along * 0.5, left), right), p.asideM - up * 0.5);
          }}
          onRelease={onRelease}
        />
        <text x={at.x} y={at.y + 24} textAnchor="middle" className="halo fill-ink font-tight text-[13px]">
          {p.name}
          {p.count > 1 ? ` ×${p.count}` : ""}
        </text>
      </g>
    );
  });
}

/** Puts a piece somewhere: on the plan where the section is on it, else along the section alone. */
function lie(clearing: Clearing, i: number, along: number, aside: number): void {
  const { from, to } = clearing.ground;
  const length = from && to ? Math.hypot(to.eastM - from.eastM, to.northM - from.northM) : 0;
  if (!from || !to || length < 0.5) {
    setMember(`clearing.pieces[${i}].atM`, Math.round(along * 2) / 2, `piece-${i}`);
    return;
  }
  const [east, north] = [(to.eastM - from.eastM) / length, (to.northM - from.northM) / length];
  setMember(
    `clearing.pieces[${i}].place`,
    {
      eastM: tenth(from.eastM + along * east + aside * north),
      northM: tenth(from.northM + along * north - aside * east),
    },
    `piece-${i}`,
  );
}

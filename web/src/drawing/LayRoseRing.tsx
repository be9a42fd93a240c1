import type { Rose, RoseBearing } from "../api/types";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import type { Flat } from "./projection";
import { cleared, runsOf, sectorPath } from "./sitePlan";

interface LayRoseRingProps {
  rose: Rose;
  /** The stump, in pixels. */
  at: Flat;
  /** Where the petals begin, pixels. */
  radius: number;
  onPick: (bearingDeg: number) => void;
}

const words = { open: "open", tight: "tight", closed: "closed" } as const;
const length: Record<RoseBearing["state"], number> = { open: 46, tight: 26, closed: 10 };
const fill: Record<RoseBearing["state"], string> = {
  open: "var(--held)",
  tight: "url(#tight-hatch)",
  closed: "var(--ink)",
};

/** Every direction round the tree: open lays reach far out, tight ones are short and hatched, closed ones a solid rim. */
export function LayRoseRing({ rose, at, radius, onPick }: LayRoseRingProps) {
  const units = useSettings((s) => s.units);
  const half = rose.stepDeg / 2;
  return (
    <g data-rose>
      {rose.bearings.map((b) => (
        <path
          key={b.bearingDeg}
          data-bearing={b.bearingDeg}
          data-state={b.state}
          d={sectorPath(at, radius, radius + length[b.state], b.bearingDeg - half, b.bearingDeg + half)}
          fill={fill[b.state]}
          stroke="var(--sheet)"
          strokeWidth={0.7}
          className="cursor-pointer hover:opacity-60"
          onClick={(event) => {
            event.stopPropagation();
            onPick(b.bearingDeg);
          }}
        >
          <title>{`${b.bearingDeg}°: ${b.why}${b.neededTensionN == null ? "" : `; needs ${written(b.neededTensionN, "force", units)}`}${b.clearanceM == null ? "" : `; clears by ${cleared(b.clearanceM, units)}`}`}</title>
        </path>
      ))}
      {runsOf(rose.bearings)
        .filter((r) => r.state === "open")
        .map((run) => {
          const span = (run.toDeg - run.fromDeg + 360) % 360;
          const turn = ((run.fromDeg + span / 2) * Math.PI) / 180;
          const out = radius + length.open + 16;
          const x = at.x + out * Math.sin(turn);
          return (
            <text
              key={run.fromDeg}
              aria-hidden
              x={x}
              y={at.y - out * Math.cos(turn) + 4}
              textAnchor={Math.abs(Math.sin(turn)) < 0.3 ? "middle" : Math.sin(turn) > 0 ? "start" : "end"}
              fill="var(--ink)"
              pointerEvents="none"
              className="halo font-tight text-[13px] font-semibold"
            >
              {words.open} {run.fromDeg}°–{run.toDeg}°
            </text>
          );
        })}
    </g>
  );
}

import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { Analysis } from "../api/types";
import { written } from "../units/units";
import { useSettings } from "../ui/settings";
import { tensionAt } from "./projection";

interface PullChartProps {
  pull: Analysis["pull"];
  tiltDeg: number;
  x: number;
  y: number;
}

const width = 168;
const height = 74;

/** Needed tension against how far the tree has been tipped. */
export function PullChart({ pull, tiltDeg, x, y }: PullChartProps) {
  const units = useSettings((s) => s.units);
  const most = Math.max(pull.neededTensionN, 1);
  const across = scaleLinear([0, Math.max(pull.commitDeg, 1) * 1.12], [0, width]);
  const up = scaleLinear([0, most * 1.12], [height, 0]);
  const curve =
    line<{ deg: number; tensionN: number }>(
      (p) => across(p.deg),
      (p) => up(p.tensionN),
    )(pull.curve) ?? "";
  const there = Math.min(tiltDeg, across.domain()[1] ?? 0);
  return (
    <g transform={`translate(${x} ${y})`} className="font-tight text-xs">
      <text x={0} y={-14} fill="var(--pencil)">
        tension against tilt
      </text>
      <path d={`M0 0V${height}H${width}`} fill="none" stroke="var(--ink)" strokeWidth={1.2} />
      <path d={curve} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <path d={`M${across(pull.commitDeg)} ${height - 5}v10`} stroke="var(--ink)" strokeWidth={1.2} />
      <text x={across(pull.commitDeg)} y={height + 18} textAnchor="end" fill="var(--ink)">
        commit {written(pull.commitDeg, "angle", units)}
      </text>
      <text x={6} y={up(pull.curve[0]?.tensionN ?? 0) - 6} fill="var(--ink)" fontWeight={600}>
        {written(pull.tensionAtRestN, "force", units)}
      </text>
      {tiltDeg > 0 && (
        <g>
          <circle cx={across(there)} cy={up(tensionAt(pull.curve, there))} r={4} fill="var(--ink)" />
          <text
            x={Math.min(across(there) + 8, width - 30)}
            y={up(tensionAt(pull.curve, there)) - 8}
            fill="var(--ink)"
            fontWeight={600}
          >
            {written(tensionAt(pull.curve, there), "force", units)}
          </text>
        </g>
      )}
    </g>
  );
}

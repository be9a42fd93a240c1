import { scaleLinear } from "d3-scale";
import { line as lineOf } from "d3-shape";
import type { PullDay, PullLine } from "../../api/types";
import { useLive } from "../../state/live";
import { useSettings } from "../../ui/settings";
import { figure, unitOf, written } from "../../units/units";

const width = 360;
const height = 390;
const [left, right, top, bottom] = [52, 44, 56, 340];

/** Tension against lean with the hauled rope beside it, and where the pull is now. */
export function PullPicture({ day, line }: { day: PullDay; line: PullLine }) {
  const units = useSettings((s) => s.units);
  const liveN = useLive((s) => s.last[line.id]?.tensionN);
  const liveDeg = useLive((s) => s.leanDeg);
  const commit = day.commitDeg;
  const most = Math.max(line.plannedN * 1.15, ...line.curve.map((p) => p.tensionN), liveN ?? 0);
  const haul = Math.max(line.haulM, ...line.curve.map((p) => p.hauledM), 0.1);
  const x = scaleLinear([0, commit * 1.15], [left, width - right]);
  const y = scaleLinear([0, most], [bottom, top]);
  const rope = scaleLinear([0, haul], [bottom, top]);
  const tension = lineOf<PullLine["curve"][number]>(
    (p) => x(p.deg),
    (p) => y(p.tensionN),
  );
  const hauled = lineOf<PullLine["curve"][number]>(
    (p) => x(p.deg),
    (p) => rope(p.hauledM),
  );
  const lean = liveDeg ?? day.seen.leanDeg ?? null;
  const at = liveN ?? (line.readHere ? line.readN?.nominal : undefined);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Tension against lean; it goes by itself at ${written(commit, "angle", units)}`}
      className="block h-auto max-h-[46vh] w-full border border-rule bg-sheet"
    >
      <text x={14} y={24} fill="var(--pencil)" className="font-tight text-[15px]">
        tension ({unitOf("force", units).name}) by lean; dashed: rope hauled ({unitOf("length", units).name})
      </text>
      <path d={`M${left} ${top}V${bottom}H${width - right}`} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      {y.ticks(5).map((n) => (
        <g key={n}>
          <path d={`M${left - 6} ${y(n)}h6`} stroke="var(--ink)" />
          <text x={left - 9} y={y(n) + 5} textAnchor="end" fill="var(--ink)" className="font-tight text-[14px]">
            {figure(n, "force", units)}
          </text>
        </g>
      ))}
      {rope.ticks(4).map((n) => (
        <text key={n} x={width - right + 6} y={rope(n) + 5} fill="var(--pencil)" className="font-tight text-[14px]">
          {figure(n, "length", units)}
        </text>
      ))}
      {x.ticks(5).map((n) => (
        <text key={n} x={x(n)} y={bottom + 18} textAnchor="middle" fill="var(--ink)" className="font-tight text-[14px]">
          {n}°
        </text>
      ))}
      <path d={`M${x(commit)} ${top}V${bottom}`} stroke="var(--ink)" strokeWidth={1} />
      <text x={x(commit) - 5} y={top + 14} textAnchor="end" fill="var(--ink)" className="halo font-tight text-[14px]">
        goes by itself, {written(commit, "angle", units)}
      </text>
      <path d={hauled(line.curve) ?? ""} fill="none" stroke="var(--pencil)" strokeWidth={1.5} strokeDasharray="6 4" />
      <path d={tension(line.curve) ?? ""} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
      {lean !== null && at !== undefined && (
        <g data-live-point>
          <path
            d={`M${x(Math.min(lean, commit * 1.15))} ${bottom}V${y(at)}`}
            stroke="var(--loaded)"
            strokeDasharray="3 3"
          />
          <circle cx={x(Math.min(Math.max(lean, 0), commit * 1.15))} cy={y(at)} r={8} fill="var(--loaded)" />
        </g>
      )}
      <text x={14} y={height - 12} fill="var(--pencil)" className="font-tight text-[14px]">
        {lean === null
          ? "no lean called yet"
          : `${written(lean, "angle", units)} now${line.expectedN == null ? "" : `; ${written(line.expectedN, "force", units)} and ${written(line.expectedHauledM ?? 0, "length", units)} expected at the lean called`}`}
      </text>
    </svg>
  );
}

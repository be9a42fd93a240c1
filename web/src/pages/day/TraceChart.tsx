import { useQuery } from "@tanstack/react-query";
import { scaleLinear } from "d3-scale";
import { api } from "../../api/client";
import type { PullDay, TraceView } from "../../api/types";
import { timeOf } from "../../state/words";
import { lineName, stepName } from "./Kept";
import { useSettings } from "../../ui/settings";
import { figure, unitOf, written } from "../../units/units";

const width = 720;
const height = 220;
const [left, right, top, bottom] = [52, 12, 16, 186];

/** The day's readings of every line over time, with the steps and what was entered by hand. */
export function TraceChart({ jobId, day }: { jobId: string; day: PullDay }) {
  const trace = useQuery({
    queryKey: ["trace", jobId],
    queryFn: () => api.trace(jobId, 600),
    refetchInterval: 5000,
    retry: false,
  });
  const lines = trace.data ?? [];
  const byHand = day.entries.filter((e) => e.tensionN);
  if (lines.length === 0 && byHand.length === 0)
    return <p className="py-2 text-pencil">No reading yet: they stand here as they come.</p>;
  return (
    <>
      <Chart lines={lines} day={day} />
      <ul className="text-[15px]">
        {lines.map((l) => (
          <Sums key={l.lineId} line={l} several={lines.length > 1} />
        ))}
      </ul>
      <a
        href={`/api/jobs/${jobId}/pulling/trace.csv`}
        download
        className="inline-flex min-h-12 items-center font-tight text-[15px] underline"
      >
        All readings as CSV
      </a>
    </>
  );
}

/** Names that have room beside the one before; the others keep their mark alone. */
function named<T extends { x: number; name: string }>(marks: T[]): T[] {
  const room = 46;
  const { kept } = marks.reduce<{ kept: T[]; last: number }>(
    (so, m) =>
      m.x - so.last > room
        ? { kept: [...so.kept, m], last: m.x }
        : { kept: [...so.kept, { ...m, name: "" }], last: so.last },
    { kept: [], last: -Infinity },
  );
  return kept;
}

function Sums({ line, several }: { line: TraceView; several: boolean }) {
  const units = useSettings((s) => s.units);
  return (
    <li className="border-b border-rule py-1">
      {several ? `${lineName(line.lineId)}: ` : ""}
      {line.count.toLocaleString("en-GB")} readings kept
      {line.doubtful > 0 && `, ${line.doubtful.toLocaleString("en-GB")} of them doubtful and not counted`}
      {line.simulated > 0 && `, ${line.simulated.toLocaleString("en-GB")} of them simulated: nothing was read by those`}
      {line.peakN > 0 && `; most ${written(line.peakN, "force", units)}`}
      {line.peakAtMs == null ? "" : ` at ${timeOf(line.peakAtMs)}`}
      {line.wentN == null ? "" : `; ${written(line.wentN, "force", units)} at most from the back cut to commit`}.
    </li>
  );
}

function Chart({ lines, day }: { lines: TraceView[]; day: PullDay }) {
  const { entries } = day;
  const units = useSettings((s) => s.units);
  const hand = entries.filter((e) => e.tensionN).map((e) => ({ at: Date.parse(e.at), n: e.tensionN?.nominal ?? 0 }));
  const times = [...lines.flatMap((l) => l.spans.flatMap((s) => [s.fromMs, s.toMs])), ...hand.map((h) => h.at)];
  const most = Math.max(1, ...lines.map((l) => l.peakN), ...hand.map((h) => h.n)) * 1.08;
  const [from, to] = [Math.min(...times), Math.max(...times)];
  const x = scaleLinear([from, Math.max(to, from + 10_000)], [left, width - right]);
  const y = scaleLinear([0, most], [bottom, top]);
  const moves = named(
    entries
      .filter((e) => e.entry.kind === "move" && Date.parse(e.at) >= from && Date.parse(e.at) <= to)
      .map((e) => ({ number: e.number, x: x(Date.parse(e.at)), name: stepName(day, e.entry.to) })),
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label="Tension over the day"
      className="block h-auto w-full border border-rule bg-sheet"
    >
      <path d={`M${left} ${top}V${bottom}H${width - right}`} fill="none" stroke="var(--ink)" />
      {y.ticks(4).map((n) => (
        <g key={n}>
          <path d={`M${left} ${y(n)}H${width - right}`} stroke="var(--rule)" />
          <text x={left - 6} y={y(n) + 4} textAnchor="end" fill="var(--ink)" className="font-tight text-[12px]">
            {figure(n, "force", units)}
          </text>
        </g>
      ))}
      <text x={left + 4} y={top + 10} fill="var(--pencil)" className="font-tight text-[12px]">
        {unitOf("force", units).name}
      </text>
      {moves.map((m) => (
        <g key={m.number}>
          <path d={`M${m.x} ${top}V${bottom}`} stroke="var(--ink)" strokeDasharray="2 4" />
          <text x={m.x + 2} y={bottom + 26} fill="var(--ink)" className="font-tight text-[12px]">
            {m.name}
          </text>
        </g>
      ))}
      {lines.map((l, i) => (
        <path
          key={l.lineId}
          d={l.spans
            .map(
              (s, k) =>
                `${k === 0 ? "M" : "L"}${x(s.fromMs).toFixed(1)} ${y(s.lowN).toFixed(1)}V${y(s.highN).toFixed(1)}`,
            )
            .join("")}
          fill="none"
          stroke="var(--loaded)"
          strokeWidth={1.4}
          {...(i > 0 ? { strokeDasharray: "5 3" } : {})}
        />
      ))}
      {hand.map((h) => (
        <circle key={h.at} cx={x(h.at)} cy={y(h.n)} r={4} fill="var(--sheet)" stroke="var(--loaded)" strokeWidth={2} />
      ))}
      <text x={left} y={bottom + 14} fill="var(--pencil)" className="font-tight text-[12px]">
        {timeOf(from)}
      </text>
      <text x={width - right} y={bottom + 14} textAnchor="end" fill="var(--pencil)" className="font-tight text-[12px]">
        {timeOf(to)}
      </text>
    </svg>
  );
}

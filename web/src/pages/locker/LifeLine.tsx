import { scaleLinear } from "d3-scale";
import type { GearDetail } from "../../api/types";
import { dayOf, today } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";

const width = 330;
const height = 150;
const foot = 116;
const left = 8;
const right = width - 8;
const dayOfText = (on: string) => new Date(`${on}T12:00:00`).getTime();

/** A piece's life as a line: loads against its strength, uses, inspections, cuts. */
export function LifeLine({ detail }: { detail: GearDetail }) {
  const units = useSettings((s) => s.units);
  const { entry, inspections, uses } = detail;
  const began = entry.item.inServiceOn ?? entry.item.madeOn;
  const days = [
    ...(began === undefined ? [] : [began]),
    ...uses.map((u) => u.use.on),
    ...inspections.map((i) => i.inspection.on),
  ].map(dayOfText);
  if (uses.length + inspections.length === 0) return null;
  const from = Math.min(...days);
  const to = Math.max(dayOfText(today()), ...days);
  const x = scaleLinear([from, to], [left, right]);
  const strength = entry.strength.newtons;
  const peaks = uses.flatMap((u) => (u.use.peakN === undefined ? [] : [u.use.peakN]));
  const most = Math.max(strength ?? 0, ...peaks, 1);
  const y = scaleLinear([0, most * 1.12], [foot, 14]);
  return (
    <figure className="mt-4">
      <figcaption className="border-t border-ink pt-1.5 font-tight text-sm font-semibold">Its life</figcaption>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="mt-1 block w-full border border-rule"
        role="img"
        aria-label="Loads, uses, inspections and cuts by day"
        data-life
      >
        {strength !== undefined && (
          <g>
            <path d={`M${left} ${y(strength)} H${right}`} stroke="var(--ink)" strokeWidth={1.6} />
            <text x={right} y={y(strength) - 4} textAnchor="end" className="font-tight text-[11px]" fill="var(--ink)">
              breaks at {written(strength, "force", units)}
            </text>
          </g>
        )}
        <path d={`M${left} ${foot} H${right}`} stroke="var(--ink)" />
        {uses.map(({ number, use }) => (
          <g key={number} data-life-use>
            <title>{`${dayOf(use.on)}, ${use.job}${use.peakN === undefined ? "" : `: ${written(use.peakN, "force", units)}`}`}</title>
            <path
              d={`M${x(dayOfText(use.on))} ${foot} V${use.peakN === undefined ? foot - 6 : Math.min(foot - 2, y(use.peakN))}`}
              stroke="var(--loaded)"
              strokeWidth={2}
              strokeDasharray={use.peakN === undefined ? "2 2" : undefined}
            />
            {use.shock && (
              <path
                d={`M${x(dayOfText(use.on)) - 4} ${foot - 30} l4 8 l4 -8`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.6}
              />
            )}
          </g>
        ))}
        {inspections.map(({ number, inspection }) => (
          <g key={number} data-life-look>
            <title>{`${dayOf(inspection.on)}, ${inspection.by}`}</title>
            <path
              d={`M${x(dayOfText(inspection.on))} ${foot + 4} l5 9 h-10 Z`}
              fill={inspection.outcome === "pass" ? "var(--sheet)" : "var(--ink)"}
              stroke="var(--ink)"
            />
            {(inspection.cutFromAM !== undefined || inspection.cutFromBM !== undefined) && (
              <path d={`M${x(dayOfText(inspection.on)) - 5} ${foot - 8} l10 -8`} stroke="var(--ink)" strokeWidth={2} />
            )}
          </g>
        ))}
        <text x={left} y={height - 5} className="font-tight text-[11px]" fill="var(--pencil)">
          {began === undefined ? dayOf(isoOf(from)) : `since ${dayOf(began)}`}
        </text>
        <text x={right} y={height - 5} textAnchor="end" className="font-tight text-[11px]" fill="var(--pencil)">
          bars: uses · triangles: looked at
        </text>
      </svg>
    </figure>
  );
}

const isoOf = (time: number) => new Date(time).toISOString().slice(0, 10);

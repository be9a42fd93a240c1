import { useQuery } from "@tanstack/react-query";
import { scaleLinear } from "d3-scale";
import { api } from "../../api/client";
import type { LearnedFigure, LoggedJob } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";

const width = 340;
const height = 250;
const left = 44;
const foot = height - 34;
const top = 12;
const axis = "font-tight text-[11px]";

function Frame({ title, empty, children }: { title: string; empty: string | null; children: React.ReactNode }) {
  return (
    <figure aria-label={title}>
      <figcaption className="font-tight text-[15px] font-semibold">{title}</figcaption>
      {empty !== null ? (
        <p className="mt-1 border border-rule p-3 text-sm text-pencil">{empty}</p>
      ) : (
        <svg
          viewBox={`0 0 ${width} ${height}`}
          className="mt-1 block w-full border border-ink bg-sheet"
          role="img"
          aria-label={title}
        >
          {children}
        </svg>
      )}
    </figure>
  );
}

/** What was read against what was predicted, a point a pull: on the line they agree. */
export function PullChart({ jobs }: { jobs: LoggedJob[] }) {
  const units = useSettings((s) => s.units);
  const pulls = jobs.flatMap((j) =>
    j.lines.flatMap((l) =>
      l.neededN !== undefined && l.wentN !== undefined ? [{ job: j.name, x: l.neededN, y: l.wentN }] : [],
    ),
  );
  const most = Math.max(1, ...pulls.map((p) => Math.max(p.x, p.y))) * 1.1;
  const x = scaleLinear([0, most], [left, width - 10]);
  const y = scaleLinear([0, most], [foot, top]);
  return (
    <Frame title="Predicted against read" empty={pulls.length === 0 ? "No pull was read yet." : null}>
      <path d={`M${x(0)} ${y(0)} L${x(most)} ${y(most)}`} stroke="var(--ink)" strokeDasharray="10 3 2 3" />
      <path d={`M${left} ${top} V${foot} H${width - 10}`} stroke="var(--ink)" fill="none" />
      {x.ticks(4).map((t) => (
        <g key={t}>
          <text x={x(t)} y={foot + 14} textAnchor="middle" className={axis} fill="var(--pencil)">
            {written(t, "force", units)}
          </text>
          {t > 0 && (
            <text x={left - 4} y={y(t) + 4} textAnchor="end" className={axis} fill="var(--pencil)">
              {written(t, "force", units)}
            </text>
          )}
        </g>
      ))}
      {pulls.map((p, i) => (
        <circle
          key={i}
          data-pull
          cx={x(p.x)}
          cy={y(p.y)}
          r={4}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={1.6}
        >
          <title>{`${p.job}: read ${written(p.y, "force", units)}, predicted ${written(p.x, "force", units)}`}</title>
        </circle>
      ))}
      <text x={width - 12} y={foot - 6} textAnchor="end" className={axis} fill="var(--ink)">
        predicted
      </text>
      <text x={left + 6} y={top + 10} className={axis} fill="var(--ink)">
        read when it went
      </text>
    </Frame>
  );
}

/** Where tops came down about the lay, by angle and as a share of how far they reach. */
export function LandingChart({ jobs }: { jobs: LoggedJob[] }) {
  const tops = jobs.flatMap((j) =>
    j.landing && j.aimErrorDeg !== undefined ? [{ job: j.name, deg: j.aimErrorDeg, out: j.landing.outM }] : [],
  );
  const far = Math.max(10, ...tops.map((t) => t.out)) * 1.08;
  const widest = Math.max(8, ...tops.map((t) => Math.abs(t.deg) + 1));
  const x = scaleLinear([-widest, widest], [20, width - 20]);
  const y = scaleLinear([0, far], [foot, top]);
  return (
    <Frame title="Landings about the lay" empty={tops.length === 0 ? "No landing was told yet." : null}>
      <rect x={x(-5)} y={top} width={x(5) - x(-5)} height={foot - top} fill="var(--tint)" />
      <path
        d={`M${x(0)} ${top} V${foot} M20 ${foot} H${width - 20}`}
        stroke="var(--ink)"
        strokeDasharray="10 3 2 3"
        fill="none"
      />
      {x.ticks(5).map((t) => (
        <text key={t} x={x(t)} y={foot + 14} textAnchor="middle" className={axis} fill="var(--pencil)">
          {t === 0 ? "lay" : `${Math.abs(t)}° ${t < 0 ? "left" : "right"}`}
        </text>
      ))}
      {tops.map((t, i) => (
        <path
          key={i}
          data-landing
          d={`M${x(t.deg) - 4} ${y(t.out) - 4} l8 8 m0 -8 l-8 8`}
          stroke="var(--ink)"
          strokeWidth={1.8}
          fill="none"
        >
          <title>{`${t.job}: ${Math.abs(t.deg).toFixed(1)}° ${t.deg < 0 ? "left" : "right"}`}</title>
        </path>
      ))}
      <text x={x(-5) + 4} y={foot - 6} className={axis} fill="var(--ink)">
        the table’s 5°
      </text>
    </Frame>
  );
}

/** Lean at which hinges let go, a row a wood: of jobs open, of trials solid. */
export function HingeChart({ jobs, figures }: { jobs: LoggedJob[]; figures: LearnedFigure[] }) {
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const nameOf = (id: string) => catalogue.data?.species.find((s) => s.species.id === id)?.species.name ?? id;
  const rows = new Map<string, { deg: number; trial: boolean; name: string }[]>();
  const add = (wood: string, deg: number, trial: boolean, name: string) => {
    rows.set(wood, [...(rows.get(wood) ?? []), { deg, trial, name }]);
  };
  for (const j of jobs) if (j.heldDeg !== undefined && j.speciesId !== "") add(j.speciesId, j.heldDeg, false, j.name);
  for (const f of figures) if (f.kind === "hold") for (const t of f.from) add(f.subject, t.value, true, t.name);
  const woods = [...rows.keys()].sort();
  const step = (foot - top) / Math.max(1, woods.length);
  const x = scaleLinear([0, 90], [96, width - 12]);
  return (
    <Frame title="Where hinges let go" empty={woods.length === 0 ? "Nobody has watched a hinge let go yet." : null}>
      {x.ticks(6).map((t) => (
        <g key={t}>
          <path d={`M${x(t)} ${top} V${foot}`} stroke="var(--rule)" />
          <text x={x(t)} y={foot + 14} textAnchor="middle" className={axis} fill="var(--pencil)">
            {t}°
          </text>
        </g>
      ))}
      {woods.map((wood, i) => {
        const y = top + step * (i + 0.5);
        return (
          <g key={wood}>
            <path d={`M96 ${y} H${width - 12}`} stroke="var(--rule)" />
            <text x={90} y={y + 4} textAnchor="end" className={axis} fill="var(--ink)">
              {nameOf(wood)}
            </text>
            {rows.get(wood)?.map((p, n) => (
              <circle
                key={n}
                data-hinge
                cx={x(Math.min(90, p.deg))}
                cy={y}
                r={4}
                fill={p.trial ? "var(--ink)" : "var(--sheet)"}
                stroke="var(--ink)"
                strokeWidth={1.6}
              >
                <title>{`${p.name}: ${Math.round(p.deg)}°`}</title>
              </circle>
            ))}
          </g>
        );
      })}
      <text x={width - 12} y={height - 5} textAnchor="end" className={axis} fill="var(--pencil)">
        open: jobs · solid: trials
      </text>
    </Frame>
  );
}

import { useNavigate } from "react-router";
import type { YearAnswer } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";

const side = 360;
const edge = 26;
const metresADegree = 111_195;

/** Where the jobs are, north up: no map under them, for none ships with it; the scale says how far apart. */
export function JobMap({ jobs }: { jobs: YearAnswer["where"] }) {
  const units = useSettings((s) => s.units);
  const navigate = useNavigate();
  const placed = jobs.flatMap((j) =>
    j.latitude === undefined || j.longitude === undefined ? [] : [{ ...j, lat: j.latitude, lon: j.longitude }],
  );
  if (placed.length === 0)
    return (
      <p className="mt-1 text-sm text-pencil">No job of this year says where it is: a site’s origin puts it here.</p>
    );
  const middle = placed.reduce((sum, j) => sum + j.lat, 0) / placed.length;
  const east = (lon: number) => lon * metresADegree * Math.cos((middle * Math.PI) / 180);
  const north = (lat: number) => lat * metresADegree;
  const xs = placed.map((j) => east(j.lon));
  const ys = placed.map((j) => north(j.lat));
  const [west, south] = [Math.min(...xs), Math.min(...ys)];
  const span = Math.max(Math.max(...xs) - west, Math.max(...ys) - south, 200);
  const perMetre = (side - 2 * edge) / span;
  const bar = 10 ** Math.floor(Math.log10(span / 2));
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      className="mt-1 block w-full border border-ink bg-sheet"
      role="group"
      aria-label="Where the jobs are"
    >
      {placed.map((j) => {
        const x = edge + (east(j.lon) - west) * perMetre;
        const y = side - edge - (north(j.lat) - south) * perMetre;
        const over = j.stage === "done" || j.stage === "cleared" || j.stage === "pulled";
        return (
          <g
            key={j.id}
            role="link"
            tabIndex={0}
            aria-label={`${j.name}, ${j.place}`}
            data-place={j.name}
            className="cursor-pointer outline-none"
            onClick={() => {
              void navigate(`/jobs/${j.id}/log`);
            }}
            onKeyDown={(event) => {
              if (event.key === "Enter") void navigate(`/jobs/${j.id}/log`);
            }}
          >
            <title>{`${j.name}, ${j.onDay ?? "no day"}`}</title>
            <circle cx={x} cy={y} r={14} fill="transparent" />
            <circle
              cx={x}
              cy={y}
              r={5}
              fill={over ? "var(--ink)" : "var(--sheet)"}
              stroke="var(--ink)"
              strokeWidth={2}
            />
          </g>
        );
      })}
      <path
        d={`M${edge} ${side - 10} h${bar * perMetre} m0 -4 v8 M${edge} ${side - 14} v8`}
        stroke="var(--ink)"
        fill="none"
      />
      <text x={edge + bar * perMetre + 6} y={side - 6} fill="var(--ink)" className="font-tight text-[12px]">
        {written(bar, "length", units)}
      </text>
      <path d={`M${side - 16} 34 V12 m-4 7 l4 -7 l4 7`} stroke="var(--ink)" fill="none" />
      <text x={side - 16} y={46} textAnchor="middle" fill="var(--ink)" className="font-tight text-[12px]">
        N
      </text>
    </svg>
  );
}

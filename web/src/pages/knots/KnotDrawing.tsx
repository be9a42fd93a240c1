import { memo } from "react";
import type { Thing } from "./shape";
import { shapes } from "./shapes";
import { crossings, stretch, type Crossing, type Sample, type Strand } from "./strand";

const line = (points: Sample[]): string =>
  points.map((p, i) => `${i === 0 ? "M" : "L"}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join("");

const tints = ["var(--wood)", "var(--sheet)"];

/** Runs of a strand on one side of what it goes round. */
function runs(strand: Strand, front: boolean): Strand[] {
  const found: Strand[] = [];
  let run: Strand = [];
  for (const p of strand) {
    if (p.z >= 0 === front) run.push(p);
    else {
      // One point over the edge, so that the halves meet.
      if (run.length > 0) found.push([...run, p]);
      run = [];
    }
  }
  if (run.length > 1) found.push(run);
  return found;
}

/** A knot, drawn from the curves of its ropes: what lies over is drawn over. */
export const KnotDrawing = memo(function KnotDrawing({
  id,
  name,
  large = false,
}: {
  id: string;
  name: string;
  large?: boolean;
}) {
  const shape = shapes[id];
  // A wrong knot is worse than none: one that has not been checked crossing by crossing is not drawn.
  if (!shape)
    return (
      <p
        className={`grid place-items-center text-center font-tight text-pencil ${large ? "h-40 text-sm" : "h-24 text-xs"}`}
      >
        No drawing of this one has been checked yet. Go by the words.
      </p>
    );
  const { strands, rope, things = [], doubled = false } = shape;
  const tintOf = (strand: number) => tints[doubled ? 0 : strand % 2];
  const round = things.some((t) => t.kind === "post" || t.kind === "line");
  const found = crossings(strands);
  const width = (strand: number) => shape.ropes?.[strand] ?? rope;
  const draw = (points: Strand, fill: number, key: string) => (
    <g key={key} fill="none" strokeLinejoin="round" strokeLinecap="round">
      <path d={line(points)} stroke="var(--ink)" strokeWidth={width(fill)} />
      <path d={line(points)} stroke={tintOf(fill)} strokeWidth={width(fill) - 2.6} />
    </g>
  );
  // The upper rope is drawn once more over the crossing, with a gap to either side; its fill runs a little farther, so that no seam shows.
  const redraw = (c: Crossing, key: string) => {
    const strand = strands[c.over.strand] ?? [];
    const rope = width(c.over.strand);
    const length = width(c.under.strand) * reach(strands, c);
    const d = line(stretch(strand, c.over.at, length));
    return (
      <g key={key} fill="none" strokeLinejoin="round">
        <path d={d} stroke="var(--sheet)" strokeWidth={rope + 3.4} />
        <path d={d} stroke="var(--ink)" strokeWidth={rope} />
        <path
          d={line(stretch(strand, c.over.at, length + 1.2))}
          stroke={tintOf(c.over.strand)}
          strokeWidth={rope - 2.6}
        />
      </g>
    );
  };
  const sides = round ? [false, true] : [null];
  return (
    <svg
      viewBox={`0 0 ${shape.width} ${shape.height}`}
      role="img"
      aria-label={`${name}, drawn from the front`}
      className={`block w-full ${large ? "max-h-[360px]" : "h-[120px]"}`}
      data-knot={id}
      preserveAspectRatio="xMidYMid meet"
    >
      {things
        .filter((t) => t.kind === "stem" || t.kind === "ring")
        .map((t, i) => (
          <ThingShape key={i} thing={t} />
        ))}
      {sides.map((front) => (
        <g key={String(front)}>
          {front === true &&
            things
              .filter((t) => t.kind === "post" || t.kind === "line")
              .map((t, i) => <ThingShape key={i} thing={t} />)}
          {strands.map((s, n) => (front === null ? [s] : runs(s, front)).map((r, k) => draw(r, n, `${n}-${k}`)))}
          {found
            .filter((c) => front === null || sideOf(strands, c.over) === front)
            .map((c, i) => (front !== null && sideOf(strands, c.under) !== front ? null : redraw(c, `x${i}`)))}
        </g>
      ))}
      {large &&
        shape.labels?.map(([x, y, text, end]) => (
          <text
            key={text + String(x)}
            x={x}
            y={y}
            textAnchor={end ? "end" : "start"}
            fill="var(--ink)"
            className="halo font-tight text-[13px]"
          >
            {text}
          </text>
        ))}
    </svg>
  );
});

function sideOf(strands: Strand[], pass: { strand: number; at: number }): boolean {
  return (strands[pass.strand]?.[Math.round(pass.at)]?.z ?? 0) >= 0;
}

/** How far the upper rope is drawn again beside a crossing: farther where the two meet at a flat angle. */
function reach(strands: Strand[], c: Crossing): number {
  const along = (pass: { strand: number; at: number }) => {
    const s = strands[pass.strand] ?? [];
    const a = s[Math.max(0, Math.floor(pass.at) - 1)];
    const b = s[Math.min(s.length - 1, Math.floor(pass.at) + 2)];
    return a && b ? Math.atan2(b.y - a.y, b.x - a.x) : 0;
  };
  return Math.min(1.9, 0.62 + 0.34 / Math.max(0.2, Math.abs(Math.sin(along(c.over) - along(c.under)))));
}

function ThingShape({ thing }: { thing: Thing }) {
  switch (thing.kind) {
    case "post":
      return (
        <g stroke="var(--bark)" strokeWidth={1.4} fill="var(--tint)">
          {thing.open ? (
            <path
              d={`M${thing.left} ${thing.bottom}V${thing.top + 8}Q${(thing.left + thing.right) / 2} ${thing.top - 8} ${thing.right} ${thing.top + 8}V${thing.bottom}`}
            />
          ) : (
            <rect
              x={thing.left}
              y={thing.top - 2}
              width={thing.right - thing.left}
              height={thing.bottom - thing.top + 4}
            />
          )}
        </g>
      );
    case "line":
      return (
        <g>
          <rect
            x={thing.from - 2}
            y={thing.y - thing.half}
            width={thing.to - thing.from + 4}
            height={thing.half * 2}
            fill="var(--tint)"
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
          <path
            d={Array.from(
              { length: Math.floor((thing.to - thing.from) / 12) },
              (_, i) => `M${thing.from + i * 12} ${thing.y + thing.half}l8 ${-2 * thing.half}`,
            ).join("")}
            stroke="var(--pencil)"
            strokeWidth={0.7}
          />
        </g>
      );
    case "stem":
      return (
        <g fill="none" stroke="var(--bark)">
          <circle cx={thing.x} cy={thing.y} r={thing.r} fill="var(--tint)" strokeWidth={1.6} />
          {[0.35, 0.68].map((share) => (
            <circle key={share} cx={thing.x} cy={thing.y} r={thing.r * share} strokeWidth={0.6} />
          ))}
        </g>
      );
    case "ring":
      return <circle cx={thing.x} cy={thing.y} r={thing.r} fill="none" stroke="var(--ink)" strokeWidth={4} />;
  }
}

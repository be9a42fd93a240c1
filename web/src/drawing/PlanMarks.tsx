import { type Flat } from "./projection";

export function Label({
  at,
  text,
  middle = false,
  strong = false,
}: {
  at: Flat;
  text: string;
  middle?: boolean;
  strong?: boolean;
}) {
  return (
    <text
      x={at.x}
      y={at.y}
      textAnchor={middle ? "middle" : "start"}
      fill="var(--ink)"
      className={`halo font-tight text-[13px] ${strong ? "font-semibold" : ""}`}
    >
      {text}
    </text>
  );
}

export function Mark({ at }: { at: Flat }) {
  return <path d={`M${at.x - 7} ${at.y - 7}l14 14m0 -14l-14 14`} stroke="var(--ink)" strokeWidth={3} fill="none" />;
}

export function North({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d="M0 -22L6 8L0 3L-6 8Z" fill="var(--ink)" />
      <text y={24} textAnchor="middle" fill="var(--ink)" className="font-tight text-[13px] font-semibold">
        N
      </text>
    </g>
  );
}

/** Hatching that targets are filled with. */
export function PlanPatterns() {
  return (
    <defs>
      <pattern id="tight-hatch" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <path d="M0 0V5" stroke="var(--ink)" strokeWidth={1.4} />
      </pattern>
      <pattern id="water-hatch" width={12} height={7} patternUnits="userSpaceOnUse">
        <path d="M0 4q3 -3 6 0t6 0" stroke="var(--pencil)" strokeWidth={0.7} fill="none" />
      </pattern>
    </defs>
  );
}

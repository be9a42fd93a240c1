import { roundRatio } from "./paper";

interface PaperBarProps {
  x: number;
  y: number;
  perMetre: number;
  /** Length of the bar, metres. */
  unit: number;
  text: string;
}

/** A scale bar with the scale in figures, for drawings on paper. */
export function PaperBar({ x, y, perMetre, unit, text }: PaperBarProps) {
  return (
    <g transform={`translate(${x} ${y})`} data-scale-bar>
      <path d={`M0 0H${unit * perMetre}`} stroke="var(--ink)" strokeWidth={3} />
      <text x={unit * perMetre + 8} y={4} fill="var(--pencil)" className="font-tight text-[13px]">
        {text} · 1 : {roundRatio(perMetre)}
      </text>
    </g>
  );
}

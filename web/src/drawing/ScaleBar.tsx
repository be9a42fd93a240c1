import { unitOf } from "../units/units";
import { useSettings } from "../ui/settings";
import { barLength, type Scale } from "./projection";

interface ScaleBarProps {
  scale: Scale;
  width: number;
  height: number;
  /** What the reader must know of the drawing; left out where there is no room for it. */
  text: string;
}

/** A bar of a round length at the foot of a drawing, in the units that are read. */
export function ScaleBar({ scale, width, height, text }: ScaleBarProps) {
  const units = useSettings((s) => s.units);
  const perUnit = scale.perMetre * unitOf("length", units).si;
  const bar = barLength(perUnit, 110);
  return (
    <g transform={`translate(24 ${height - 22})`} data-fixed>
      <path
        d={`M0 -5V5M0 0H${bar * perUnit}M${bar * perUnit} -5V5`}
        stroke="var(--ink)"
        strokeWidth={1.6}
        fill="none"
      />
      <text x={bar * perUnit + 10} y={4} className="fill-pencil font-tight text-[13px]">
        {bar} {units === "us" ? "ft" : "m"}
        {width >= 560 && ` · ${text}`}
      </text>
    </g>
  );
}

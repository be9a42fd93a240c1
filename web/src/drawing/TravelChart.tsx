import type { WayResult } from "../api/types";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";

interface ChartProps {
  travel: WayResult["travel"];
  at: number;
  /** What the line may carry; left out, nobody knows. */
  may: number | undefined;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Tension in the line as the load travels, with what it may carry. */
export function TravelChart({ travel, at, may, x, y, width, height }: ChartProps) {
  const units = useSettings((s) => s.units);
  const left = Math.min(...travel.map((t) => t.at.x));
  const right = Math.max(...travel.map((t) => t.at.x));
  const most = Math.max(...travel.map((t) => t.tensionN), may ?? 0) * 1.12;
  const px = (t: WayResult["travel"][number]) => ({
    x: ((t.at.x - left) / Math.max(1e-6, right - left)) * width,
    y: height - (t.tensionN / most) * height,
  });
  const now = travel[at];
  return (
    <g transform={`translate(${x} ${y})`} data-fixed aria-hidden data-block>
      <rect x={-10} y={-14} width={width + 20} height={height + 22} fill="var(--sheet)" />
      <text x={0} y={-2} className="fill-pencil font-tight text-[12px]">
        tension as the load travels
      </text>
      <path d={`M0 8V${height}H${width}`} stroke="var(--ink)" strokeWidth={1} fill="none" />
      <path
        d={travel.map((t, i) => `${i === 0 ? "M" : "L"}${px(t).x.toFixed(1)} ${px(t).y.toFixed(1)}`).join("")}
        stroke="var(--loaded)"
        strokeWidth={2}
        fill="none"
      />
      {may !== undefined && (
        <>
          <path
            d={`M0 ${height - (may / most) * height}H${width}`}
            stroke="var(--ink)"
            strokeWidth={1}
            strokeDasharray="5 4"
          />
          <text
            x={width}
            y={height - (may / most) * height - 4}
            textAnchor="end"
            className="fill-ink font-tight text-[12px]"
          >
            may {written(may, "force", units)}
          </text>
        </>
      )}
      {now && <circle cx={px(now).x} cy={px(now).y} r={4} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />}
    </g>
  );
}

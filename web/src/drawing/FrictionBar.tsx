import type { TackleView } from "../api/types";
import { figure } from "../units/units";
import { costWords, frictionParts } from "./tackleLayout";

/** Ideal advantage as a bar: what is left of it, and what each contact took. */
export function FrictionBar({ view, y, width }: { view: TackleView; y: number; width: number }) {
  const left = 26;
  const per = (width - left) / Math.max(view.idealAdvantage, 1);
  return (
    <g data-friction>
      <text x={left} y={y - 7} fill="var(--ink)" className="font-tight text-[13px]">
        ideal {figure(view.idealAdvantage, "ratio", "metric")}, actual{" "}
        <tspan className="font-semibold">{figure(view.actualAdvantage, "ratio", "metric")}</tspan>
        {view.costs.length > 0
          ? "; friction took, contact by contact from the hands:"
          : "; nothing turns, so friction takes nothing"}
      </text>
      <rect x={left} y={y} width={view.actualAdvantage * per} height={16} fill="var(--held)" stroke="var(--ink)" />
      <text x={left} y={y + 30} fill="var(--pencil)" className="font-tight text-[12px]" data-costs>
        {costWords(view, Math.floor(width / 5.1))}
      </text>
      {frictionParts(view).map((part, i) => {
        const from = left + part.from * per;
        const wide = (part.to - part.from) * per;
        return (
          <g key={i}>
            <rect
              x={from}
              y={y}
              width={Math.max(0, wide)}
              height={16}
              fill={i % 2 === 0 ? "var(--sheet)" : "var(--tint)"}
              stroke="var(--ink)"
              strokeDasharray="3 2"
            />
            {wide > 24 && (
              <text
                x={from + wide / 2}
                y={y + 12}
                textAnchor="middle"
                fill="var(--ink)"
                className="font-tight text-[12px]"
              >
                {(part.to - part.from).toFixed(2)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

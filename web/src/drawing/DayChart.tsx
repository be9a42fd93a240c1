import { useRef } from "react";
import type { DayPlan } from "../api/types";
import { clock } from "../state/times";
import { useDay } from "../state/useDay";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";

/** The day's tasks against the clock, with light, wind and the finish. */
export function DayChart() {
  const [box, size] = useSize<HTMLDivElement>();
  const { day } = useDay();
  return (
    <div ref={box} role="region" aria-label="The day" tabIndex={0} className="h-full w-full overflow-auto">
      {day && size.width > 0 && <Drawing day={day} width={size.width} height={size.height} />}
    </div>
  );
}

const rowHeight = 30;
const top = 58;
const foot = 96;

export function Drawing({ day, width, height }: { day: DayPlan; width: number; height: number }) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const narrow = width < 560;
  const left = narrow ? 12 : 250;
  const right = 22;
  const from = Math.floor((day.beginsMin - 20) / 60) * 60;
  const ends = Math.max(day.finishMin.high, ...day.tasks.map((t) => t.endsMin));
  const to = Math.max(from + 240, Math.ceil((ends + 20) / 60) * 60);
  const x = (minute: number) => left + ((minute - from) / (to - from)) * (width - left - right);
  const row = narrow ? rowHeight + 14 : rowHeight;
  const whole = Math.max(height - 4, top + day.tasks.length * row + foot);
  const floor = top + day.tasks.length * row + 8;
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + i * 60);
  const each = Math.ceil(hours.length / Math.max(4, (width - left) / 62));
  const { light } = day;
  const dark = [
    ...(light?.lightFromMin !== undefined && light.lightFromMin > from ? [[from, light.lightFromMin]] : []),
    ...(light?.lightUntilMin !== undefined && light.lightUntilMin < to ? [[light.lightUntilMin, to]] : []),
  ] as [number, number][];
  return (
    <svg
      ref={svg}
      width={width}
      height={whole}
      role="img"
      aria-label={`The day against the clock: from ${clock(day.beginsMin)}, done between ${clock(day.finishMin.low)} and ${clock(day.finishMin.high)}`}
      className="block"
      data-day-chart
    >
      <defs>
        <pattern id="night-hatch" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--pencil)" strokeWidth={0.9} />
        </pattern>
      </defs>
      {dark.map(([a, b]) => (
        <rect
          key={a}
          x={x(a)}
          y={top - 8}
          width={x(b) - x(a)}
          height={floor - top + 8}
          fill="url(#night-hatch)"
          opacity={0.5}
        />
      ))}
      {hours.map((minute, i) => (
        <g key={minute}>
          <path d={`M${x(minute)} ${top - 10}V${floor}`} stroke="var(--rule)" strokeWidth={1} />
          {i % each === 0 && (
            <text
              x={x(minute)}
              y={top - 16}
              textAnchor="middle"
              fill="var(--pencil)"
              className="font-tight text-[13px]"
            >
              {clock(minute)}
            </text>
          )}
        </g>
      ))}
      <path d={`M${left} ${top - 10}H${width - right}`} stroke="var(--ink)" strokeWidth={1.2} />
      {day.tasks.map((task, i) => {
        const y = top + i * row + (narrow ? 18 : 4);
        return (
          <g key={task.id}>
            <text
              x={narrow ? left : left - 12}
              y={narrow ? y - 4 : y + 15}
              textAnchor={narrow ? "start" : "end"}
              fill="var(--ink)"
              className={`font-tight text-[13px] ${task.critical ? "font-semibold" : ""} ${narrow ? "halo" : ""}`}
            >
              {shortened(task.name, narrow ? 44 : 40)}
            </text>
            <rect
              x={x(task.beginsMin)}
              y={y}
              width={Math.max(2, x(task.endsMin) - x(task.beginsMin))}
              height={20}
              fill={task.critical ? "var(--ink)" : "var(--held)"}
              stroke="var(--ink)"
              strokeWidth={1}
            />
          </g>
        );
      })}
      {light?.sunsetMin !== undefined && light.sunsetMin > from && light.sunsetMin < to && (
        <g>
          <path
            d={`M${x(light.sunsetMin)} ${top - 10}V${floor}`}
            stroke="var(--ink)"
            strokeWidth={1.4}
            strokeDasharray="6 3"
          />
          <text
            x={x(light.sunsetMin) - 6}
            y={floor - 6}
            textAnchor="end"
            fill="var(--ink)"
            className="halo font-tight text-[12px]"
          >
            sunset {clock(light.sunsetMin)}
          </text>
        </g>
      )}
      <g transform={`translate(0 ${floor + 8})`} data-finish-bar>
        <path
          d={`M${x(day.finishMin.low)} 8H${x(day.finishMin.high)}M${x(day.finishMin.low)} 2v12M${x(day.finishMin.high)} 2v12`}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
        <circle cx={x(day.finishMin.nominal)} cy={8} r={4} fill="var(--ink)" />
        <text
          x={Math.min(x(day.finishMin.nominal), width - right - 60)}
          y={30}
          textAnchor="middle"
          fill="var(--ink)"
          className="halo font-tight text-[13px] font-semibold"
        >
          done {clock(day.finishMin.low)} – {clock(day.finishMin.high)}
        </text>
      </g>
      {day.wind.length > 0 && (
        <g transform={`translate(0 ${floor + 48})`}>
          <text
            x={narrow ? left : left - 12}
            y={narrow ? -2 : 13}
            textAnchor={narrow ? "start" : "end"}
            fill="var(--pencil)"
            className="font-tight text-[13px]"
          >
            gusts forecast, {units === "us" ? "mph" : "m/s"}
          </text>
          {day.wind
            .filter((h) => h.hour * 60 >= from && (h.hour + 1) * 60 <= to)
            .map((h) => (
              <g key={h.hour}>
                {h.tooMuch && (
                  <rect
                    x={x(h.hour * 60)}
                    y={1}
                    width={x((h.hour + 1) * 60) - x(h.hour * 60)}
                    height={18}
                    fill="var(--ink)"
                  />
                )}
                <text
                  x={x(h.hour * 60 + 30)}
                  y={15}
                  textAnchor="middle"
                  fill={h.tooMuch ? "var(--sheet)" : "var(--ink)"}
                  className="font-tight text-[12px]"
                >
                  {written(h.gustMps, "speed", units).split(" ")[0]}
                </text>
              </g>
            ))}
          {day.wind.some((h) => h.tooMuch) && (
            <text x={width - right} y={36} textAnchor="end" fill="var(--ink)" className="font-tight text-[12px]">
              solid: more than the plan stands
            </text>
          )}
        </g>
      )}
    </svg>
  );
}

const shortened = (text: string, most: number) =>
  text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;

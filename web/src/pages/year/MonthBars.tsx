import type { YearAnswer } from "../../api/types";

const names = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const width = 560;
const height = 190;
const foot = 150;

/** Jobs of each month: down solid, called off hatched, ahead in outline; hours written under them. */
export function MonthBars({ months }: { months: YearAnswer["months"] }) {
  const most = Math.max(4, ...months.map((m) => m.down + m.calledOff + m.ahead));
  const step = width / 12;
  const each = (foot - 16) / most;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="mt-1 block w-full" role="img" aria-label="Jobs of each month">
      <defs>
        <pattern id="called-off" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0 V6" stroke="var(--ink)" strokeWidth={2.4} />
        </pattern>
      </defs>
      <path d={`M0 ${foot} H${width}`} stroke="var(--ink)" />
      {months.map((m, i) => {
        const bar = (from: number, count: number, fill: string) =>
          count > 0 && (
            <rect
              x={i * step + 9}
              y={foot - (from + count) * each}
              width={step - 18}
              height={count * each}
              fill={fill}
              stroke="var(--ink)"
            />
          );
        const all = m.down + m.calledOff + m.ahead;
        return (
          <g key={m.month} data-month={m.month}>
            {bar(0, m.down, "var(--ink)")}
            {bar(m.down, m.calledOff, "url(#called-off)")}
            {bar(m.down + m.calledOff, m.ahead, "none")}
            {all > 0 && (
              <text
                x={i * step + step / 2}
                y={foot - all * each - 5}
                textAnchor="middle"
                fill="var(--ink)"
                className="font-tight text-[13px] font-semibold"
              >
                {all}
              </text>
            )}
            <text
              x={i * step + step / 2}
              y={foot + 16}
              textAnchor="middle"
              fill="var(--ink)"
              className="font-tight text-[13px]"
            >
              {names[i]}
            </text>
            {m.hours > 0 && (
              <text
                x={i * step + step / 2}
                y={foot + 31}
                textAnchor="middle"
                fill="var(--pencil)"
                className="font-tight text-[12px]"
              >
                {Math.round(m.hours)} h
              </text>
            )}
          </g>
        );
      })}
      <text x={0} y={11} fill="var(--pencil)" className="font-tight text-[12px]">
        solid: down · hatched: called off · outline: ahead
      </text>
    </svg>
  );
}

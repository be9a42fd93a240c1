import type { LogStart } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { Handle } from "../../drawing/Handle";
import { pointIn } from "../../drawing/pinch";

interface LandingPadProps {
  start: LogStart;
  landing: { outM: number; rightM: number } | undefined;
  onChange: (landing: { outM: number; rightM: number }) => void;
}

const width = 420;
const height = 470;
const foot = 440;
const round = (metres: number) => Math.round(metres * 10) / 10;

/** The ground before the stump, the lay upward: a finger says where the top came down. */
export function LandingPad({ start, landing, onChange }: LandingPadProps) {
  const units = useSettings((s) => s.units);
  const tip = start.tip;
  const far = Math.max(start.heightM, landing?.outM ?? 0, tip?.forwardM ?? 0, start.mark?.forwardM ?? 0) * 1.12;
  const perMetre = (foot - 18) / far;
  const x = (rightM: number) => width / 2 + rightM * perMetre;
  const y = (outM: number) => foot - outM * perMetre;
  const place = (px: { x: number; y: number }) => {
    onChange({
      outM: Math.max(0.5, round((foot - px.y) / perMetre)),
      rightM: round((px.x - width / 2) / perMetre),
    });
  };
  const reach = tip ? Math.hypot(tip.forwardM, tip.rightM) : start.heightM;
  const aside = reach * Math.tan((start.aimErrorDeg * Math.PI) / 180);
  const rings = [5, 10, 15, 20, 25, 30, 35, 40].filter((m) => m < far);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="Where the top came down"
      data-landing-pad
      className="block w-full touch-none border border-ink bg-sheet"
      onPointerDown={(event) => {
        if (event.button === 0 && !(event.target as Element).closest("[data-handle]"))
          place(pointIn(event.currentTarget, event));
      }}
    >
      {rings.map((m) => (
        <g key={m}>
          <path
            d={`M${x(-m)} ${foot} A${m * perMetre} ${m * perMetre} 0 0 1 ${x(m)} ${foot}`}
            fill="none"
            stroke="var(--rule)"
          />
          <text
            x={Math.max(34, x(-m * 0.5) - 4)}
            y={y(m * 0.866) - 4}
            textAnchor="end"
            className="font-tight text-[11px]"
            fill="var(--pencil)"
          >
            {written(m, "length", units)}
          </text>
        </g>
      ))}
      <path
        d={`M${x(0)} ${foot} L${x(-aside)} ${y(reach)} L${x(aside)} ${y(reach)} Z`}
        fill="var(--tint)"
        stroke="var(--pencil)"
        strokeDasharray="4 4"
      />
      <path d={`M${x(0)} ${foot} V10`} stroke="var(--ink)" strokeWidth={1} strokeDasharray="10 3 2 3" />
      <text x={x(0) + 6} y={20} className="font-tight text-[12px] font-semibold" fill="var(--ink)">
        lay {Math.round(start.layDeg)}°
      </text>
      <circle cx={x(0)} cy={foot} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <text x={x(0) + 12} y={foot + 18} className="font-tight text-[12px]" fill="var(--ink)">
        stump
      </text>
      {tip && (
        <g>
          <circle cx={x(tip.rightM)} cy={y(tip.forwardM)} r={7} fill="none" stroke="var(--ink)" strokeDasharray="3 2" />
          <text
            x={x(tip.rightM) - 12}
            y={y(tip.forwardM) - 10}
            textAnchor="end"
            className="font-tight text-[12px]"
            fill="var(--ink)"
          >
            expected
          </text>
        </g>
      )}
      {start.mark && (
        <g stroke="var(--ink)" strokeWidth={2}>
          <path d={`M${x(start.mark.rightM) - 7} ${y(start.mark.forwardM)} h14 m-7 -7 v14`} fill="none" />
          <text
            x={x(start.mark.rightM) + 12}
            y={y(start.mark.forwardM) + 16}
            stroke="none"
            className="font-tight text-[12px]"
            fill="var(--ink)"
          >
            the mark
          </text>
        </g>
      )}
      {landing ? (
        <Handle
          at={{ x: x(landing.rightM), y: y(landing.outM) }}
          id="landing"
          name="Where the top came down"
          now={landing.outM}
          min={0}
          max={150}
          text={`${written(landing.outM, "length", units)} out, ${written(Math.abs(landing.rightM), "length", units)} ${landing.rightM < 0 ? "left" : "right"}`}
          onMove={place}
          onStep={(across, up) => {
            onChange({
              outM: Math.max(0.5, round(landing.outM + up * 0.1)),
              rightM: round(landing.rightM + across * 0.1),
            });
          }}
          onRelease={() => undefined}
          lit
        />
      ) : (
        <text x={width / 2} y={foot - 60} textAnchor="middle" className="font-tight text-[15px]" fill="var(--ink)">
          Tap where the top came down
        </text>
      )}
    </svg>
  );
}

import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { setMember, useSheet } from "../state/store";
import { useSettings } from "../ui/settings";
import { Button } from "../ui/controls";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { useStem } from "./useStem";

const width = 272;
const height = 128;
const base = 96;

/** Needed tension and stem use against the seat's height; the seat is dragged along it. */
export function SeatChart({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const plan = useSheet((s) => s.document?.plan);
  const release = useSheet((s) => s.release);
  const profile = useStem(at);
  const seat = plan?.lines[at]?.seat.heightM;
  if (!plan || !profile || seat === undefined || profile.seats.length < 2) return null;
  const { seats } = profile;
  const low = seats[0]?.heightM ?? 0;
  const high = seats.at(-1)?.heightM ?? 1;
  const x = scaleLinear([low, high], [8, width - 8]);
  // Low seats need absurd tensions; the chart shows what lies within three times the least.
  const least = Math.min(...seats.map((s) => s.neededTensionN));
  const tension = scaleLinear([0, least * 3], [base, 22]).clamp(true);
  const use = scaleLinear([0, 1.25], [base, 22]).clamp(true);
  const path = `lines[${at}].seat.heightM`;
  const place = (metres: number) => {
    setMember(path, Math.round(Math.min(Math.max(metres, low), high) * 10) / 10, `seat-${at}`);
  };
  const now = seats.reduce((a, b) => (Math.abs(b.heightM - seat) < Math.abs(a.heightM - seat) ? b : a));
  return (
    <div className="py-1" data-best-seat={profile.bestHeightM.toFixed(1)}>
      <svg
        width={width}
        height={height}
        role="group"
        aria-label="Needed tension and stem use against the seat's height"
        className="block"
      >
        <path d={`M8 ${base}H${width - 8}`} stroke="var(--ink)" strokeWidth={1.2} />
        <path d={`M8 ${use(1)}H${width - 8}`} stroke="var(--pencil)" strokeWidth={0.8} strokeDasharray="2 4" />
        <path
          d={
            line<(typeof seats)[number]>(
              (s) => x(s.heightM),
              (s) => tension(s.neededTensionN),
            )(seats) ?? ""
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.8}
        />
        <path
          d={
            line<(typeof seats)[number]>(
              (s) => x(s.heightM),
              (s) => use(s.stemUse),
            )(seats) ?? ""
          }
          fill="none"
          stroke="var(--bark)"
          strokeWidth={1.6}
          strokeDasharray="5 3"
        />
        <path d={`M${x(profile.bestHeightM)} ${base}v8`} stroke="var(--ink)" strokeWidth={2} />
        <text
          x={Math.min(Math.max(x(profile.bestHeightM), 40), width - 40)}
          y={base + 22}
          textAnchor="middle"
          fill="var(--ink)"
          className="font-tight text-[12px]"
        >
          best {written(profile.bestHeightM, "length", units)}
        </text>
        <text x={12} y={11} fill="var(--pencil)" className="font-tight text-[12px]">
          line: needed {written(now.neededTensionN, "force", units)} · dashes: stem {Math.round(now.stemUse * 100)} %
        </text>
        <Handle
          id="seat-chart"
          at={{ x: x(Math.min(Math.max(seat, low), high)), y: base }}
          name="Seat height on the chart"
          now={seat}
          min={low}
          max={high}
          text={`${written(seat, "length", units)}, needs ${written(now.neededTensionN, "force", units)}`}
          onMove={(to) => {
            place(x.invert(to.x));
          }}
          onStep={(across, up) => {
            place(seat + (across + up) * 0.1);
          }}
          onRelease={release}
        />
      </svg>
      {Math.abs(profile.bestHeightM - seat) > 0.3 && (
        <Button
          onClick={() => {
            place(profile.bestHeightM);
            release();
          }}
        >
          Seat it at {written(profile.bestHeightM, "length", units)}
        </Button>
      )}
    </div>
  );
}

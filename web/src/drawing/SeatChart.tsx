import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { memo } from "react";
import type { StemProfile } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useSettings } from "../ui/settings";
import { Button } from "../ui/controls";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { useSeats } from "./useStem";

const width = 272;
const height = 128;
const base = 96;

/** Needed tension and stem use against the seat's height; the seat is dragged along it. */
export function SeatChart({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const release = useSheet((s) => s.release);
  const profile = useSeats(at);
  const seat = useSheet((s) => s.document?.plan.lines[at]?.seat.heightM);
  if (!profile || seat === undefined || profile.seats.length < 2) return null;
  const { seats } = profile;
  const x = alongSeats(seats);
  const [low = 0, high = 1] = x.domain();
  const path = `lines[${at}].seat.heightM` as const;
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
        <Curves seats={seats} />
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

const alongSeats = (seats: StemProfile["seats"]) =>
  scaleLinear([seats[0]?.heightM ?? 0, seats.at(-1)?.heightM ?? 1], [8, width - 8]);

/** Apart from the handle, which moves over them. */
const Curves = memo(function Curves({ seats }: { seats: StemProfile["seats"] }) {
  const x = alongSeats(seats);
  // Low seats need absurd tensions; the chart shows what lies within three times the least.
  const least = Math.min(...seats.map((s) => s.neededTensionN));
  const tension = scaleLinear([0, least * 3], [base, 22]).clamp(true);
  const use = scaleLinear([0, 1.25], [base, 22]).clamp(true);
  const curve = (up: (seat: StemProfile["seats"][number]) => number) =>
    line<StemProfile["seats"][number]>((s) => x(s.heightM), up)(seats) ?? "";
  return (
    <>
      <path d={`M8 ${base}H${width - 8}`} stroke="var(--ink)" strokeWidth={1.2} />
      <path d={`M8 ${use(1)}H${width - 8}`} stroke="var(--pencil)" strokeWidth={0.8} strokeDasharray="2 4" />
      <path d={curve((s) => tension(s.neededTensionN))} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <path d={curve((s) => use(s.stemUse))} fill="none" stroke="var(--bark)" strokeWidth={1.6} strokeDasharray="5 3" />
    </>
  );
});

import { useEffect, useState } from "react";
import type { PullDay } from "../../api/types";

type LoadsView = NonNullable<PullDay["loads"]>;

/** The loads as they come: one large button, the time that this one takes, and how long the rest will. */
export function Loads({
  loads,
  stopped,
  disabled,
  onLoad,
  onBack,
}: {
  loads: LoadsView;
  stopped: boolean;
  disabled: boolean;
  onLoad: () => void;
  /** Takes the last load back; undefined without one. */
  onBack: (() => void) | undefined;
}) {
  const next = loads.moved + 1;
  return (
    <section aria-label="Loads" className="border-t-2 border-ink pt-2">
      <p className="flex items-baseline gap-3 font-tight">
        <span data-moved={loads.moved} className="text-[64px] leading-none font-semibold">
          {loads.moved}
        </span>
        <span className="text-2xl">of {loads.planned} there</span>
      </p>
      <Running key={loads.since ?? "still"} loads={loads} stopped={stopped} />
      <div className="flex flex-wrap gap-2 py-2">
        <button
          type="button"
          className="min-h-20 flex-[2] border-2 border-ink bg-ink px-4 font-tight text-2xl font-semibold text-sheet disabled:opacity-40"
          disabled={disabled || stopped}
          onClick={onLoad}
        >
          Load {next} is there
        </button>
        {onBack && (
          <button
            type="button"
            className="min-h-20 flex-1 border-2 border-ink bg-sheet px-4 font-tight text-lg disabled:opacity-40"
            disabled={disabled}
            onClick={onBack}
          >
            Not load {loads.moved}
          </button>
        )}
      </div>
      <dl className="grid grid-cols-[1fr_auto] border-t border-rule text-[17px]">
        <Row
          name="One takes"
          value={loads.middleMin == null ? "–" : `${loads.middleMin.toFixed(1)} min in the middle`}
          note={`planned ${loads.eachMin.nominal.toFixed(1)}, ${loads.eachMin.low.toFixed(1)} to ${loads.eachMin.high.toFixed(1)}`}
        />
        {loads.toGoMin != null && (
          <Row
            name="To go"
            value={duration(loads.toGoMin)}
            note={loads.middleMin == null ? "as planned" : "at what they take"}
          />
        )}
      </dl>
      {loads.lapsMin.length > 1 && <Laps loads={loads} />}
    </section>
  );
}

function Row({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <div className="col-span-2 flex items-baseline justify-between gap-3 border-b border-rule py-1.5">
      <dt>{name}</dt>
      <dd className="text-right">
        <span className="font-tight font-semibold">{value}</span>
        <span className="block text-[15px] text-pencil">{note}</span>
      </dd>
    </div>
  );
}

/** The clock of the load on its way; it runs on whatever happens to this tablet. */
function Running({ loads, stopped }: { loads: LoadsView; stopped: boolean }) {
  const [now, setNow] = useState(() => Date.now());
  const { since } = loads;
  useEffect(() => {
    if (since == null) return undefined;
    const timer = setInterval(() => {
      setNow(Date.now());
    }, 500);
    return () => {
      clearInterval(timer);
    };
  }, [since]);
  const seconds = Math.max(0, Math.round(loads.beforeS + (since == null ? 0 : (now - Date.parse(since)) / 1000)));
  return (
    <p className="font-tight text-[28px] font-semibold" role="timer">
      {clock(seconds)} <span className="text-[17px] font-normal">{stopped ? "stopped" : "on its way"}</span>
    </p>
  );
}

const two = (n: number) => String(n).padStart(2, "0");

const clock = (seconds: number): string =>
  seconds < 3600
    ? `${Math.floor(seconds / 60)}:${two(seconds % 60)}`
    : `${Math.floor(seconds / 3600)}:${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`;

/** As in "2 h 10 min". */
export function duration(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  return hours === 0 ? `${whole} min` : `${hours} h ${whole % 60} min`;
}

const mostBars = 40;

/** What each load took, as bars from the first; the planned time is the line across. */
function Laps({ loads }: { loads: LoadsView }) {
  const laps = loads.lapsMin.slice(-mostBars);
  const [width, height] = [340, 72];
  const most = Math.max(...laps, loads.eachMin.nominal) * 1.1;
  const each = width / Math.max(12, laps.length);
  const y = (minutes: number) => height - (minutes / most) * height;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Minutes of the last ${laps.length} loads: ${laps.map((m) => m.toFixed(1)).join(", ")}; planned ${loads.eachMin.nominal.toFixed(1)}`}
      className="mt-2 block h-[72px] w-full max-w-[340px] border-b border-ink"
    >
      {laps.map((minutes, i) => (
        <rect
          key={loads.lapsMin.length - laps.length + i}
          x={i * each + 1}
          y={y(minutes)}
          width={each - 2}
          height={height - y(minutes)}
          fill="var(--pencil)"
        />
      ))}
      <path d={`M0 ${y(loads.eachMin.nominal)}H${width}`} stroke="var(--ink)" strokeDasharray="6 4" />
    </svg>
  );
}

import { useEffect, useState } from "react";
import type { PullDay, PullLine, PullStep } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import type { Way } from "./ReadWays";
import { onlyClears } from "./steps";

/** The numbers of the day, before it begins. */
export function Marks({ day }: { day: PullDay }) {
  const units = useSettings((s) => s.units);
  const [main] = day.lines;
  if (onlyClears(day)) return <LoadMarks day={day} />;
  if (!main) return null;
  const target = (step: PullStep) => day.steps.find((s) => s.step === step)?.targetN;
  const rows: [string, string][] = [
    ["Bed test", written(target("bedTest") ?? 0, "force", units)],
    ["At least, before the saw", written(target("floor") ?? 0, "force", units)],
    ["Planned", written(day.lines.length > 1 ? main.plannedN : (target("pull") ?? main.plannedN), "force", units)],
    ["Never over, while it is cut", written(main.ceilingN, "force", units, "down")],
    ["Rope to haul", written(main.haulM, "length", units)],
    ["Goes by itself at", written(day.commitDeg, "angle", units)],
  ];
  return <Figures rows={rows} />;
}

/** The numbers of a day on which only loads are moved. */
function LoadMarks({ day }: { day: PullDay }) {
  const units = useSettings((s) => s.units);
  const { loads } = day;
  const [line] = day.lines;
  if (!loads) return null;
  return (
    <Figures
      rows={[
        [loads.way, `${loads.planned} ${loads.planned === 1 ? "load" : "loads"}`],
        ["One takes", `${loads.eachMin.nominal.toFixed(1)} min`],
        ...(line
          ? ([
              ["In the line, as planned", written(line.plannedN, "force", units)],
              ["Never over", written(line.ceilingN, "force", units, "down")],
            ] satisfies [string, string][])
          : []),
      ]}
    />
  );
}

function Figures({ rows }: { rows: [string, string][] }) {
  return (
    <dl className="mb-4 grid max-w-[620px] grid-cols-[1fr_auto] border-t-2 border-ink">
      {rows.map(([name, value]) => (
        <div key={name} className="col-span-2 flex items-baseline justify-between border-b border-rule py-2">
          <dt className="text-[18px]">{name}</dt>
          <dd className="font-tight text-3xl font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What else the reading says: what the hold lost, and where the saw stirs the tree. */
export function Words({ day, line }: { day: PullDay; line: PullLine }) {
  const units = useSettings((s) => s.units);
  return (
    <ul className="text-[16px] leading-snug">
      {day.now === "hold" && day.holdFrom !== undefined && <HoldClock from={day.holdFrom} seconds={day.holdForS} />}
      {line.lostShare != null && (
        <li>
          {line.lostShare >= 0 ? "Lost" : "Gained"} {Math.round(Math.abs(line.lostShare) * 100)} % while it was held; a
          tenth is the limit.
        </li>
      )}
      {(day.now === "notch" || day.now === "backCut") && line.stirsAtM != null && (
        <li>At this tension the tree stirs at {written(line.stirsAtM, "thickness", units)} of uncut wood.</li>
      )}
    </ul>
  );
}

function HoldClock({ from, seconds }: { from: string; seconds: number }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => {
      setNow(Date.now());
    }, 500);
    return () => {
      clearInterval(timer);
    };
  }, []);
  const held = Math.max(0, Math.round((now - Date.parse(from)) / 1000));
  return (
    <li className="font-tight text-[28px] font-semibold" role="timer">
      {held < seconds
        ? `${Math.floor(held / 60)}:${String(held % 60).padStart(2, "0")} of ${Math.floor(seconds / 60)}:00 held`
        : "Two minutes held: read it again."}
    </li>
  );
}

export function OtherWays({
  line,
  only,
  onWay,
}: {
  line: PullLine;
  /** The ways that can be taken; all of them where it is left out. */
  only?: readonly Way[];
  onWay: (way: Way) => void;
}) {
  const ways: [Way, string][] = [
    ["cell", "enter a figure"],
    ...(line.puller === "people" ? ([["people", "count the haulers"]] as [Way, string][]) : []),
    ["sideways", "pull it sideways"],
    ["pluck", "pluck and count"],
  ];
  return (
    <p className="flex flex-wrap items-center gap-x-4 font-tight text-[16px]">
      <span className="text-pencil">No cell?</span>
      {ways
        .filter(([way]) => only?.includes(way) ?? true)
        .map(([way, text]) => (
          <button
            key={way}
            type="button"
            className="underline"
            onClick={() => {
              onWay(way);
            }}
          >
            {text}
          </button>
        ))}
    </p>
  );
}

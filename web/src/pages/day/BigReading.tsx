import { useEffect, useState } from "react";
import type { Pulling, PullLine } from "../../api/types";
import { livePath, type LivePoint } from "../../state/livePoints";
import { cellWays, expectSlack, listen, stopListening, useCells } from "../../state/cells";
import { overASecond, recentOf, useLive } from "../../state/live";
import { useSettings } from "../../ui/settings";
import { kilogramForce, unitOf, written } from "../../units/units";

interface BigReadingProps {
  pulling: Pulling;
  line: PullLine;
  /** Whether the cell is asked for. */
  cells: boolean;
  onCells: (on: boolean) => void;
  onTake: (readN: number, simulated: boolean) => void;
}

const silentAfterMs = 1500;

/** What the line carries, very large: the cell as it reads, or the last reading kept. */
export function BigReading({ pulling, line, cells: simulated, onCells, onTake }: BigReadingProps) {
  const units = useSettings((s) => s.units);
  const own = useCells();
  useEffect(() => () => void stopListening(), []);
  const { lineIsSlack } = pulling.day;
  useEffect(() => {
    expectSlack(lineIsSlack);
  }, [lineIsSlack]);
  const cells = simulated || own.state === "on" || own.state === "lost";
  const live = useLive((s) => s.last[line.id]);
  const { state, trouble, missed } = useLive();
  const now = useClock(cells);
  const silent = cells && live !== undefined && now - live.seenMs > silentAfterMs;
  const shown = cells && live ? live.tensionN : line.readN?.nominal;
  const spread = line.readN;
  const standsIn = cells && live ? own.source === null && pulling.cellIsSimulated : line.readSimulated;
  const old = !(cells && live) && shown !== undefined && !line.readHere;
  return (
    <div>
      <p className="font-tight text-[17px] text-pencil">
        in the line{pulling.day.lines.length > 1 ? `: ${line.id}, number ${line.turn}` : ""}
      </p>
      <p className="flex items-baseline gap-3 font-tight" aria-live="off">
        <span
          data-big-reading
          {...(cells && live ? { "data-at": live.atMs } : {})}
          className={`text-[88px] leading-none font-semibold max-sm:text-[64px] ${old ? "text-pencil" : ""}`}
        >
          {shown === undefined ? "–" : large(shown, units)}
        </span>
        <span className="text-3xl">{unitOf("force", units).name}</span>
        {standsIn && shown !== undefined && (
          <strong data-simulated className="text-2xl font-semibold">
            simulated
          </strong>
        )}
      </p>
      {line.ceilingN > 0 && (
        <p className="font-tight text-[20px] font-semibold sm:hidden" data-window>
          {line.floorN > 0 && `floor ${written(line.floorN, "force", units, "up")} · `}most{" "}
          {written(line.ceilingN, "force", units, "down")}
        </p>
      )}
      <p className="min-h-6 font-tight text-[17px]">
        {shown !== undefined && `as if ${mass(shown, units)} hung on it`}
        {old && " · read at an earlier step"}
        {!cells &&
          !old &&
          spread &&
          ` · ${written(spread.low, "force", units)} to ${written(spread.high, "force", units)}`}
        {cells && live && " · load cell ± 2 %"}
      </p>
      {cells && (
        <>
          <Sparkline lineId={line.id} most={Math.max(line.ceilingN, line.plannedN) * 1.1} now={now} />
          <p role="status" className="min-h-6 text-[15px] leading-snug">
            {own.state === "lost" || own.trouble !== ""
              ? own.trouble
              : own.source === null && state === "lost"
                ? "The connection to Draklo is gone; it is tried again. What was kept stays."
                : silent
                  ? `No reading for ${Math.round((now - live.seenMs) / 1000)} s: is the cell awake?`
                  : trouble !== ""
                    ? trouble
                    : missed > 0
                      ? `${missed} readings did not come.`
                      : `${own.source?.name ?? pulling.cell}, kept with the job.`}
          </p>
        </>
      )}
      <div className="mt-1 flex flex-wrap gap-2">
        {cells && (
          <button
            type="button"
            className="border-2 border-ink bg-sheet px-4 font-tight text-[17px] font-semibold disabled:opacity-40"
            disabled={silent || !live || (own.source === null && state !== "on")}
            onClick={() => {
              const read = overASecond(line.id);
              if (read !== null) onTake(Math.round(read * 10) / 10, standsIn);
            }}
          >
            Keep this reading
          </button>
        )}
        {own.source === null && own.state !== "opening" && (
          <button
            type="button"
            className={wayClass}
            onClick={() => {
              onCells(!simulated);
            }}
          >
            {simulated ? "Cell off" : "Read the load cell"}
          </button>
        )}
        {!simulated && <OwnCell jobId={pulling.jobId} line={line} listening={own.state !== "off"} />}
      </div>
      {own.state === "off" && own.trouble !== "" && (
        <p role="alert" className="mt-1 text-[15px] leading-snug">
          {own.trouble}
        </p>
      )}
    </div>
  );
}

const wayClass = "border border-ink bg-sheet px-3 font-tight text-[15px]";

/** A load cell of this device's own, by the ways that its browser has. */
function OwnCell({ jobId, line, listening }: { jobId: string; line: PullLine; listening: boolean }) {
  if (listening)
    return (
      <button type="button" className={wayClass} onClick={() => void stopListening()}>
        Leave this cell
      </button>
    );
  return cellWays().map((way) => (
    <button
      key={way}
      type="button"
      className={wayClass}
      onClick={() => void listen(way, jobId, line.id, line.plannedN)}
    >
      {way === "bluetooth" ? "Cell by Bluetooth" : "Cell by cable"}
    </button>
  ));
}

/** To ten newtons, or to a pound: the last figures of a live line only flicker. */
const large = (newtons: number, units: "metric" | "us") =>
  (newtons / unitOf("force", units).si).toFixed(units === "us" ? 0 : 2);

const mass = (newtons: number, units: "metric" | "us") =>
  units === "us" ? `${Math.round(newtons / unitOf("force", "us").si)} lb` : `${Math.round(newtons / kilogramForce)} kg`;

/** The time, some times a second while it is needed. */
function useClock(on: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!on) return undefined;
    const timer = setInterval(() => {
      setNow(Date.now());
    }, 250);
    return () => {
      clearInterval(timer);
    };
  }, [on]);
  return now;
}

function Sparkline({ lineId, most, now }: { lineId: string; most: number; now: number }) {
  const points: readonly LivePoint[] = recentOf(lineId);
  return (
    <svg viewBox="0 0 340 56" aria-hidden className="my-1 block h-14 w-full max-w-[340px] border border-rule bg-sheet">
      <path d={livePath(points, now, most, 340, 56)} fill="none" stroke="var(--loaded)" strokeWidth={1.6} />
    </svg>
  );
}

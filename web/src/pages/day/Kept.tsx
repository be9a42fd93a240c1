import type { DayEntry, PullDay, PullStep } from "../../api/types";
import { timeOf } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { range, written } from "../../units/units";
import type { Units } from "../../units/units";

/** All that was said and read, the latest first; each can be undone and stays to be read. */
export function Kept({
  day,
  revision,
  onUndo,
}: {
  day: PullDay;
  /** Of the job as it now stands. */
  revision: number;
  onUndo: (number: number) => void;
}) {
  const units = useSettings((s) => s.units);
  const undone = new Set(day.entries.filter((e) => e.entry.kind === "undo").map((e) => e.entry.undoes));
  const shown = day.entries.filter((e) => e.entry.kind !== "undo").reverse();
  if (shown.length === 0) return <p className="py-2 text-pencil">Nothing is kept yet.</p>;
  return (
    <ol className="text-[15px]" data-kept>
      {shown.map((e) => (
        <li
          key={e.number}
          className={`flex items-baseline gap-2 border-b border-rule py-1 ${undone.has(e.number) ? "text-pencil line-through" : ""}`}
        >
          <time dateTime={e.at} className="w-11 shrink-0 font-tight">
            {timeOf(e.at)}
          </time>
          <span className="min-w-0 flex-1">
            {wordsOf(day, e, units)}{" "}
            <span className="text-pencil">
              {e.entry.by}
              {e.revision < revision && ", under an earlier version of the plan"}
            </span>
          </span>
          {!undone.has(e.number) && e.entry.kind !== "changed" && (
            <button
              type="button"
              className="shrink-0 px-2 underline"
              aria-label={`Take back: ${wordsOf(day, e, units)}`}
              onClick={() => {
                onUndo(e.number);
              }}
            >
              take back
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}

/** The line of a clearing has no name of its own in the plan. */
export const lineName = (id: string): string => (id === "clearing.line" ? "loads' line" : `${id} line`);

/** What a step is called; one of another school by its own word. */
export const stepName = (day: PullDay, step: PullStep | undefined): string =>
  day.steps.find((s) => s.step === step)?.name ?? step ?? "another step";

const ways = { cell: "load cell", people: "people counted", sideways: "pulled sideways", pluck: "plucked" } as const;

export function wordsOf(day: PullDay, kept: DayEntry, units: Units): string {
  const { entry } = kept;
  const because = entry.because == null || entry.because === "" ? "" : `: ${entry.because}`;
  switch (entry.kind) {
    case "reading": {
      const line = entry.lineId == null ? "" : `${lineName(entry.lineId)}, `;
      const way = entry.tension ? ways[entry.tension.way] : "read";
      return kept.tensionN
        ? `${line}${way}: ${written(kept.tensionN.nominal, "force", units)} (${range(kept.tensionN.low, kept.tensionN.high, "force", units)})`
        : `${line}${way}`;
    }
    case "seen":
      return seenWords(entry.seen, units) + because;
    case "move":
      return `to ${stepName(day, entry.to)}${because}`;
    case "stop":
      return `stop${because}`;
    case "load":
      return "a load there";
    case "resume":
      return `on again${because}`;
    case "changed":
      return `plan changed${because}`;
    default:
      return `begun again${because}`;
  }
}

function seenWords(seen: DayEntry["entry"]["seen"], units: Units): string {
  if (!seen) return "seen";
  const yes = (name: string, value: boolean | undefined) =>
    value === undefined ? [] : [`${name}: ${value ? "yes" : "no"}`];
  const size = (name: string, value: number | undefined, quantity: "thickness" | "angle" | "length") =>
    value === undefined ? [] : [`${name} ${written(value, quantity, units)}`];
  return [
    ...yes("legs and stopper right", seen.rigged),
    ...yes("bedded", seen.bedded),
    ...yes("small wood broke", seen.woodBroke),
    ...yes("foot lifted", seen.footLifted),
    ...yes("moves aside", seen.movedAside),
    ...yes("hinge cracks", seen.hingeCracked),
    ...yes("a line rubs", seen.rubs),
    ...yes("faller out", seen.fallerOut),
    ...size("seat came", seen.cameM, "thickness"),
    ...size("anchor mark moved", seen.anchorMovedM, "thickness"),
    ...size("grip crept", seen.gripCreptM, "thickness"),
    ...size("lean", seen.leanDeg, "angle"),
    ...size("hauled", seen.hauledM, "length"),
  ].join(", ");
}

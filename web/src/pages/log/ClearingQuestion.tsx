import { Link } from "react-router";
import type { JobLog, LogStart } from "../../api/types";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { Question } from "./Question";
import { middleOf } from "./words";

type Said = NonNullable<JobLog["clearing"]>;

/** How the pieces were moved: the loads, their minutes, what the line read; counted on the day, or said here. */
export function ClearingQuestion({
  jobId,
  planned,
  said,
  errors,
  onChange,
}: {
  jobId: string;
  planned: NonNullable<LogStart["clearing"]>;
  said: Said | undefined;
  errors: Record<string, string | undefined>;
  onChange: (clearing: Said) => void;
}) {
  const units = useSettings((s) => s.units);
  const log: Said = said ?? { way: planned.way, lapsMin: [] };
  const laps = log.lapsMin;
  const middle = middleOf(laps);
  const put = (part: { [K in keyof Said]?: Said[K] | undefined }) => {
    const next = { ...log, ...part };
    onChange(Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) as Said);
  };
  return (
    <Question
      title={`Clearing: ${planned.name.toLowerCase()}`}
      note={`Planned: ${planned.loads} loads at ${planned.eachMin.toFixed(1)} min${planned.lineN === undefined ? "" : `, the line at ${written(planned.lineN, "force", units)}`}.`}
    >
      <p data-laps={laps.length} className="text-[15px] leading-snug">
        {middle === undefined
          ? "Nobody timed a load. "
          : `${laps.length} ${laps.length === 1 ? "load was" : "loads were"} timed: ${middle.toFixed(1)} min in the middle. `}
        <Link to={`/jobs/${jobId}/day`} className="underline">
          Count and time them on the day&apos;s page
        </Link>
        .
      </p>
      <NumberField
        label="Loads moved"
        value={log.loads}
        quantity="count"
        unknown="not counted"
        onChange={(loads) => {
          put({ loads });
        }}
        problem={errors["clearing.loads"]}
      />
      {laps.length === 0 && (
        <NumberField
          label="Minutes a load"
          value={log.eachMin}
          quantity="ratio"
          step={0.5}
          unknown="not timed"
          onChange={(eachMin) => {
            put({ eachMin });
          }}
          problem={errors["clearing.eachMin"]}
        />
      )}
      <NumberField
        label="Minutes to rig"
        value={log.rigMin}
        quantity="ratio"
        step={5}
        unknown="not timed"
        onChange={(rigMin) => {
          put({ rigMin });
        }}
        problem={errors["clearing.rigMin"]}
      />
      <NumberField
        label={`Line's peak${planned.mayN === undefined ? "" : ` (may ${written(planned.mayN, "force", units)})`}`}
        value={log.peakN}
        quantity="force"
        unknown="not read"
        onChange={(peakN) => {
          put({ peakN });
        }}
        problem={errors["clearing.peakN"]}
      />
      {planned.mayN !== undefined && log.peakN !== undefined && log.peakN > planned.mayN && (
        <p role="status" className="border-l-4 border-ink pl-2 text-sm">
          More than the line may carry: look at it along its whole length before it is used again.
        </p>
      )}
      <TextField
        label="How it went"
        value={log.note ?? ""}
        onChange={(note) => {
          put({ note: note === "" ? undefined : note });
        }}
        problem={errors["clearing.note"]}
      />
    </Question>
  );
}

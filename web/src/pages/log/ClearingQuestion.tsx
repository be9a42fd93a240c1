import { useState } from "react";
import type { JobLog, LogStart } from "../../api/types";
import { Button } from "../../ui/controls";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { Question } from "./Question";
import { middleOf } from "./words";

type Said = NonNullable<JobLog["clearing"]>;

/** How the pieces were moved: a watch for the loads as they come up, their number, what the line read. */
export function ClearingQuestion({
  planned,
  said,
  errors,
  onChange,
}: {
  planned: NonNullable<LogStart["clearing"]>;
  said: Said | undefined;
  errors: Record<string, string | undefined>;
  onChange: (clearing: Said) => void;
}) {
  const units = useSettings((s) => s.units);
  const [since, setSince] = useState<number | null>(null);
  const log: Said = said ?? { way: planned.way, lapsMin: [] };
  const laps = log.lapsMin;
  const middle = middleOf(laps);
  const put = (part: { [K in keyof Said]?: Said[K] | undefined }) => {
    const next = { ...log, ...part };
    onChange(Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) as Said);
  };
  const left = Math.max(0, planned.loads - laps.length);
  const each = middle ?? planned.eachMin;
  return (
    <Question
      title={`Clearing: ${planned.name.toLowerCase()}`}
      note={`Planned: ${planned.loads} loads at ${planned.eachMin.toFixed(1)} min${planned.lineN === undefined ? "" : `, the line at ${written(planned.lineN, "force", units)}`}.`}
    >
      <div className="flex flex-wrap items-center gap-2">
        <Button
          strong
          className="min-h-14 px-5"
          onClick={() => {
            const now = Date.now();
            // The first tap starts the watch; every later one is a load that has come up.
            if (since !== null) {
              const minutes = Math.max(0.1, Math.round((now - since) / 6000) / 10);
              put({ lapsMin: [...laps, minutes], loads: Math.max(log.loads ?? 0, laps.length + 1) });
            }
            setSince(now);
          }}
        >
          {since === null ? "Start the watch" : `Load ${laps.length + 1} is up`}
        </Button>
        {laps.length > 0 && (
          <Button
            onClick={() => {
              put({ lapsMin: laps.slice(0, -1), loads: Math.max(1, laps.length - 1) });
            }}
          >
            Take the last back
          </Button>
        )}
        <p data-laps={laps.length} className="font-tight text-[15px]">
          {laps.length} of {planned.loads}
          {middle === undefined ? "" : `, ${middle.toFixed(1)} min in the middle`}
          {left > 0 && laps.length > 0 ? `; ${Math.round(left * each)} min to go` : ""}
        </p>
      </div>
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

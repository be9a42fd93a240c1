import type { JobLog, LogStart } from "../../api/types";
import { NumberField } from "../../ui/NumberField";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { fromMark } from "./draft";
import { LandingPad } from "./LandingPad";
import { Question } from "./Question";

/** Where the top came down: by finger, by keys, or in figures. */
export function LandingQuestion({
  start,
  landing,
  errors,
  onChange,
}: {
  start: LogStart;
  landing: JobLog["landing"];
  errors: Record<string, string | undefined>;
  onChange: (landing: JobLog["landing"]) => void;
}) {
  return (
    <Question title="Where did the top come down?">
      <LandingPad start={start} landing={landing} onChange={onChange} />
      <div className="mt-2 grid grid-cols-2 gap-4">
        <NumberField
          label="Out along the lay"
          value={landing?.outM}
          quantity="length"
          unknown="not told"
          onChange={(outM) => {
            onChange(outM === undefined ? undefined : { outM, rightM: landing?.rightM ?? 0 });
          }}
          problem={errors["landing.outM"]}
        />
        {landing && (
          <NumberField
            label="Right of it (left −)"
            value={landing.rightM}
            quantity="length"
            onChange={(rightM) => {
              onChange({ ...landing, rightM: rightM ?? 0 });
            }}
            problem={errors["landing.rightM"]}
          />
        )}
      </div>
      {landing && <Miss start={start} landing={landing} />}
    </Question>
  );
}

/** How far from the mark, or from where it was expected, and to which side; and how far off the lay. */
function Miss({ start, landing }: { start: LogStart; landing: NonNullable<JobLog["landing"]> }) {
  const units = useSettings((s) => s.units);
  const aimed = start.mark ?? start.tip;
  // Nobody paces it off better than to a hand.
  const said = (metres: number) => written(Math.round(Math.abs(metres) * 10) / 10, "length", units);
  const offDeg = Math.abs((Math.atan2(landing.rightM, landing.outM) * 180) / Math.PI);
  const miss = aimed ? fromMark(landing, aimed) : null;
  return (
    <p data-off className="mt-1 text-sm leading-snug">
      {miss && (
        <>
          {said(miss.off)} from {start.mark ? "the mark" : "where it was expected"}
          {Math.abs(miss.right) >= 0.05 && `, ${said(miss.right)} ${miss.right < 0 ? "left" : "right"} of it`}.{" "}
        </>
      )}
      Off the lay by {offDeg.toFixed(1)}°.
    </p>
  );
}

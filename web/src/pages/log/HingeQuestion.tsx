import type { JobLog, LogStart } from "../../api/types";
import { NumberField } from "../../ui/NumberField";
import { Question, Taps, tapsOf } from "./Question";
import { hingeNames } from "./words";

/** What the hinge did, and at which lean it let go. */
export function HingeQuestion({
  hold,
  hinge,
  problem,
  onChange,
}: {
  hold: LogStart["holdDeg"];
  hinge: JobLog["hinge"];
  problem: string | undefined;
  onChange: (hinge: JobLog["hinge"]) => void;
}) {
  return (
    <Question title="The hinge">
      <Taps
        label="The hinge"
        value={hinge?.end}
        choices={tapsOf(hingeNames)}
        onChange={(end) => {
          onChange(end === undefined ? undefined : { end });
        }}
      />
      {hinge?.end === "letGo" && (
        <NumberField
          label={
            hold === undefined
              ? "At a lean of"
              : `At a lean of (expected ${Math.round(hold.low)} to ${Math.round(hold.high)}°)`
          }
          value={hinge.atDeg}
          quantity="degrees"
          unknown="nobody saw"
          onChange={(atDeg) => {
            onChange({ end: "letGo", ...(atDeg === undefined ? {} : { atDeg }) });
          }}
          problem={problem}
        />
      )}
    </Question>
  );
}

import type { JobLog, LogStart } from "../../api/types";
import { Check } from "../../ui/Check";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { Question } from "./Question";

type Said = JobLog["lines"][number];

/** Whether a tension is asked again before anything is learned from it. */
function isOdd(wentN: number | undefined, of: LogStart["lines"][number] | undefined): boolean {
  return (
    wentN !== undefined &&
    of?.usualFromN !== undefined &&
    of.usualToN !== undefined &&
    (wentN < of.usualFromN || wentN > of.usualToN)
  );
}

/** What a line carried, beside what was worked out for it. */
export function LineQuestion({
  said,
  of,
  alone,
  problem,
  onChange,
}: {
  said: Said;
  of: LogStart["lines"][number] | undefined;
  /** Whether it is the only line. */
  alone: boolean;
  /** What is wrong with one of its members. */
  problem: (member: keyof Said) => string | undefined;
  onChange: (part: { [K in keyof Said]?: Said[K] | undefined }) => void;
}) {
  const units = useSettings((s) => s.units);
  return (
    <Question
      title={alone ? "What did the line carry?" : `What did the ${said.lineId} line carry?`}
      note={
        of?.fromTrace
          ? "From the day's load cell. Correct it if it is wrong."
          : "Nobody read a load cell: what you read by other ways, or nothing."
      }
    >
      <NumberField
        label="Peak"
        value={said.peakN}
        quantity="force"
        unknown="not read"
        onChange={(peakN) => {
          onChange({ peakN, fromTrace: false });
        }}
        problem={problem("peakN")}
      />
      <NumberField
        label={
          of?.neededN === undefined
            ? "When it went"
            : `When it went (worked out: ${written(of.neededN, "force", units)})`
        }
        value={said.wentN}
        quantity="force"
        unknown="not read"
        onChange={(wentN) => {
          onChange({ wentN, fromTrace: false, confirmed: false });
        }}
        problem={problem("wentN")}
      />
      {isOdd(said.wentN, of) && (
        <div className="mt-1 border-l-4 border-ink pl-2" data-odd>
          <p className="text-[13px] leading-snug">
            Far from what was worked out: kilograms for kilonewtons? Nothing is learned from it until somebody says that
            it was so.
          </p>
          <Check
            label="It was so: count it"
            checked={said.confirmed === true}
            onChange={(confirmed) => {
              onChange({ confirmed });
            }}
          />
        </div>
      )}
      <NumberField
        label="It sat at"
        value={said.seatM}
        quantity="length"
        unknown="not told"
        onChange={(seatM) => {
          onChange({ seatM });
        }}
        problem={problem("seatM")}
      />
      {of?.people !== undefined && (
        <NumberField
          label="People on the rope at the peak"
          value={said.people}
          quantity="count"
          unknown="not told"
          onChange={(people) => {
            onChange({ people });
          }}
          problem={problem("people")}
        />
      )}
      <Check
        label="It was jerked"
        checked={said.shock}
        onChange={(shock) => {
          onChange({ shock });
        }}
      />
      <Refused>{problem("lineId")}</Refused>
    </Question>
  );
}

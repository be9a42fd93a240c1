import type { PullDay, PullStep } from "../../api/types";
import { useLive } from "../../state/live";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import type { What } from "./ChangeDialog";
import { isTight } from "./steps";

/** The answer in one sentence; while a gauge reads the lean nobody has to call it. */
function Title({ day }: { day: PullDay }) {
  const units = useSettings((s) => s.units);
  const lean = useLive((s) => s.leanDeg);
  return day.now === "pull" && day.answer.state === "wait" && lean !== null
    ? `${written(lean, "angle", units)} of ${written(day.commitDeg, "angle", units)}: steadily on, until it goes by itself.`
    : day.answer.title;
}

interface AnswerBarProps {
  day: PullDay;
  disabled: boolean;
  onGo: (to: PullStep) => void;
  onResume: () => void;
  onLook: () => void;
  onLetOff: (to: PullStep) => void;
  onChange: (what: What) => void;
  /** Whether a pull is in hand, whose seat, haulers or wind can change. */
  pulls: boolean;
  canCount: boolean;
}

export function AnswerBar({
  day,
  disabled,
  onGo,
  onResume,
  onLook,
  onLetOff,
  onChange,
  pulls,
  canCount,
}: AnswerBarProps) {
  const { answer } = day;
  const next = answer.next == null ? undefined : day.steps.find((s) => s.step === answer.next);
  const at = day.steps.findIndex((s) => s.state === "now");
  const before = day.steps[at - 1];
  const tight = isTight(day.now);
  const big = "min-h-16 border-2 border-ink px-4 font-tight text-xl font-semibold disabled:opacity-40";
  const findings = answer.state === "wait" ? answer.findings.slice(1) : answer.findings;
  return (
    <footer className="shrink-0 border-t-2 border-ink bg-paper">
      <div role="status" data-answer={answer.state} className={`px-5 py-3 max-sm:px-3 day-answer-${answer.state}`}>
        <p className="font-tight text-2xl leading-tight font-semibold">
          <Title day={day} />
        </p>
        <ul className="max-h-28 overflow-auto text-[16px] leading-snug">
          {findings.slice(0, 4).map((f) => (
            <li key={f.code}>{f.text}</li>
          ))}
        </ul>
      </div>
      <div className="flex gap-2 px-5 py-2 max-sm:px-3">
        {day.stopped ? (
          <button type="button" className={`${big} flex-[2] bg-ink text-sheet`} disabled={disabled} onClick={onResume}>
            On again, and why
          </button>
        ) : (
          next && (
            <button
              type="button"
              className={`${big} flex-[2] ${answer.state === "goOn" ? "bg-ink text-sheet" : "bg-sheet"}`}
              disabled={disabled}
              onClick={() => {
                onGo(next.step);
              }}
            >
              Go on: {next.name}
            </button>
          )
        )}
        {(tight || day.now === "clear") && (
          <button type="button" className={`${big} flex-1 bg-sheet`} disabled={disabled} onClick={onLook}>
            Look again
          </button>
        )}
        {tight && before && (
          <button
            type="button"
            className={`${big} flex-1 bg-sheet`}
            disabled={disabled}
            onClick={() => {
              onLetOff(before.step);
            }}
          >
            Let off
          </button>
        )}
      </div>
      {pulls && day.now !== "down" && (
        <p className="flex items-center gap-x-3 px-5 pb-1 font-tight text-[15px] text-pencil max-sm:px-3">
          <span className="max-sm:hidden">Something changed:</span>
          <button
            type="button"
            className="underline"
            data-change="seatDropped"
            onClick={() => {
              onChange("seatDropped");
            }}
          >
            <span className="sm:hidden">Something changed: </span>the seat dropped
          </button>
          {canCount && (
            <button
              type="button"
              className="underline max-sm:hidden"
              onClick={() => {
                onChange("haulers");
              }}
            >
              one hauler less
            </button>
          )}
          <button
            type="button"
            className="underline"
            onClick={() => {
              onChange("wind");
            }}
          >
            wind up
          </button>
        </p>
      )}
    </footer>
  );
}

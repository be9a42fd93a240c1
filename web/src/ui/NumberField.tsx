import { useId, useState, type KeyboardEvent } from "react";
import { editable, fielded, parse, unitOf, type Quantity } from "../units/units";
import { useSettings } from "./settings";
import { goOnFrom } from "./goOnFrom";
import { Refused } from "./Refused";

interface NumberFieldProps {
  label: string;
  value: number | undefined;
  quantity: Quantity;
  /** Called with the SI value; undefined when the field was emptied and may be. */
  onChange: (value: number | undefined) => void;
  /** One step of an arrow key, in the shown unit. */
  step?: number;
  problem?: string | undefined;
  guess?: boolean;
  /** Where the figure comes from, in a word. */
  from?: string;
  /** The member that it edits. */
  path?: string;
  onToggleGuess?: () => void;
  /** Whether the figure may be left out, and what an empty field then says. */
  unknown?: string;
}

/** A number in either system's units. What cannot be read stays in the field with a sentence that says how to write it. */
export function NumberField({
  label,
  value,
  quantity,
  onChange,
  step,
  problem,
  guess = false,
  from = "given",
  path,
  onToggleGuess,
  unknown,
}: NumberFieldProps) {
  const id = useId();
  const units = useSettings((s) => s.units);
  const [text, setText] = useState<string | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const [typed, setTyped] = useState(false);
  const shown = text ?? (value === undefined ? "" : fielded(value, quantity, units));
  const unit = unitOf(quantity, units);
  const wrong = unread ?? problem;

  function commit(): void {
    if (text === null) return;
    if (unknown !== undefined && text.trim() === "") {
      setText(null);
      setUnread(null);
      if (value !== undefined) onChange(undefined);
      return;
    }
    if (value !== undefined && text === editable(value, quantity, units)) {
      setText(null);
      setUnread(null);
      // The same number typed again is somebody's word for it.
      if (typed && (guess || from === "follows")) onChange(value);
      setTyped(false);
      return;
    }
    const parsed = parse(text, quantity, units);
    if ("problem" in parsed) {
      setUnread(parsed.problem);
      return;
    }
    setText(null);
    setUnread(null);
    onChange(parsed.value);
  }

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.key === "Enter") {
      commit();
      goOnFrom(event.currentTarget);
    } else if (event.key === "Escape") {
      setText(null);
      setUnread(null);
    } else if (
      (event.key === "ArrowUp" || event.key === "ArrowDown") &&
      value !== undefined &&
      (text === null || text === editable(value, quantity, units))
    ) {
      event.preventDefault();
      const by = (step ?? 1) * (event.shiftKey ? 10 : 1) * (event.key === "ArrowUp" ? 1 : -1);
      const next = Number((value / unit.si + by).toPrecision(8)) * unit.si;
      setText(editable(next, quantity, units));
      onChange(next);
    }
  }

  return (
    <div className="min-w-0 py-0.5">
      <div className="flex items-baseline gap-2">
        <label htmlFor={id} className="min-w-0 flex-1 font-tight text-sm leading-tight">
          {label}
        </label>
        {onToggleGuess && value !== undefined && (
          <button
            type="button"
            // No stop on the way from field to field: whoever types the value, the same one too, has said it.
            tabIndex={-1}
            onClick={onToggleGuess}
            data-guess={guess}
            data-from={from}
            aria-label={`${label}: ${from}`}
            title={
              from === "follows"
                ? "It follows from what was measured until somebody sets it. Click when it has been measured."
                : guess
                  ? "Nobody has measured this yet. Click when somebody has."
                  : from === "measured"
                    ? "Measured. Click to mark it as a guess."
                    : "Somebody gave this. Click when it has been measured."
            }
            className={`min-h-6 px-1 font-tight text-xs ${guess ? "border border-dashed border-ink text-ink" : "text-pencil hover:underline"}`}
          >
            {from}
          </button>
        )}
        <span
          className={`flex w-[92px] shrink-0 items-baseline border-b ${wrong ? "border-b-2 border-ink" : guess ? "border-dashed border-ink" : "border-pencil"}`}
        >
          <input
            id={id}
            data-member={path}
            value={shown}
            placeholder={unknown}
            inputMode="decimal"
            autoComplete="off"
            spellCheck={false}
            aria-invalid={wrong ? true : undefined}
            aria-describedby={wrong ? `${id}-wrong` : undefined}
            onChange={(e) => {
              setText(e.target.value);
              setTyped(true);
            }}
            // The same digits put over the old ones, at once, are no change to React.
            onBeforeInput={() => {
              setTyped(true);
            }}
            onFocus={(e) => {
              // All its digits come back to be edited, and are selected to be overwritten.
              const input = e.target;
              const whole = text ?? (value === undefined ? "" : editable(value, quantity, units));
              if (text === null && value !== undefined) setText(whole);
              // Before the first key, and again after the pointer is let go; never over what was typed meanwhile.
              const select = () => {
                if (input.value === whole) input.select();
              };
              queueMicrotask(select);
              setTimeout(select, 0);
            }}
            onBlur={commit}
            onKeyDown={onKeyDown}
            className={`min-h-7 w-full min-w-0 bg-transparent text-right font-tight text-[15px] font-medium outline-none placeholder:font-normal placeholder:text-pencil focus:bg-tint ${guess ? "italic" : ""}`}
          />
          {unit.name !== "" &&
            (text === null ||
              unread !== null ||
              text === (value === undefined ? "" : editable(value, quantity, units))) && (
              <span className="pl-1 font-tight text-xs text-pencil">{unit.name}</span>
            )}
        </span>
      </div>
      <Refused id={`${id}-wrong`}>{wrong}</Refused>
    </div>
  );
}

const steps: Partial<Record<Quantity, number>> = { length: 0.1, thickness: 0.5, rope: 0.5, force: 0.1, ratio: 0.05 };

/** How far one key press moves a quantity, in the shown unit. */
export function stepOf(quantity: Quantity): number {
  return steps[quantity] ?? 1;
}

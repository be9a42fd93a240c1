import { useId } from "react";
import { Refused } from "./Refused";

interface PinFieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string | undefined;
}

/** A PIN: digits that nobody reads over the shoulder, with a number keyboard. */
export function PinField({ label, value, onChange, problem }: PinFieldProps) {
  const id = useId();
  return (
    <div className="py-1">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className="shrink-0 font-tight text-sm">
          {label}
        </label>
        <input
          id={id}
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={12}
          value={value}
          aria-invalid={problem ? true : undefined}
          onChange={(e) => {
            onChange(e.target.value.replace(/\D/g, ""));
          }}
          className="ml-auto min-h-9 w-[140px] border border-ink bg-sheet px-2 text-right font-tight text-lg tracking-[0.2em] outline-none focus:bg-tint"
        />
      </div>
      <Refused>{problem}</Refused>
    </div>
  );
}

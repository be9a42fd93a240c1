import { useId } from "react";
import { Refused } from "./Refused";

interface TextFieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: "text" | "date";
  problem?: string | undefined;
  /** The member of the plan that it writes: what is missing leads here. */
  member?: string;
}

export function TextField({ label, value, onChange, type = "text", problem, member }: TextFieldProps) {
  const id = useId();
  return (
    <div className="py-0.5">
      <div className="flex items-baseline gap-2">
        <label htmlFor={id} className="shrink-0 font-tight text-sm">
          {label}
        </label>
        <input
          id={id}
          data-member={member}
          type={type}
          value={value}
          autoComplete="off"
          aria-invalid={problem ? true : undefined}
          onChange={(e) => {
            onChange(e.target.value);
          }}
          className="min-h-7 min-w-0 flex-1 border-b border-pencil bg-transparent text-right font-tight text-[15px] font-medium outline-none focus:bg-tint"
        />
      </div>
      <Refused>{problem}</Refused>
    </div>
  );
}

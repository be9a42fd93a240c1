import { Radio, RadioGroup } from "@headlessui/react";
import type { ButtonHTMLAttributes, ReactNode } from "react";

const shape =
  "inline-flex min-h-9 items-center justify-center border border-ink px-3 font-tight text-sm font-medium disabled:opacity-40";

/** A ruled button; the strong one is filled. */
export function Button({
  strong = false,
  className = "",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { strong?: boolean }) {
  return (
    <button
      type="button"
      className={`${shape} ${strong ? "bg-ink text-sheet" : "bg-sheet text-ink hover:bg-tint"} ${className}`}
      {...rest}
    />
  );
}

interface SegmentsProps<T extends string> {
  label: string;
  value: T;
  choices: { value: T; text: string; name?: string }[];
  onChange: (value: T) => void;
}

/** A few choices side by side, one of them taken. The arrow keys move between them. */
export function Segments<T extends string>({ label, value, choices, onChange }: SegmentsProps<T>) {
  return (
    <RadioGroup value={value} onChange={onChange} aria-label={label} className="my-1 flex border border-ink">
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          aria-label={choice.name ?? choice.text}
          className="flex min-h-8 flex-1 cursor-pointer items-center justify-center whitespace-nowrap bg-sheet px-2.5 font-tight text-sm font-medium text-ink outline-offset-2 hover:bg-tint data-checked:bg-ink data-checked:text-sheet"
        >
          {choice.text}
        </Radio>
      ))}
    </RadioGroup>
  );
}

export function Note({ children }: { children: ReactNode }) {
  return <p className="text-[13px] leading-snug text-pencil">{children}</p>;
}

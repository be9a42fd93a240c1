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

/** A few choices side by side, one of them taken. */
export function Segments<T extends string>({ label, value, choices, onChange }: SegmentsProps<T>) {
  return (
    <div role="radiogroup" aria-label={label} className="my-1 flex border border-ink">
      {choices.map((choice) => (
        <button
          key={choice.value}
          type="button"
          role="radio"
          aria-checked={choice.value === value}
          aria-label={choice.name}
          onClick={() => {
            onChange(choice.value);
          }}
          className={`min-h-8 flex-1 whitespace-nowrap px-2.5 font-tight text-sm font-medium ${choice.value === value ? "bg-ink text-sheet" : "bg-sheet text-ink hover:bg-tint"}`}
        >
          {choice.text}
        </button>
      ))}
    </div>
  );
}

export function Note({ children }: { children: ReactNode }) {
  return <p className="text-[13px] leading-snug text-pencil">{children}</p>;
}

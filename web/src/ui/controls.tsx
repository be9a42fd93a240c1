import { useId, type ButtonHTMLAttributes, type ReactNode } from "react";

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
  const name = useId();
  return (
    <fieldset className="my-1 flex flex-wrap border border-ink" role="radiogroup" aria-label={label}>
      {choices.map((choice) => (
        <label
          key={choice.value}
          className="relative flex min-h-8 flex-1 cursor-pointer items-center justify-center whitespace-nowrap bg-sheet px-2.5 font-tight text-sm font-medium text-ink hover:bg-tint has-checked:bg-ink has-checked:text-sheet has-focus-visible:outline-2 has-focus-visible:outline-offset-2"
        >
          <input
            type="radio"
            name={name}
            className="absolute inset-0 cursor-pointer appearance-none outline-none"
            aria-label={choice.name ?? choice.text}
            checked={choice.value === value}
            onChange={() => {
              onChange(choice.value);
            }}
          />
          {choice.text}
        </label>
      ))}
    </fieldset>
  );
}

export function Note({ children }: { children: ReactNode }) {
  return <p className="text-[13px] leading-snug text-pencil">{children}</p>;
}

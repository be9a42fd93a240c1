import type { ReactNode } from "react";

/** One question of the log, ruled off from the next. */
export function Question({ title, note, children }: { title: string; note?: string; children: ReactNode }) {
  return (
    <section className="border-t border-ink py-3" aria-label={title}>
      <h2 className="font-tight text-[17px] font-semibold leading-tight">{title}</h2>
      {note !== undefined && <p className="text-[13px] leading-snug text-pencil">{note}</p>}
      <div className="mt-1.5">{children}</div>
    </section>
  );
}

/** Answers to tap, one of them taken; tapped again it is cleared. */
export function Taps<T extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: T | undefined;
  choices: { value: T; text: string }[];
  onChange: (value: T | undefined) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2">
      {choices.map((c) => (
        <button
          key={c.value}
          type="button"
          aria-pressed={value === c.value}
          data-tap={c.value}
          onClick={() => {
            onChange(value === c.value ? undefined : c.value);
          }}
          className={`min-h-11 border border-ink px-4 font-tight text-[15px] font-medium ${value === c.value ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`}
        >
          {c.text}
        </button>
      ))}
    </div>
  );
}

/** Choices to tap out of a table of their names. */
export const tapsOf = <T extends string>(names: Record<T, string>): { value: T; text: string }[] =>
  (Object.entries(names) as [T, string][]).map(([value, text]) => ({ value, text }));

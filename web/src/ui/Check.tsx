interface CheckProps {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  note?: string | undefined;
  /** The member of the plan that it ticks: what is missing leads here. */
  member?: string;
}

/** A box to tick, large enough for a gloved finger. */
export function Check({ label, checked, onChange, note, member }: CheckProps) {
  return (
    <label className="flex min-h-9 cursor-pointer items-start gap-2.5 py-1">
      <input
        type="checkbox"
        data-member={member}
        checked={checked}
        onChange={(e) => {
          onChange(e.target.checked);
        }}
        className="mt-0.5 h-5 w-5 shrink-0 appearance-none border border-ink bg-sheet checked:bg-ink checked:shadow-[inset_0_0_0_3px_var(--sheet)]"
      />
      <span className="min-w-0 flex-1 font-tight text-sm leading-snug">
        {label}
        {note && <span className="block text-xs text-pencil">{note}</span>}
      </span>
    </label>
  );
}

import { written, type Quantity, type Toward } from "../units/units";
import { useSettings } from "../ui/settings";
import { useOld } from "../state/feed";
import { openWorking } from "../state/view";

interface FigureProps {
  label: string;
  value: number;
  quantity: Quantity;
  /** The working that it opens. */
  working: string;
  note?: string;
  /** A floor is rounded up, a ceiling down. */
  toward?: Toward;
}

/** A result with its name; it opens the sum behind it. */
export function Figure({ label, value, quantity, working, note, toward }: FigureProps) {
  const units = useSettings((s) => s.units);
  const old = useOld();
  return (
    <button
      type="button"
      data-working={working}
      onClick={() => {
        openWorking(working);
      }}
      className="flex w-full items-baseline gap-2 border-b border-rule py-1.5 text-left hover:bg-tint"
    >
      <span className="min-w-0 flex-1">
        <span className="block font-tight text-sm">{label}</span>
        {note && <span className="block text-xs leading-snug text-pencil">{note}</span>}
      </span>
      <span
        data-figure={working}
        className={`whitespace-nowrap font-tight text-[15px] font-semibold ${old ? "text-pencil line-through decoration-1" : ""}`}
      >
        {written(value, quantity, units, toward)}
      </span>
    </button>
  );
}

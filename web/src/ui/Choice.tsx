import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Field,
  Label,
  Listbox,
  ListboxButton,
  ListboxOption,
  ListboxOptions,
} from "@headlessui/react";
import { useState } from "react";
import { Refused } from "./Refused";

export interface Option {
  value: string;
  name: string;
  /** A second line, smaller. */
  note?: string;
}

interface ChoiceProps {
  label: string;
  value: string;
  options: Option[];
  onChange: (value: string) => void;
  problem?: string | undefined;
  /** What a search says that finds nothing. */
  none?: string;
}

/** More than these are not drawn at once; typing narrows them. */
const mostShown = 80;

const optionClass = "cursor-default px-2 py-1.5 text-sm data-focus:bg-tint data-selected:font-medium";
const listClass =
  "z-30 max-h-80 w-[272px] overflow-auto border border-ink bg-sheet py-1 [--anchor-gap:2px] focus:outline-none";

/** One of a short list. */
export function Choice({ label, value, options, onChange, problem }: ChoiceProps) {
  const taken = options.find((o) => o.value === value);
  return (
    <Field className="py-0.5">
      <div className="flex items-baseline gap-2">
        <Label className="shrink-0 font-tight text-sm">{label}</Label>
        <Listbox value={value} onChange={onChange}>
          <ListboxButton className="min-h-7 min-w-0 flex-1 truncate border-b border-pencil text-right font-tight text-[15px] font-medium focus:bg-tint">
            {taken?.name ?? value}{" "}
            <span aria-hidden className="text-pencil">
              ▾
            </span>
          </ListboxButton>
          <ListboxOptions anchor="bottom end" modal={false} className={listClass}>
            {options.map((o) => (
              <ListboxOption key={o.value} value={o.value} data-option={o.value} className={optionClass}>
                {o.name}
                {o.note && <span className="block text-xs leading-snug text-pencil">{o.note}</span>}
              </ListboxOption>
            ))}
          </ListboxOptions>
        </Listbox>
      </div>
      <Refused>{problem}</Refused>
    </Field>
  );
}

/** One of a long list, found by typing part of its name. */
export function Search({ label, value, options, onChange, problem, none = "Nothing of that name here." }: ChoiceProps) {
  const [query, setQuery] = useState("");
  const asked = query.trim().toLowerCase();
  const found =
    asked === "" ? options : options.filter((o) => `${o.name} ${o.note ?? ""}`.toLowerCase().includes(asked));
  return (
    <Field className="py-0.5">
      <div className="flex items-baseline gap-2">
        <Label className="shrink-0 font-tight text-sm">{label}</Label>
        <Combobox
          value={value}
          immediate
          onChange={(next: string | null) => {
            if (next !== null) onChange(next);
          }}
          onClose={() => {
            setQuery("");
          }}
        >
          <ComboboxInput
            displayValue={(v: string) => options.find((o) => o.value === v)?.name ?? v}
            onChange={(e) => {
              setQuery(e.target.value);
            }}
            onFocus={(e) => {
              e.target.select();
            }}
            autoComplete="off"
            className="min-h-7 min-w-0 flex-1 border-b border-pencil bg-transparent text-right font-tight text-[15px] font-medium outline-none focus:bg-tint"
          />
          <ComboboxOptions anchor="bottom end" className={listClass}>
            {found.length === 0 && <p className="px-2 py-1 text-sm text-pencil">{none}</p>}
            {found.slice(0, mostShown).map((o) => (
              <ComboboxOption key={o.value} value={o.value} className={optionClass}>
                {o.name}
                {o.note && <span className="block text-xs text-pencil">{o.note}</span>}
              </ComboboxOption>
            ))}
            {found.length > mostShown && (
              <p className="px-2 py-1 text-xs text-pencil">{found.length - mostShown} more: type part of the name.</p>
            )}
          </ComboboxOptions>
        </Combobox>
      </div>
      <Refused>{problem}</Refused>
    </Field>
  );
}

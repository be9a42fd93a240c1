import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Field, Label } from "@headlessui/react";
import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import { choiceLook, type ChoiceProps, type Opened } from "../choiceParts";
import { goOnFrom } from "../goOnFrom";
import { Refused } from "../Refused";
import { Over } from "./Over";

/** More than these are not drawn at once; typing narrows them. */
const mostShown = 80;

/** One of a long list, found by typing part of its name. */
export function SearchList({
  label,
  value,
  options,
  onChange,
  problem,
  none = "Nothing of that name here.",
  member,
  before,
}: ChoiceProps & Opened) {
  const [query, setQuery] = useState("");
  const input = useRef<HTMLInputElement | null>(null);
  useEffect(() => {
    if (before.focused) input.current?.focus();
  }, [before]);
  const asked = query.trim().toLowerCase();
  const found =
    asked === "" ? options : options.filter((o) => `${o.name} ${o.note ?? ""}`.toLowerCase().includes(asked));
  return (
    <Over>
      <Field className={choiceLook.field}>
        <div className={choiceLook.row}>
          <Label className={choiceLook.label}>{label}</Label>
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
              ref={input}
              data-member={member}
              onKeyDown={(e: KeyboardEvent<HTMLInputElement>) => {
                if (e.key === "Enter" && member !== undefined) goOnFrom(e.currentTarget);
              }}
              displayValue={(v: string) => options.find((o) => o.value === v)?.name ?? v}
              onChange={(e) => {
                setQuery(e.target.value);
              }}
              onFocus={(e) => {
                e.target.select();
              }}
              autoComplete="off"
              className={choiceLook.input}
            />
            <ComboboxOptions anchor="bottom end" className={choiceLook.list}>
              {found.length === 0 && <p className="px-2 py-1 text-sm text-pencil">{none}</p>}
              {found.slice(0, mostShown).map((o) => (
                <ComboboxOption key={o.value} value={o.value} className={choiceLook.option}>
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
    </Over>
  );
}

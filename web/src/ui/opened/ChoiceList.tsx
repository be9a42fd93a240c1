import { Field, Label, Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import { useEffect, useRef } from "react";
import { choiceLook, type ChoiceProps, type Opened } from "../choiceParts";
import { Refused } from "../Refused";
import { Over, openBy } from "./Over";

/** One of a short list. */
export function ChoiceList({ label, value, options, onChange, problem, member, before }: ChoiceProps & Opened) {
  const taken = options.find((o) => o.value === value);
  const button = useRef<HTMLButtonElement | null>(null);
  useEffect(() => {
    if (before.focused) button.current?.focus();
    if (before.opened) openBy(button.current);
  }, [before]);
  return (
    <Over>
      <Field className={choiceLook.field}>
        <div className={choiceLook.row}>
          <Label className={choiceLook.label}>{label}</Label>
          <Listbox value={value} onChange={onChange}>
            <ListboxButton ref={button} data-member={member} className={choiceLook.button}>
              {taken?.name ?? value}{" "}
              <span aria-hidden className="text-pencil">
                ▾
              </span>
            </ListboxButton>
            <ListboxOptions anchor="bottom end" modal={false} className={choiceLook.list}>
              {options.map((o) => (
                <ListboxOption key={o.value} value={o.value} data-option={o.value} className={choiceLook.option}>
                  {o.name}
                  {o.note && <span className="block text-xs leading-snug text-pencil">{o.note}</span>}
                </ListboxOption>
              ))}
            </ListboxOptions>
          </Listbox>
        </div>
        <Refused>{problem}</Refused>
      </Field>
    </Over>
  );
}

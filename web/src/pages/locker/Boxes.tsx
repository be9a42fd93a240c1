import { Check } from "../../ui/Check";
import { Refused } from "../../ui/Refused";

interface BoxesProps<T extends string> {
  legend: string;
  all: { value: T; name: string }[];
  chosen: T[];
  onChange: (chosen: T[]) => void;
  problem?: string | undefined;
}

/** Any number of a list, each with a box to tick. */
export function Boxes<T extends string>({ legend, all, chosen, onChange, problem }: BoxesProps<T>) {
  return (
    <fieldset className="mt-2">
      <legend className="font-tight text-sm font-semibold">{legend}</legend>
      <div className="grid max-h-40 grid-cols-2 gap-x-4 overflow-auto">
        {all.map(({ value, name }) => (
          <Check
            key={value}
            label={name}
            checked={chosen.includes(value)}
            onChange={(on) => {
              onChange(on ? [...chosen, value] : chosen.filter((other) => other !== value));
            }}
          />
        ))}
      </div>
      <Refused>{problem}</Refused>
    </fieldset>
  );
}

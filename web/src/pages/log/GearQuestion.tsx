import type { JobLog, LogStart } from "../../api/types";
import { Check } from "../../ui/Check";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { TextField } from "../../ui/TextField";
import { Boxes } from "../locker/Boxes";
import { changed, findingNames } from "../locker/words";
import { Question } from "./Question";

type Said = JobLog["gear"][number];
const textile = ["glazed", "cut", "flat", "stiff", "melted", "abraded"] as const;
const metal = ["cracked", "bent", "wornGroove", "sticks"] as const;
const soft = new Set(["rope", "cord", "grip", "sling", "strap"]);

/** Pieces that somebody should look at in the yard: tapped, and what was seen on each. */
export function GearQuestion({
  pieces,
  gear,
  errors,
  onChange,
}: {
  pieces: LogStart["gear"];
  gear: Said[];
  errors: Record<string, string | undefined>;
  onChange: (gear: Said[]) => void;
}) {
  if (pieces.length === 0) return null;
  const of = (itemId: string) => gear.find((g) => g.itemId === itemId);
  return (
    <Question title="Gear to look at" note="All of it is booked. Tap what should be looked at before its next load.">
      <div className="flex flex-wrap gap-2">
        {pieces.map((p) => (
          <button
            key={p.itemId}
            type="button"
            data-gear={p.itemId}
            aria-pressed={of(p.itemId) !== undefined}
            onClick={() => {
              onChange(
                of(p.itemId)
                  ? gear.filter((g) => g.itemId !== p.itemId)
                  : [...gear, { itemId: p.itemId, findings: [], shock: false }],
              );
            }}
            className={`min-h-11 border border-ink px-3 font-tight text-sm font-medium ${of(p.itemId) ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`}
          >
            {p.name}
          </button>
        ))}
      </div>
      {gear.map((said, i) => {
        const piece = pieces.find((p) => p.itemId === said.itemId);
        const put = (part: { [K in keyof Said]?: Said[K] | undefined }) => {
          onChange(gear.map((g) => (g.itemId === said.itemId ? { ...changed(g, part), itemId: g.itemId } : g)));
        };
        return (
          <div key={said.itemId} className="mt-2 border-l-2 border-ink pl-3">
            <Boxes
              legend={`Seen on ${piece?.name ?? said.itemId}`}
              all={(soft.has(piece?.kind ?? "") ? textile : metal).map((f) => ({ value: f, name: findingNames[f] }))}
              chosen={said.findings}
              onChange={(findings) => {
                put({ findings });
              }}
              problem={errors[`gear[${i}].findings`]}
            />
            {piece?.lengthM !== undefined && said.findings.length > 0 && (
              <NumberField
                label="From end a"
                value={said.atM}
                quantity="length"
                unknown="not told"
                onChange={(atM) => {
                  put({ atM });
                }}
                problem={errors[`gear[${i}].atM`]}
              />
            )}
            <Check
              label="It was jerked"
              checked={said.shock}
              onChange={(shock) => {
                put({ shock });
              }}
            />
            <TextField
              label="Note"
              value={said.note ?? ""}
              onChange={(note) => {
                put({ note });
              }}
              problem={errors[`gear[${i}].note`]}
            />
            <Refused>{errors[`gear[${i}].itemId`]}</Refused>
          </div>
        );
      })}
    </Question>
  );
}

import { memo } from "react";
import type { Analysis } from "../api/types";
import { openWorking } from "../state/view";
import { useSettings } from "../ui/settings";
import { kilogramForce, written, type Toward, type Units } from "../units/units";

type Figures = Analysis["plate"];

const giver = {
  people: "each hauler",
  machine: "the machine",
  vehicle: "the vehicle",
  handWinch: "on the winch",
} as const;

/** To two figures: what nobody can read off a rope to three. */
const rounded = (value: number, units: Units) => (units === "us" ? value : Number(value.toPrecision(2)));

/** A floor up and a ceiling down, to two figures. */
function outward(value: number, units: Units, toward: Toward): number {
  if (units === "us" || value <= 0) return value;
  const step = 10 ** (Math.floor(Math.log10(value)) - 1);
  return (toward === "up" ? Math.ceil(value / step - 1e-9) : Math.floor(value / step + 1e-9)) * step;
}

/** Two figures with one unit, as in "1.2–2.2 kN": the lower one a floor, the upper a ceiling where that is asked. */
function fromTo(low: number, high: number, units: Units, window = false): string {
  const ends: [number, Toward][] = [
    [window ? outward(low, units, "up") : rounded(low, units), window ? "up" : "nearest"],
    [window ? outward(high, units, "down") : rounded(high, units), window ? "down" : "nearest"],
  ];
  const [a, b] = ends.map(([n, toward]) => written(n, "force", units, toward)) as [string, string];
  const unit = b.slice(b.lastIndexOf(" "));
  return a.endsWith(unit) ? `${a.slice(0, -unit.length)}–${b}` : `${a} – ${b}`;
}

/** What a force feels like: as kilograms, or as the pounds that it is already in. */
const asWeight = (force: number, units: Units) =>
  units === "us" ? "" : `as ${Math.max(1, Math.round(force / kilogramForce))} kg`;

/** The six figures that a crew works by, set as a drawing office sets its title block. */
export const Plate = memo(function Plate({ plate, windowEmpty }: { plate: Figures; windowEmpty: boolean }) {
  const units = useSettings((s) => s.units);
  const cells: [name: string, value: string, beside: string, working: string][] = [
    [
      "pull planned",
      written(plate.plannedN, "force", units),
      `needs ${fromTo(plate.neededN.low, plate.neededN.high, units)}`,
      "planned-tension",
    ],
    [
      "pre-tension",
      windowEmpty ? "no window" : fromTo(plate.floorN, plate.ceilingN, units, true),
      windowEmpty ? "see Cuts" : "",
      "pretension-floor",
    ],
    [
      giver[plate.each.kind],
      written(rounded(plate.each.forceN, units), "force", units),
      plate.each.kind === "people" ? asWeight(plate.each.forceN, units) : "",
      `${plate.each.lineId}.hand-force`,
    ],
    [
      "goes by itself at",
      written(plate.goesByItselfDeg, "angle", units),
      plate.goesByItselfDeg <= 0 ? "it sits forward" : "",
      "commit",
    ],
    [
      "stands gusts to",
      plate.gustMps === undefined ? "not set" : written(outward(plate.gustMps, units, "down"), "speed", units, "down"),
      "",
      "gust",
    ],
    ["holds in", `${plate.holdsInHundred} of 100`, "", "needed-tension"],
  ];
  return (
    <dl
      data-plate
      aria-label="The figures to work by"
      className="grid grid-cols-2 border-2 border-ink bg-sheet font-tight max-lg:mx-3 max-lg:grid-cols-3"
    >
      {cells.map(([name, value, beside, working], i) => (
        <div
          key={name}
          className={`min-w-0 px-2.5 pb-1 pt-0.5 max-lg:px-2 ${i % 2 === 1 ? "lg:border-l lg:border-ink" : ""} ${i > 1 ? "lg:border-t lg:border-ink" : ""} ${i % 3 > 0 ? "max-lg:border-l max-lg:border-ink" : ""} ${i > 2 ? "max-lg:border-t max-lg:border-ink" : ""}`}
        >
          <dt className="text-[13px] leading-tight text-pencil max-lg:text-[12px]">{name}</dt>
          <dd data-value className="flex flex-wrap items-baseline gap-x-1.5 leading-none">
            <button
              type="button"
              title={`The sum behind it: ${name}`}
              className="whitespace-nowrap text-left text-[25px] font-semibold leading-[1.15] hover:underline coarse:relative coarse:-mt-[18px] coarse:min-h-11 coarse:pt-[18px] max-lg:text-[19px] max-sm:whitespace-normal"
              onClick={() => {
                openWorking(working);
              }}
            >
              {value.split(" – ").map((end, at) => (
                // Broken, where there is no room, between the two ends alone.
                <span key={end} className="whitespace-nowrap">
                  {at > 0 && "– "}
                  {end}
                  {at === 0 && value.includes(" – ") && " "}
                </span>
              ))}
            </button>
            {beside !== "" && <span className="text-[13px] text-pencil max-lg:text-[12px]">{beside}</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
});

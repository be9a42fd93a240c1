import type { LearnedFigure, Trial } from "../../api/types";
import { plain, written, type Quantity, type Units } from "../../units/units";

export const kindTitles: Record<LearnedFigure["kind"], string> = {
  pull: "Tension read over tension predicted",
  aim: "Aim",
  hold: "How far a hinge holds",
  turn: "What a turn passes on",
  drum: "The drum",
  grip: "Friction hitches",
  haul: "People on the rope",
  throw: "Throw lines",
  cycle: "Minutes of a load",
  task: "Minutes of a task",
};

export const trialNames: Record<Trial["kind"], string> = {
  hinge: "Hinge trial",
  friction: "Friction trial",
  grip: "Grip trial",
  pull: "Pull trial",
  throw: "Throw trial",
};

const quantities: Record<string, Quantity> = { N: "force", m: "length", deg: "angle", share: "percent" };

/** A learned figure with its unit. */
export function said(value: number, unit: string, units: Units): string {
  const quantity = quantities[unit];
  return quantity === undefined ? plain(Math.round(value * 1000) / 1000) : written(value, quantity, units);
}

/** A step of a trial in words, as it stands in the list. */
export function stepWords(r: Trial["readings"][number], units: Units): string {
  const measured = (value: number | undefined, quantity: Quantity) =>
    value === undefined ? undefined : written(value, quantity, units);
  const counted = (count: number | undefined, one: string, many: string) =>
    count === undefined ? undefined : `${count} ${count === 1 ? one : many}`;
  const led = (lead: string, rest: string | undefined) => (rest === undefined ? undefined : `${lead} ${rest}`);
  return [
    led("turned", measured(r.leanDeg, "degrees")),
    counted(r.cracks, "crack", "cracks"),
    r.broke ? "it broke" : undefined,
    led("up", measured(r.upN, "force")),
    led("down", measured(r.downN, "force")),
    measured(r.readN, "force"),
    measured(r.heightM, "length"),
    counted(r.tries, "try", "tries"),
  ]
    .filter((t) => t !== undefined)
    .join(", ");
}

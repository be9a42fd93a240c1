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

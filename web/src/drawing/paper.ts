import { createContext, useContext } from "react";
import type { Scale } from "./projection";

/** Pixels of a printed millimetre: a browser prints 96 to the inch. */
export const perMillimetre = 96 / 25.4;

const ratios = [
  1, 2, 2.5, 4, 5, 7.5, 10, 15, 20, 25, 40, 50, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1500, 2000,
];

/** Whether drawings are drawn on paper: nothing to take hold of, and at a round scale. */
export const PaperContext = createContext(false);

export const usePaper = (): boolean => useContext(PaperContext);

/** The next smaller round scale, as in 1:150; the smallest where none is small enough. */
export function roundRatio(perMetre: number): number {
  const exact = (1000 * perMillimetre) / perMetre;
  return ratios.find((r) => r >= exact - 1e-9) ?? ratios.at(-1) ?? 2000;
}

export const perMetreAt = (ratio: number): number => (1000 * perMillimetre) / ratio;

/** A drawing's scale at the next round ratio, about the middle of the picture. */
export function roundScale(scale: Scale, width: number, height: number): Scale {
  const by = perMetreAt(roundRatio(scale.perMetre)) / scale.perMetre;
  return {
    perMetre: scale.perMetre * by,
    left: width / 2 + (scale.left - width / 2) * by,
    bottom: height / 2 + (scale.bottom - height / 2) * by,
  };
}

import type { Analysis } from "../api/types";

type Danger = Analysis["site"]["people"][number]["in"];

/** What reaches somebody where they stand, in a few words. */
export const placesInWords: Record<Danger, { text: string; bad: boolean }> = {
  none: { text: "", bad: false },
  reach: { text: "within two heights", bad: false },
  near: { text: "too near the stump there", bad: true },
  turn: { text: "inside a turn", bad: true },
  band: { text: "in a line’s band", bad: true },
  atStump: { text: "AT THE STUMP", bad: true },
  footprint: { text: "WHERE IT MAY FALL", bad: true },
};

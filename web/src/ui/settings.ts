import { create } from "zustand";
import type { Units } from "../units/units";
import { storage } from "./storage";

export const dateLanguages = [
  { value: "en-GB", name: "English, day first" },
  { value: "en-US", name: "English, month first" },
  { value: "de-DE", name: "Deutsch" },
  { value: "es-ES", name: "Español" },
  { value: "fr-FR", name: "Français" },
  { value: "nl-NL", name: "Nederlands" },
  { value: "pl-PL", name: "Polski" },
  { value: "sv-SE", name: "Svenska" },
];

export type Paper = "printer" | "a4" | "letter";
const papers: readonly string[] = ["a4", "letter"] satisfies Paper[];

interface Settings {
  units: Units;
  sun: boolean;
  /** Who ticks the lists at this screen. */
  who: string;
  /** How this crew measures a stem, and tells a lean. */
  stemBy: "diameter" | "girth";
  leanIn: "metres" | "degrees";
  setStemBy: (by: "diameter" | "girth") => void;
  setLeanIn: (leanIn: "metres" | "degrees") => void;
  /** In whose language days are written. */
  dates: string;
  setDates: (dates: string) => void;
  paper: Paper;
  setPaper: (paper: Paper) => void;
  setWho: (who: string) => void;
  setUnits: (units: Units) => void;
  setSun: (sun: boolean) => void;
}

const stored = (key: string): string | null => storage.read(`draklo.${key}`);

/** What this screen remembers of its reader; nothing of the job. */
export const useSettings = create<Settings>((set) => ({
  units: stored("units") === "us" ? "us" : "metric",
  sun: stored("sun") === "yes",
  who: (stored("who") ?? "").slice(0, 60),
  stemBy: stored("stem-by") === "girth" ? "girth" : "diameter",
  leanIn: stored("lean-in") === "degrees" ? "degrees" : "metres",
  setStemBy: (stemBy) => {
    storage.write("draklo.stem-by", stemBy);
    set({ stemBy });
  },
  setLeanIn: (leanIn) => {
    storage.write("draklo.lean-in", leanIn);
    set({ leanIn });
  },
  dates: dateLanguages.find((l) => l.value === stored("dates"))?.value ?? "en-GB",
  setDates: (dates) => {
    storage.write("draklo.dates", dates);
    set({ dates });
  },
  paper: papers.includes(stored("paper") ?? "") ? (stored("paper") as Paper) : "printer",
  setPaper: (paper) => {
    storage.write("draklo.paper", paper);
    set({ paper });
  },
  setWho: (who) => {
    storage.write("draklo.who", who);
    set({ who });
  },
  setUnits: (units) => {
    storage.write("draklo.units", units);
    set({ units });
  },
  setSun: (sun) => {
    storage.write("draklo.sun", sun ? "yes" : "no");
    set({ sun });
  },
}));

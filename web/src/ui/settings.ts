import { create } from "zustand";
import type { Units } from "../units/units";

interface Settings {
  units: Units;
  sun: boolean;
  /** Who ticks the lists at this screen. */
  who: string;
  setWho: (who: string) => void;
  setUnits: (units: Units) => void;
  setSun: (sun: boolean) => void;
}

const stored = (key: string): string | null => localStorage.getItem(`draklo.${key}`);

/** What this screen remembers of its reader; nothing of the job. */
export const useSettings = create<Settings>((set) => ({
  units: stored("units") === "us" ? "us" : "metric",
  sun: stored("sun") === "yes",
  who: stored("who") ?? "",
  setWho: (who) => {
    localStorage.setItem("draklo.who", who);
    set({ who });
  },
  setUnits: (units) => {
    localStorage.setItem("draklo.units", units);
    set({ units });
  },
  setSun: (sun) => {
    localStorage.setItem("draklo.sun", sun ? "yes" : "no");
    set({ sun });
  },
}));

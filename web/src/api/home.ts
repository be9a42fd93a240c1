import { create } from "zustand";

interface HomeState {
  /** Whether the core in this browser answers. */
  ready: boolean;
  /** Whether the server left the last question unanswered. */
  away: boolean;
  /** Whether the server no longer speaks with a page as old as this one. */
  old: boolean;
}

/** The core in this browser, and whether the server is there beside it. */
export const useHome = create<HomeState>(() => ({ ready: false, away: false, old: false }));

/** Whether the server runs on this machine: then nothing is far, and the core here would only take its processor. */
export const isBesideServer = (): boolean => ["127.0.0.1", "localhost", "[::1]"].includes(window.location.hostname);

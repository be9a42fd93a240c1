import { create } from "zustand";

/** What the server is too busy for just now, in its words; null while nothing waits. */
export const useBusy = create<{ text: string | null }>(() => ({ text: null }));

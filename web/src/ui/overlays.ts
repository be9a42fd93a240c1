import { createContext } from "react";

/** Where lists and menus that open over the page stand: a landmark of their own. */
export const overlays: { current: HTMLElement | null } = { current: null };

/** Whether this stands in a dialog: what opens there stays in it. */
export const InDialog = createContext(false);

import { useSyncExternalStore } from "react";

const wide = window.matchMedia("(min-width: 64rem)");

/** Whether drawing, stations and fields have room side by side. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      wide.addEventListener("change", changed);
      return () => {
        wide.removeEventListener("change", changed);
      };
    },
    () => wide.matches,
  );

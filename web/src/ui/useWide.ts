import { useSyncExternalStore } from "react";

/** Whether the window is at least so wide. */
const from = (least: string) => {
  const width = () => window.matchMedia(`(min-width: ${least})`);
  const listen = (changed: () => void) => {
    const wide = width();
    wide.addEventListener("change", changed);
    return () => {
      wide.removeEventListener("change", changed);
    };
  };
  return (): boolean => useSyncExternalStore(listen, () => width().matches);
};

/** Whether drawing, stations and fields have room side by side. */
export const useWide = from("64rem");

/** Whether it is wider than a phone. */
export const useRoomy = from("48rem");

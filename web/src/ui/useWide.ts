import { useSyncExternalStore } from "react";

const width = () => window.matchMedia("(min-width: 64rem)");

function listen(changed: () => void): () => void {
  const wide = width();
  wide.addEventListener("change", changed);
  return () => {
    wide.removeEventListener("change", changed);
  };
}

/** Whether drawing, stations and fields have room side by side. */
export const useWide = (): boolean => useSyncExternalStore(listen, () => width().matches);

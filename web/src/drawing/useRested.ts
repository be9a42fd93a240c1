import { useEffect, useState } from "react";
import { useFeed } from "../state/feed";
import { held } from "./held";

/**
 * The version of the shown figures once nobody has changed the plan for a while, and while no hand holds anything: what is
 * not for every step of a drag waits for it. 0 before the first.
 * @param firstMs How long the first waits.
 */
export function useRested(restMs: number, firstMs = restMs): number {
  const version = useFeed((s) => s.version);
  const [rested, setRested] = useState(0);
  useEffect(() => {
    let timer = setTimeout(look, rested > 0 ? restMs : firstMs);
    function look(): void {
      if (held.now) timer = setTimeout(look, restMs);
      else setRested(version);
    }
    return () => {
      clearTimeout(timer);
    };
  }, [version, rested, restMs, firstMs]);
  return rested;
}

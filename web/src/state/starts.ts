import { createContext, useContext } from "react";
import type { Catalogue } from "../api/types";

export type Starts = Catalogue["starts"];

/** What a part of the plan starts from when it is added, as the catalogue has it. */
export const StartsContext = createContext<Starts | null>(null);

export function useStarts(): Starts {
  const starts = useContext(StartsContext);
  if (!starts) throw new Error("There is no catalogue round this.");
  return starts;
}

import type { Link } from "../api/types";
import { useFeed } from "./feed";
import { useView } from "./view";

/** The link of the load path that is selected, for the drawings to light up. */
export function useLitLink(): Link | undefined {
  const id = useView((s) => s.link);
  return useFeed((s) => (id === null ? undefined : s.analysis?.links.find((l) => l.id === id)));
}

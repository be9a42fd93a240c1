import { api } from "../api/client";
import type { Clash, Plan, Side, Units } from "../api/types";
import type { Document } from "./store";

/** Two versions of a job put together. */
export interface Joined {
  /** Null while something is not settled. */
  document: Document | null;
  clashes: Clash[];
  /** Members that only the other side changed. */
  fromTheirs: number;
}

/** Puts two versions together, member by member. Name, place and day are members like the others. */
export async function merged(
  was: Document | undefined,
  mine: Document,
  theirs: Document,
  settled: Record<string, Side>,
  units: Units,
): Promise<Joined> {
  const asked = { ...(was && { was: whole(was) }), mine: whole(mine), theirs: whole(theirs), settled };
  const { document, clashes, fromTheirs } = await api.mergePlans(asked, units);
  return { document: document ? parted(document) : null, clashes, fromTheirs };
}

function whole({ name, place, plannedOn, plan }: Document): Plan {
  return { ...plan, name, place, ...(plannedOn !== undefined && { plannedOn }) };
}

function parted({ name, place, plannedOn, ...plan }: Plan): Document {
  return {
    name: name ?? "",
    place: place ?? "",
    ...(plannedOn !== undefined && { plannedOn }),
    plan: { ...plan, ...(name !== undefined && { name }) } as Plan,
  };
}

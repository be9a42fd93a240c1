import { api } from "../api/client";
import type { Clash, Plan, Side, Units } from "../api/types";
import type { Document } from "./store";

/** Two versions of a job put together. */
export interface Joined {
  /** Null while something is not settled. */
  document: Document | null;
  clashes: Clash[];
  /** Members that only this side changed. */
  fromMine: number;
  /** Members that only the other side changed. */
  fromTheirs: number;
}

/** Whether the other version holds all that this one does: then there is nothing left to save. */
export const stands = ({ document, fromMine }: Joined): boolean => document !== null && fromMine === 0;

/** Whether the server keeps the very same, as after a save whose answer was lost. */
export async function isKept(sent: Document, theirs: Document, units: Units): Promise<boolean> {
  const { clashes, fromMine, fromTheirs } = await merged(undefined, sent, theirs, {}, units);
  return clashes.length === 0 && fromMine === 0 && fromTheirs === 0;
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
  const { document, clashes, fromMine, fromTheirs } = await api.mergePlans(asked, units);
  return { document: document ? parted(document) : null, clashes, fromMine, fromTheirs };
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

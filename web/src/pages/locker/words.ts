import type { GearEntry, GearItem, Inspection } from "../../api/types";

export const kindNames: Record<GearItem["kind"], string> = {
  rope: "Rope",
  cord: "Cord",
  grip: "Grip",
  block: "Block",
  connector: "Connector",
  sling: "Sling",
  strap: "Strap",
  drum: "Drum",
  tackleSet: "Tackle set",
  throwKit: "Throw kit",
  wedge: "Wedge",
};

export const stateNames: Record<GearItem["state"], string> = {
  inService: "in service",
  quarantined: "quarantined",
  retired: "retired",
};

export const findingNames: Record<Inspection["findings"][number], string> = {
  glazed: "glazed",
  cut: "cut",
  flat: "flat",
  stiff: "stiff",
  melted: "melted",
  chemical: "chemical",
  abraded: "abraded",
  cracked: "cracked",
  bent: "bent",
  wornGroove: "worn groove",
  sticks: "sticks or stays open",
  labelGone: "label gone",
};

export const outcomeNames: Record<Inspection["outcome"], string> = {
  pass: "stays in service",
  watch: "look again before the next load",
  quarantine: "set aside",
  retire: "retire",
};

export type StateFilter = "all" | GearItem["state"] | "flagged";

/** Pieces that a search and two filters leave, in the order they came. Every word of the search must stand somewhere in the piece. */
export function filtered(
  items: GearEntry[],
  query: string,
  kind: GearItem["kind"] | "all",
  state: StateFilter,
): GearEntry[] {
  const words = query
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w !== "");
  return items.filter((entry) => {
    const { item } = entry;
    if (kind !== "all" && item.kind !== kind) return false;
    if (state === "flagged" ? entry.flags.length === 0 : state !== "all" && item.state !== state) return false;
    if (words.length === 0) return true;
    const text =
      `${item.name} ${item.id} ${item.marks ?? ""} ${kindNames[item.kind]} ${item.note ?? ""} ${item.reason ?? ""}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
}

/** Which rows of a long list stand in sight: the first and one past the last, with a few to spare on either side. */
export function inSight(count: number, rowHeight: number, scrolled: number, height: number): [number, number] {
  const spare = 6;
  const first = Math.max(0, Math.floor(scrolled / rowHeight) - spare);
  return [Math.min(first, count), Math.min(count, Math.ceil((scrolled + height) / rowHeight) + spare)];
}

/** A draft with some of its members changed; those set to undefined or to nothing are taken away. */
export function changed<T extends object>(draft: T, part: { [K in keyof T]?: T[K] | undefined }): T {
  return Object.fromEntries(Object.entries({ ...draft, ...part }).filter(([, v]) => v !== undefined && v !== "")) as T;
}

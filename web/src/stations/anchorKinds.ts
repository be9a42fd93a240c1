import type { Catalogue, Line } from "../api/types";

type Anchor = Line["anchor"];

export const anchorKinds: { value: Anchor["kind"]; name: string; note: string }[] = [
  { value: "rated", name: "Known to hold", note: "its force is known or rated" },
  { value: "tree", name: "Standing tree", note: "by its size and ground" },
  { value: "post", name: "Post in the ground", note: "for light pulls, at its foot" },
  { value: "pickets", name: "Pickets", note: "by number and lashing" },
  { value: "weight", name: "Dead weight", note: "by its grip on the ground" },
  { value: "vehicle", name: "Parked vehicle", note: "braked, chocked, nobody inside" },
];

/** An anchor of another kind at the same place, with what one of its kind starts from. */
export function anchorOf(kind: Anchor["kind"], anchor: Anchor, starts: Catalogue["starts"]): Anchor {
  const changed: Anchor = { ...anchor, kind };
  if (kind === "tree") changed.tree ??= starts.anchorTree;
  if (kind === "post") changed.post ??= starts.anchorPost;
  if (kind === "pickets") changed.pickets ??= starts.anchorPickets;
  if (kind === "weight" || kind === "vehicle") changed.weight ??= starts.anchorWeight;
  return changed;
}

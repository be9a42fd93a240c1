import type { GearEntry, GearItem, Line, Plan } from "../api/types";
import { withValue } from "../state/paths";
import { withProvenance } from "../state/store";
import type { Starts } from "../state/starts";

/** A place of the plan that a piece of the locker can hang at. */
export type Place =
  | "rope"
  | "joined"
  | "tackleRope"
  | "grip"
  | "connector"
  | "blocks"
  | "sling"
  | "redirectBlock"
  | "drum"
  | "rigBlock"
  | "carriage";

export const kindsAt: Record<Place, GearItem["kind"][]> = {
  rope: ["rope"],
  joined: ["rope"],
  tackleRope: ["rope", "cord"],
  grip: ["grip", "cord"],
  connector: ["connector"],
  blocks: ["block", "tackleSet"],
  sling: ["sling", "strap"],
  redirectBlock: ["block"],
  drum: ["drum"],
  rigBlock: ["block"],
  carriage: ["block", "connector"],
};

/** Whether a piece can hang there: of the right kind, and its strength known where the plan needs it. */
export function fits(entry: GearEntry, place: Place): boolean {
  const { item, strength } = entry;
  if (!kindsAt[place].includes(item.kind)) return false;
  if (place === "drum") return true;
  if (place === "rope" || place === "joined")
    return strength.newtons !== undefined && item.lengthM !== undefined && item.diameterM !== undefined;
  if (place === "tackleRope") return strength.newtons !== undefined && item.diameterM !== undefined;
  return strength.newtons !== undefined;
}

/** The plan with a piece hung: its figures are copied, so that the plan stands alone; its id says which piece it is. */
export function hung(plan: Plan, path: string, place: Place, entry: GearEntry, starts: Starts): Plan {
  const { item, strength } = entry;
  const newtons = strength.newtons ?? 0;
  const wear =
    entry.wears && (entry.ageYears !== undefined || item.keeps !== undefined)
      ? {
          wear: {
            ...(entry.ageYears === undefined ? {} : { ageYears: entry.ageYears }),
            ...(item.keeps === undefined ? {} : { keeps: item.keeps }),
            wet: false,
          },
        }
      : {};
  const construction = item.constructionId === undefined ? {} : { constructionId: item.constructionId };
  const marked = (next: Plan, member: string): Plan => {
    return withProvenance(next, member, strength.source === "estimate" ? "guess" : "locker");
  };
  const rope = {
    breakingStrengthN: newtons,
    lengthM: item.lengthM ?? 0,
    diameterM: item.diameterM ?? 0,
    stretchAtTenPercent: item.stretchAtTenPercent ?? starts.stretchAtTenPercent,
    ...construction,
    ...wear,
    itemId: item.id,
  };
  switch (place) {
    case "rope":
    case "joined":
      return marked(withProvenance(withValue(plan, path, rope), path, undefined), `${path}.breakingStrengthN`);
    case "tackleRope":
      return marked(
        withValue(plan, path, {
          endKnotId: starts.tackleRope.endKnotId,
          ...groupAt(plan, path),
          breakingStrengthN: newtons,
          diameterM: item.diameterM ?? 0,
          ...(item.lengthM === undefined ? {} : { lengthM: item.lengthM }),
          ...construction,
          ...wear,
          itemId: item.id,
        }),
        `${path}.breakingStrengthN`,
      );
    case "grip": {
      const before = groupAt(plan, path) as Partial<NonNullable<Line["tackle"]["grip"]>>;
      return marked(
        withValue(plan, path, {
          endKnotId: before.endKnotId ?? starts.grip.endKnotId,
          gripId: item.gripId ?? before.gripId ?? starts.grip.gripId,
          cordStrengthN: newtons,
          ...(item.diameterM === undefined ? {} : { cordDiameterM: item.diameterM }),
          ...wear,
          itemId: item.id,
        }),
        `${path}.cordStrengthN`,
      );
    }
    case "connector":
      return withValue(plan, path, { count: 1, ...groupAt(plan, path), strengthN: newtons, itemId: item.id });
    case "sling":
      return withValue(plan, path, {
        hitch: starts.sling.hitch,
        halfAngleDeg: starts.sling.halfAngleDeg,
        ...groupAt(plan, path),
        breakingStrengthN: newtons,
        ...wear,
        itemId: item.id,
      });
    case "drum":
      return withValue(plan, `${path}.itemId`, item.id);
    case "carriage":
      return withValue(plan, path, { ...groupAt(plan, path), strengthN: newtons, itemId: item.id });
    case "rigBlock":
      return withValue(plan, path, {
        ...groupAt(plan, path),
        strengthN: newtons,
        itemId: item.id,
        ...(item.contactId === undefined ? {} : { contactId: item.contactId }),
        ...(item.diameterM === undefined ? {} : { sheaveDiameterM: item.diameterM }),
      });
    case "blocks":
    case "redirectBlock": {
      let next = withValue(plan, `${path}.hardwareStrengthN`, newtons);
      next = withValue(next, `${path}.hardwareItemId`, item.id);
      if (item.contactId !== undefined) next = withValue(next, `${path}.contactId`, item.contactId);
      if (place === "blocks" && item.systemId !== undefined)
        next = withValue(
          withValue(withValue(next, `${path}.systemId`, item.systemId), `${path}.composed`, undefined),
          `${path}.capture`,
          undefined,
        );
      if (item.kind === "block" && item.diameterM !== undefined)
        next = withValue(next, `${path}.sheaveDiameterM`, item.diameterM);
      return next;
    }
  }
}

/** The plan with the piece taken off: its figures stay, as ones that no piece stands for. */
export function unhung(plan: Plan, path: string, place: Place): Plan {
  return withValue(
    plan,
    `${path}.${place === "blocks" || place === "redirectBlock" ? "hardwareItemId" : "itemId"}`,
    undefined,
  );
}

function groupAt(plan: Plan, path: string): object {
  let node: unknown = plan;
  for (const step of path.split(/[.[\]]+/).filter((s) => s !== ""))
    node = (node as Record<string, unknown> | undefined)?.[step];
  return (node as object | undefined) ?? {};
}

import type { CardAnswered, PracticeCard, PracticeTopic } from "../../api/types";
import { byCode, type Quantity } from "../../units/units";

export const topicNames: Record<PracticeTopic, string> = {
  leanFromTwoViews: "Lean from two views",
  whatAnAngleKeeps: "What an angle keeps",
  countingLegs: "Counting legs",
  advantageAfterFriction: "Advantage after friction",
  handForce: "Hand force",
  turnsOnADrum: "Turns on a drum",
  weakestLink: "The weakest link",
  whichAnchor: "Which anchor",
  knotInOrder: "A knot, in order",
  faultInAPlan: "Find the fault",
  whereTheTipLands: "Where the tip lands",
  whatAGustDoes: "What a gust does",
  forceOnARedirect: "Force on a redirect",
  howFarAHingeHolds: "How far a hinge holds",
};

export const markWords: Record<CardAnswered["mark"], string> = { right: "Right.", near: "Near.", wrong: "Not quite." };

/** What a number is typed in: a share is asked for in plain per cent. */
export const quantityOf = (card: PracticeCard): Quantity =>
  card.quantity === "%" ? "ratio" : card.quantity === "ratio" ? "ratio" : (byCode[card.quantity ?? ""] ?? "ratio");

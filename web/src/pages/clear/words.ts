import type { SectionPanel } from "../../drawing/section";

/** The panel that holds a member of the clearing. */
export function panelOf(path: string): SectionPanel {
  const member = /^clearing\.(\w+)/.exec(path)?.[1] ?? "";
  if (["stemCutsM", "stemAtM", "pieces", "brush", "truck"].includes(member)) return "pieces";
  if (member === "ground") return "ground";
  if (["people", "climber"].includes(member)) return "people";
  if (
    [
      "high",
      "low",
      "line",
      "lineKnotId",
      "haul",
      "tag",
      "loadSling",
      "carriage",
      "drum",
      "lead",
      "hauler",
      "haulerAtM",
      "haulAnchor",
      "tackle",
    ].includes(member)
  )
    return "gear";
  return "way";
}

/** Minutes as a crew says them. */
export function span(minutes: number): string {
  const whole = Math.round(minutes / 5) * 5;
  if (whole < 60) return `${Math.max(whole, Math.round(minutes))} min`;
  const hours = Math.floor(whole / 60);
  return whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60}`;
}

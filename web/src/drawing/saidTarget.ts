import type { Plan, Target } from "../api/types";
import type { Units } from "../units/units";
import { shapeOf, targetBySide, type BySide } from "./sitePlan";

const footM = 0.3048;

/** What things are called beside a tree, and which kind of target that is. */
const kindsBy: [words: RegExp, kind: Target["kind"]][] = [
  [/^(shed|house|barn|garage|hut|building|greenhouse|cabin|chapel|church|roof|stable)s?$/, "building"],
  [/^(road|lane|street|drive|track)$/, "road"],
  [/^(path|footpath|trail|walk)$/, "path"],
  [/^(wall)$/, "wall"],
  [/^(fence|railing|gate)$/, "fence"],
  [/^(hedge)$/, "hedge"],
  [/^(tree|oak|beech|ash|birch|spruce|pine|larch|lime|maple|poplar|willow)$/, "tree"],
  [/^(water|pond|lake|brook|stream|river|ditch)$/, "water"],
  [/^(power|wire|wires|powerline)$/, "powerLine"],
  [/^(phone|telephone|cable)$/, "phoneLine"],
  [/^(pipe|drain|gas|main)$/, "pipe"],
  [/^(people|bench|playground|school)$/, "people"],
];

const usualM: Record<"area" | "line" | "place", Pick<BySide, "wideM" | "deepM">> = {
  area: { wideM: 4, deepM: 3 },
  line: { wideM: 60, deepM: 0 },
  place: { wideM: 0, deepM: 0 },
};

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const unit = String.raw`\s*(?:m|ft|metres|feet)?\s*`;

/**
 * A target as one says it beside the tree: "shed, 6 m left, 12 m out, 4 × 3", "road 30 out". Out is along the lay from the
 * stump; a road or a wire runs across the lay, or along it where only its side is said.
 */
export function saidTarget(
  text: string,
  plan: Plan,
  units: Units,
  otherwise: Target["kind"],
): { target: Target } | { problem: string } {
  const metres = (digits: string) => Number(digits.replace(",", ".")) * (units === "us" ? footM : 1);
  let rest = ` ${text.toLowerCase().replace(/,(?!\d)/g, " ")} `;
  const take = (pattern: string): RegExpExecArray | null => {
    const found = new RegExp(String.raw`(?<![\w.])${pattern}(?![\w.])`).exec(rest);
    if (found) rest = rest.replace(found[0], " ");
    return found;
  };
  const size = take(`${number}${unit}(?:x|×|by)\\s*${number}${unit}`);
  const side = take(`${number}${unit}(left|right|l|r)`);
  const out = take(`${number}${unit}(out|ahead|behind|back)`);
  const along = take("(along|across)");
  const name = rest
    .replace(/\b(of|the|lay|and|to|is)\b/g, " ")
    .replace(/\s+/g, " ")
    .trim();
  if (/\d/.test(name)) return { problem: `What is “${name}”? Say it as “shed, 6 m left, 12 m out, 4 × 3”.` };
  if (!side && !out) return { problem: "Say where it is: “12 m out”, “6 m left”, or both." };
  const kind = name.split(" ").flatMap((word) => kindsBy.filter(([words]) => words.test(word)).map(([, k]) => k))[0];
  const shape = shapeOf[kind ?? otherwise];
  const runsAlong = along ? along[1] === "along" : shape === "line" && !out;
  const [wideM, deepM] = size ? [metres(size[1] ?? ""), metres(size[2] ?? "")] : [];
  const usual = usualM[shape];
  const place: BySide = {
    outM: out ? metres(out[1] ?? "") * (/behind|back/.test(out[2] ?? "") ? -1 : 1) : 0,
    rightM: side ? metres(side[1] ?? "") * (side[2]?.startsWith("l") ? -1 : 1) : 0,
    wideM: wideM ?? (runsAlong ? usual.deepM : usual.wideM),
    deepM: deepM ?? (runsAlong ? usual.wideM : usual.deepM),
  };
  const target = targetBySide(kind ?? otherwise, plan, place);
  return { target: name === "" ? target : { ...target, name: name.slice(0, 60) } };
}

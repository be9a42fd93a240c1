import type { Units } from "../api/types";

/** What a number measures. Values are SI throughout; only writing and reading know other units. */
export type Quantity =
  | "length"
  | "thickness"
  | "rope"
  | "force"
  | "moment"
  | "stress"
  | "strength"
  | "stiffness"
  | "mass"
  | "density"
  | "energy"
  | "angle"
  | "degrees"
  | "speed"
  | "ratio"
  | "percent"
  | "count";

interface Unit {
  name: string;
  /** SI value of one. */
  si: number;
}

interface Spelling extends Unit {
  as: string[];
}

const foot = 0.3048;
const inch = 0.0254;
const poundForce = 4.4482216;

const lengths: Spelling[] = [
  { name: "m", si: 1, as: ["m", "metre", "metres", "meter", "meters"] },
  { name: "cm", si: 0.01, as: ["cm"] },
  { name: "mm", si: 0.001, as: ["mm"] },
  { name: "ft", si: foot, as: ["ft", "foot", "feet", "'", "′"] },
  { name: "in", si: inch, as: ["in", "inch", "inches", '"', "″"] },
  { name: "yd", si: 0.9144, as: ["yd", "yard", "yards"] },
];
const forces: Spelling[] = [
  { name: "kN", si: 1000, as: ["kn"] },
  { name: "N", si: 1, as: ["n"] },
  { name: "lbf", si: poundForce, as: ["lbf", "lb", "lbs"] },
  { name: "kgf", si: 9.80665, as: ["kgf", "kg"] },
  { name: "kip", si: poundForce * 1000, as: ["kip", "kips"] },
];

interface Kind {
  what: string;
  metric: Unit;
  us: Unit;
  accepts: Spelling[];
  /** Fixed decimals instead of three figures. */
  places?: number;
}

const same = (name: string, si = 1): Pick<Kind, "metric" | "us"> => ({ metric: { name, si }, us: { name, si } });

export const kinds: Record<Quantity, Kind> = {
  length: { what: "a length", metric: { name: "m", si: 1 }, us: { name: "ft", si: foot }, accepts: lengths },
  thickness: { what: "a length", metric: { name: "cm", si: 0.01 }, us: { name: "in", si: inch }, accepts: lengths },
  rope: { what: "a length", metric: { name: "mm", si: 0.001 }, us: { name: "in", si: inch }, accepts: lengths },
  force: { what: "a force", metric: { name: "kN", si: 1000 }, us: { name: "lbf", si: poundForce }, accepts: forces },
  moment: { what: "a moment", metric: { name: "kN·m", si: 1000 }, us: { name: "ft·lbf", si: 1.3558179 }, accepts: [] },
  stress: { what: "a stress", metric: { name: "MPa", si: 1e6 }, us: { name: "psi", si: 6894.757 }, accepts: [] },
  strength: {
    what: "a strength",
    metric: { name: "MPa", si: 1 },
    us: { name: "psi", si: 0.006894757 },
    accepts: [
      { name: "MPa", si: 1, as: ["mpa"] },
      { name: "psi", si: 0.006894757, as: ["psi"] },
    ],
  },
  stiffness: {
    what: "a stiffness",
    metric: { name: "GPa", si: 1 },
    us: { name: "Mpsi", si: 6.894757 },
    accepts: [
      { name: "GPa", si: 1, as: ["gpa"] },
      { name: "Mpsi", si: 6.894757, as: ["mpsi"] },
    ],
  },
  mass: {
    what: "a mass",
    metric: { name: "kg", si: 1 },
    us: { name: "lb", si: 0.45359237 },
    accepts: [
      { name: "kg", si: 1, as: ["kg"] },
      { name: "lb", si: 0.45359237, as: ["lb", "lbs"] },
    ],
  },
  density: {
    what: "a density",
    metric: { name: "kg/m³", si: 1 },
    us: { name: "lb/ft³", si: 16.018463 },
    accepts: [
      { name: "kg/m³", si: 1, as: ["kg/m3", "kg/m³"] },
      { name: "lb/ft³", si: 16.018463, as: ["lb/ft3", "lb/ft³", "pcf"] },
    ],
  },
  energy: { what: "an energy", metric: { name: "J", si: 1 }, us: { name: "ft·lbf", si: 1.3558179 }, accepts: [] },
  angle: { what: "an angle", ...same("°"), accepts: [{ name: "°", si: 1, as: ["°", "deg", "degrees"] }], places: 1 },
  degrees: { what: "an angle", ...same("°"), accepts: [{ name: "°", si: 1, as: ["°", "deg", "degrees"] }] },
  speed: {
    what: "a speed",
    metric: { name: "m/s", si: 1 },
    us: { name: "mph", si: 0.44704 },
    accepts: [
      { name: "m/s", si: 1, as: ["m/s"] },
      { name: "mph", si: 0.44704, as: ["mph"] },
      { name: "km/h", si: 1 / 3.6, as: ["km/h", "kmh", "kph"] },
    ],
  },
  ratio: { what: "a plain number", ...same(""), accepts: [] },
  percent: { what: "a share", ...same("%", 0.01), accepts: [{ name: "%", si: 0.01, as: ["%"] }] },
  count: { what: "a whole number", ...same(""), accepts: [], places: 0 },
};

export function unitOf(quantity: Quantity, units: Units): Unit {
  return kinds[quantity][units];
}

/** Three figures, never false precision: 1486 → "1,490", 0.471 → "0.471". */
export function plain(value: number, figures = 3): string {
  if (!Number.isFinite(value)) return "–";
  if (Math.abs(value) < 5e-7) return "0";
  const places = figures - 1 - Math.floor(Math.log10(Math.abs(value)));
  const rounded = places < 0 ? Math.round(value / 10 ** -places) * 10 ** -places : value;
  const digits = Math.min(Math.max(places, 0), 6);
  return rounded
    .toLocaleString("en-GB", { minimumFractionDigits: digits, maximumFractionDigits: digits })
    .replace("-", "−");
}

/** A value without its unit, for reading. */
export function figure(value: number, quantity: Quantity, units: Units): string {
  const kind = kinds[quantity];
  const inUnit = value / kind[units].si;
  // No "−0.0°": what rounds to nothing has no sign.
  return kind.places === undefined
    ? plain(inUnit)
    : inUnit
        .toFixed(kind.places)
        .replace(/^-(0(?:\.0*)?)$/, "$1")
        .replace("-", "−");
}

/** A value with its unit, for reading. */
export function written(value: number, quantity: Quantity, units: Units): string {
  const unit = unitOf(quantity, units).name;
  const number = figure(value, quantity, units);
  return unit === "" ? number : unit === "°" ? `${number}°` : `${number} ${unit}`;
}

/** A value as a field shows it for editing: what was typed comes back, without trailing noise. */
export function editable(value: number, quantity: Quantity, units: Units): string {
  if (quantity === "degrees") return String(Number(value.toFixed(6)));
  return String(
    Number((value / unitOf(quantity, units).si).toPrecision(quantity === "force" && units === "us" ? 4 : 5)),
  );
}

/** A value as a field shows it at rest: what was typed if that was short, else three figures; never 91.864 ft for 28 m. */
export function fielded(value: number, quantity: Quantity, units: Units): string {
  if (quantity === "degrees") return editable(value, quantity, units).replace("-", "−");
  const exact = Number((value / unitOf(quantity, units).si).toPrecision(8));
  const digits = String(Math.abs(exact))
    .replace(".", "")
    .replace(/^0+|0+$/g, "");
  return digits.length <= 4 ? String(exact).replace("-", "−") : String(Number(exact.toPrecision(3))).replace("-", "−");
}

export type Parsed = { value: number } | { problem: string };

const number = String.raw`[-−+]?(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:\s+\d+\/\d+|\/\d+)?`;

/** Reads a number in either system's units: "42 ft", "5'6\"", "3 kN", "1/2 in"; without a unit it is in the field's own. */
export function parse(text: string, quantity: Quantity, units: Units): Parsed {
  const kind = kinds[quantity];
  const own = kind[units];
  const example =
    quantity === "count" ? "2" : editable(own.si * 12, quantity, units) + (own.name === "" ? "" : ` ${own.name}`);
  const trimmed = text.trim();
  if (trimmed === "") return { problem: `Give ${kind.what}, as in ${example}.` };
  if (/\d,\d{3}(?!\d)/.test(trimmed))
    return { problem: "A comma could mean thousands or a decimal: write it without." };

  const parts = [...trimmed.matchAll(new RegExp(`(${number})\\s*([^\\d\\s.,+−-][^\\d,+−-]*)?`, "gy"))];
  if (
    parts.length === 0 ||
    parts
      .map((p) => p[0])
      .join("")
      .replace(/\s/g, "") !== trimmed.replace(/\s/g, "")
  ) {
    return { problem: `“${trimmed}” is not ${kind.what}: write it as in ${example}.` };
  }

  let sum = 0;
  for (const [index, part] of parts.entries()) {
    const unitText = (part[2] ?? "").trim().toLowerCase();
    const unit = unitText === "" ? own : kind.accepts.find((u) => u.as.includes(unitText));
    if (!unit) {
      const known = [kind.metric.name, kind.us.name]
        .filter((n, i, all) => n !== "" && all.indexOf(n) === i)
        .join(" or ");
      return {
        problem:
          known === ""
            ? `“${unitText}” does not belong here: write a plain number.`
            : `“${unitText}” is not a unit of ${kind.what.replace(/^an? /, "")}: write it in ${known}.`,
      };
    }
    if (
      parts.length > 1 &&
      (unitText === "" || !(quantity === "length" || quantity === "thickness" || quantity === "rope") || index > 1)
    ) {
      return { problem: `“${trimmed}” holds more than one number: write it as in ${example}.` };
    }
    sum += fraction(part[1] ?? "") * unit.si;
  }

  if (!Number.isFinite(sum)) return { problem: `“${trimmed}” is not ${kind.what}: write it as in ${example}.` };
  if (quantity === "count" && !Number.isInteger(sum)) return { problem: "Only whole numbers here, as in 2." };
  return { value: sum };
}

function fraction(text: string): number {
  const clean = text.replace("−", "-").replace(",", ".");
  const [whole = "", rest] = clean.split(/\s+/);
  if (rest !== undefined) {
    const part = fraction(rest);
    return Number(whole) < 0 ? Number(whole) - part : Number(whole) + part;
  }
  const [top = "", bottom] = whole.split("/");
  return bottom === undefined ? Number(top) : Number(top) / Number(bottom);
}

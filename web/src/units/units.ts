import table from "../../../src/Draklo.Core/Units/units.json";

/** The units in which a screen writes and reads; values are SI throughout. */
export type Units = "metric" | "us";

/** What a number measures. */
export type Quantity = keyof typeof table.quantities;

interface Unit {
  name: string;
  /** SI value of one. */
  si: number;
}

interface Spelling extends Unit {
  as: string[];
}

interface Kind {
  what: string;
  metric: Unit;
  us: Unit;
  /** The metric unit for less than one of the usual ones. */
  small?: Unit;
  accepts?: keyof typeof table.spellings;
  /** Fixed decimals instead of three figures. */
  places?: number;
  /** What sentences and workings of the server call it. */
  code?: string;
}

/** One table for both sides: the server writes its sentences by it too. */
const kinds = table.quantities as Record<Quantity, Kind>;

const spellings: Record<string, Spelling[]> = table.spellings;

/** Whether a name is one of the quantities of the screens. */
export const isQuantity = (name: string): name is Quantity => name in table.quantities;

/** Quantities by the server's code, as in "kg/m3". */
export const byCode: Partial<Record<string, Quantity>> = Object.fromEntries(
  Object.entries(kinds).flatMap(([quantity, kind]) =>
    kind.code === undefined ? [] : [[kind.code, quantity as Quantity]],
  ),
);

/** Newtons in the weight of a kilogram. */
export const kilogramForce = table.spellings.forces.find((f) => f.name === "kgf")?.si ?? NaN;

export function unitOf(quantity: Quantity, units: Units): Unit {
  return kinds[quantity][units];
}

/** The unit that a value of this size is read in: a small force in newtons. */
function readingUnit(value: number, quantity: Quantity, units: Units): Unit {
  const kind = kinds[quantity];
  return units === "metric" && kind.small && Math.abs(value) < kind.metric.si ? kind.small : kind[units];
}

/** By the number of decimals; made once, for making one costs more than a hundred uses. */
const numbers = Array.from({ length: 7 }, (_, n) => new Intl.NumberFormat("en-GB", { maximumFractionDigits: n }));

/** A floor is rounded up, a ceiling down, everything else to the nearest. */
export type Toward = "nearest" | "up" | "down";

/** What a sum leaves behind its comma sends nothing to the next step. */
const onTheStep = 1e-9;
const rounds: Record<Toward, (steps: number) => number> = {
  nearest: (steps) => Math.round(steps),
  up: (steps) => Math.ceil(steps - onTheStep),
  down: (steps) => Math.floor(steps + onTheStep),
};

/** Three figures, never false precision: 1486 → "1,490", 0.471 → "0.471", 13 → "13". */
export function plain(value: number, figures = 3, toward: Toward = "nearest"): string {
  if (!Number.isFinite(value)) return "–";
  if (Math.abs(value) < 5e-7) return "0";
  const places = figures - 1 - Math.floor(Math.log10(Math.abs(value)));
  const rounded =
    places < 0
      ? rounds[toward](value / 10 ** -places) * 10 ** -places
      : toward === "nearest"
        ? value
        : rounds[toward](value * 10 ** places) / 10 ** places;
  return (numbers[Math.min(Math.max(places, 0), 6)] as Intl.NumberFormat)
    .format(rounded)
    .replace(/^-0$/, "0")
    .replace("-", "−");
}

/** A value without its unit, for a column that names it. */
export function figure(value: number, quantity: Quantity, units: Units): string {
  return inUnit(value, quantity, kinds[quantity][units]);
}

/** A value with its unit, for reading. */
export function written(value: number, quantity: Quantity, units: Units, toward: Toward = "nearest"): string {
  const unit = readingUnit(value, quantity, units);
  return withUnit(inUnit(value, quantity, unit, toward), unit);
}

/** Two values with one unit between them: "120 to 350 N". */
export function range(low: number, high: number, quantity: Quantity, units: Units): string {
  const unit = readingUnit(Math.max(Math.abs(low), Math.abs(high)), quantity, units);
  return `${inUnit(low, quantity, unit)} to ${withUnit(inUnit(high, quantity, unit), unit)}`;
}

function inUnit(value: number, quantity: Quantity, unit: Unit, toward: Toward = "nearest"): string {
  const places = kinds[quantity].places;
  if (places === undefined) return plain(value / unit.si, 3, toward);
  const at = 10 ** places;
  const rounded = toward === "nearest" ? value / unit.si : rounds[toward]((value / unit.si) * at) / at;
  // No "−0°": what rounds to nothing has no sign.
  return String(Number(rounded.toFixed(places)) + 0).replace("-", "−");
}

function withUnit(number: string, unit: Unit): string {
  return unit.name === "" ? number : unit.name === "°" ? `${number}°` : `${number} ${unit.name}`;
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

  const parts = [
    ...trimmed.matchAll(new RegExp(`(${number})\\s*([^\\d\\s.,+−-](?:[^\\d,+−-]|(?<=\\/[a-z]{1,2})[23])*)?`, "gy")),
  ];
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
    const unitText = (part[2] ?? "").trim();
    const unit =
      unitText === "" ? own : (spellings[kind.accepts ?? ""] ?? []).find((u) => u.as.includes(unitText.toLowerCase()));
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

/** Reading and changing a document by the path of a member, as problems and guesses name it: "lines[0].seat.heightM". */

type Step = string | number;

/** Taken apart before: every field asks for its own path at every step of a drag. */
const known = new Map<string, readonly Step[]>();
const mostKnown = 2000;

export function steps(path: string): readonly Step[] {
  const before = known.get(path);
  if (before) return before;
  const found = path
    .split(/[.[\]]+/)
    .filter((s) => s !== "")
    .map((s) => (/^\d+$/.test(s) ? Number(s) : s));
  if (known.size < mostKnown) known.set(path, found);
  return found;
}

export function valueAt(document: unknown, path: string): unknown {
  let value: unknown = document;
  for (const step of steps(path)) {
    if (value === null || typeof value !== "object") return undefined;
    value = (value as Record<Step, unknown>)[step];
  }
  return value;
}

/** The same document with one member changed; undefined takes the member away. Groups on the way that are missing are made. */
export function withValue<T>(document: T, path: string, value: unknown): T {
  return change(document, steps(path), value) as T;
}

function change(node: unknown, [step, ...rest]: readonly Step[], value: unknown): unknown {
  if (step === undefined) return value;
  if (Array.isArray(node))
    return node.map((item: unknown, index) => (index === step ? change(item, rest, value) : item));
  const group = (node ?? {}) as Record<Step, unknown>;
  const next = change(group[step], rest, value);
  return Object.fromEntries(
    Object.entries({ ...group, [step]: next }).filter(([key]) => next !== undefined || key !== String(step)),
  );
}

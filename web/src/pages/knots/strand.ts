/** Ropes as curves in space, seen from the front: which part lies over which follows from their depth. */

/** Across, down the sheet, and toward the viewer. */
export type P = [x: number, y: number, z?: number];

export interface Sample {
  x: number;
  y: number;
  z: number;
}

export type Strand = Sample[];

/** A smooth curve through points; depth runs evenly between those that give one. */
export function through(points: P[], steps = 14): Strand {
  const at = (i: number): P => points[Math.min(Math.max(i, 0), points.length - 1)] ?? [0, 0, 0];
  const samples: Strand = [];
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    for (let s = 0; s < steps; s++) {
      const t = s / steps;
      samples.push({
        x: spline(a[0], b[0], c[0], d[0], t),
        y: spline(a[1], b[1], c[1], d[1], t),
        z: (b[2] ?? 0) * (1 - t) + (c[2] ?? 0) * t,
      });
    }
  }
  const last = at(points.length - 1);
  samples.push({ x: last[0], y: last[1], z: last[2] ?? 0 });
  return samples;
}

function spline(a: number, b: number, c: number, d: number, t: number): number {
  return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
}

/** Turns round a level axis: from one place along it to another, beginning at an angle of 0 in front, a quarter turn up. */
export function turns(
  from: number,
  to: number,
  axis: number,
  radius: number,
  fromTurn: number,
  toTurn: number,
  steps = 20,
): P[] {
  const count = Math.max(2, Math.round(Math.abs(toTurn - fromTurn) * steps));
  return Array.from({ length: count + 1 }, (_, i) => {
    const share = i / count;
    const angle = 2 * Math.PI * (fromTurn + (toTurn - fromTurn) * share);
    return [from + (to - from) * share, axis - radius * Math.sin(angle), radius * Math.cos(angle)];
  });
}

/** A curve beside another, to its left for positive distances as it runs. */
export function beside(strand: Strand, distance: number): Strand {
  return strand.map((p, i) => {
    const a = strand[Math.max(0, i - 1)] ?? p;
    const b = strand[Math.min(strand.length - 1, i + 1)] ?? p;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: p.x + (distance * (b.y - a.y)) / length, y: p.y - (distance * (b.x - a.x)) / length, z: p.z };
  });
}

export function reversed(strand: Strand): Strand {
  return [...strand].reverse();
}

export function moved(strand: Strand, x: number, y: number): Strand {
  return strand.map((p) => ({ x: p.x + x, y: p.y + y, z: p.z }));
}

export interface Crossing {
  x: number;
  y: number;
  over: { strand: number; at: number };
  under: { strand: number; at: number };
}

/** Two passes drawn through the very same point would cross there twice, or not at all; a thousandth of a pixel tells them apart. */
const shaken = (strand: Strand, n: number): Strand =>
  strand.map((p, i) => ({ ...p, x: p.x + 1e-3 * Math.sin(i * 12.9898 + n), y: p.y + 1e-3 * Math.sin(i * 78.233 + n) }));

/** Every place where the curves cross, seen from the front. Places along a strand are sample numbers with fractions. */
export function crossings(drawn: Strand[]): Crossing[] {
  const strands = drawn.map(shaken);
  const found: Crossing[] = [];
  strands.forEach((one, i) => {
    strands.slice(i).forEach((other, k) => {
      const j = i + k;
      for (let a = 0; a + 1 < one.length; a++) {
        for (let b = j === i ? a + 2 : 0; b + 1 < other.length; b++) {
          const hit = meet(one[a], one[a + 1], other[b], other[b + 1]);
          if (!hit) continue;
          const first = { strand: i, at: a + hit.t };
          const second = { strand: j, at: b + hit.u };
          found.push(
            hit.z1 >= hit.z2
              ? { x: hit.x, y: hit.y, over: first, under: second }
              : { x: hit.x, y: hit.y, over: second, under: first },
          );
        }
      }
    });
  });
  return found;
}

function meet(
  a?: Sample,
  b?: Sample,
  c?: Sample,
  d?: Sample,
): { x: number; y: number; t: number; u: number; z1: number; z2: number } | null {
  if (!a || !b || !c || !d) return null;
  if (
    Math.max(a.x, b.x) < Math.min(c.x, d.x) ||
    Math.max(c.x, d.x) < Math.min(a.x, b.x) ||
    Math.max(a.y, b.y) < Math.min(c.y, d.y) ||
    Math.max(c.y, d.y) < Math.min(a.y, b.y)
  )
    return null;
  const rx = b.x - a.x;
  const ry = b.y - a.y;
  const sx = d.x - c.x;
  const sy = d.y - c.y;
  const cross = rx * sy - ry * sx;
  if (Math.abs(cross) < 1e-12) return null;
  const t = ((c.x - a.x) * sy - (c.y - a.y) * sx) / cross;
  const u = ((c.x - a.x) * ry - (c.y - a.y) * rx) / cross;
  if (t < 0 || t >= 1 || u < 0 || u >= 1) return null;
  return { x: a.x + t * rx, y: a.y + t * ry, t, u, z1: a.z + t * (b.z - a.z), z2: c.z + u * (d.z - c.z) };
}

/**
 * Gives a curve depth so that it runs over and under by turns, beginning over. For knots whose flat picture alternates, as
 * the overhand and the figure of eight do.
 */
export function alternating(strand: Strand, firstOver = true): Strand {
  const flat = strand.map((p) => ({ ...p, z: 0 }));
  const passes = crossings([flat])
    .flatMap((c) => [c.over.at, c.under.at])
    .sort((a, b) => a - b);
  return flat.map((p, i) => {
    const next = passes.findIndex((at) => at >= i);
    const after = next < 0 ? passes.length : next;
    const depth = (n: number): number => (n < 0 || n >= passes.length ? 0 : (n % 2 === 0) === firstOver ? 1 : -1);
    const before = after - 1;
    const from = passes[before] ?? 0;
    const to = passes[after] ?? strand.length - 1;
    const share = to === from ? 0 : (i - from) / (to - from);
    return { ...p, z: depth(before) * (1 - share) + depth(after) * share };
  });
}

/** Over and under along each rope from its beginning, crossing by crossing: "o" and "u". */
export function words(strands: Strand[]): string[] {
  const found = crossings(strands);
  return strands.map((_, n) =>
    found
      .flatMap((c) => [
        { ...c.over, letter: "o" },
        { ...c.under, letter: "u" },
      ])
      .filter((p) => p.strand === n)
      .sort((a, b) => a.at - b.at)
      .map((p) => p.letter)
      .join(""),
  );
}

/** Each rope with its two ends joined outside, over everything; where two of these arcs cross, the earlier rope's lies on top. */
const joined = (open: Strand[]): Strand[] =>
  open.map((s, n) => {
    const [first, last, z] = [s[0], s[s.length - 1], 1e6 - n];
    return first && last ? [{ ...first, z }, ...s, { ...last, z }, { ...first, z }] : s;
  });

/**
 * The determinant of what the ropes make once the two ends of each are joined outside, over everything: 1 for a rope that comes
 * apart as if it had never been tied, 3 for an overhand, 5 for a figure of eight. Counted by Fox's colouring matrix.
 */
export function determinant(...open: Strand[]): number {
  const strands = joined(open);
  const found = crossings(strands);
  const unders = strands.map((_, n) =>
    found
      .filter((c) => c.under.strand === n)
      .map((c) => c.under.at)
      .sort((a, b) => a - b),
  );
  // A rope that nothing crosses over is one arc; any other has as many arcs as it goes under.
  const before = unders.map((_, n) => unders.slice(0, n).reduce((sum, u) => sum + Math.max(1, u.length), 0));
  const arcs = unders.reduce((sum, u) => sum + Math.max(1, u.length), 0);
  if (found.length < 2) return strands.length > 1 ? 0 : 1;
  const arcAt = (pass: { strand: number; at: number }): number => {
    const own = unders[pass.strand] ?? [];
    return (before[pass.strand] ?? 0) + (own.filter((u) => u < pass.at - 1e-9).length % Math.max(1, own.length));
  };
  const rows = found.map((c) => {
    const row = new Array<number>(arcs).fill(0);
    const add = (arc: number, by: number) => (row[arc] = (row[arc] ?? 0) + by);
    add(arcAt(c.over), 2);
    add(arcAt(c.under), -1);
    add(arcAt({ ...c.under, at: c.under.at + 1e-6 }), -1);
    return row;
  });
  return Math.round(Math.abs(minor(rows)));
}

/** How often two ropes wind round each other once each is joined at its ends: half the sum of the signs where they cross. */
export function linking(a: Strand, b: Strand): number {
  const both = joined([a, b]);
  const way = (pass: { strand: number; at: number }): [number, number] => {
    const s = both[pass.strand] ?? [];
    const [p, q] = [s[Math.floor(pass.at)], s[Math.floor(pass.at) + 1]];
    return p && q ? [q.x - p.x, q.y - p.y] : [0, 0];
  };
  const signs = crossings(both)
    .filter((c) => c.over.strand !== c.under.strand)
    .map((c) => {
      const [[ox, oy], [ux, uy]] = [way(c.over), way(c.under)];
      return Math.sign(ox * uy - oy * ux);
    });
  return signs.reduce((sum, s) => sum + s, 0) / 2;
}

/** The determinant of a matrix without its last row and column. */
function minor(rows: number[][]): number {
  const size = rows.length - 1;
  const m = rows.slice(0, size).map((r) => r.slice(0, size));
  let product = 1;
  for (let i = 0; i < size; i++) {
    let best = i;
    for (let r = i + 1; r < size; r++) if (Math.abs(m[r]?.[i] ?? 0) > Math.abs(m[best]?.[i] ?? 0)) best = r;
    const pivotRow = m[best];
    const swapped = m[i];
    const pivot = pivotRow?.[i] ?? 0;
    if (!pivotRow || !swapped || Math.abs(pivot) < 1e-9) return 0;
    if (best !== i) {
      m[best] = swapped;
      m[i] = pivotRow;
      product = -product;
    }
    product *= pivot;
    for (let r = i + 1; r < size; r++) {
      const row = m[r];
      const factor = (row?.[i] ?? 0) / pivot;
      if (row) for (let k = i; k < size; k++) row[k] = (row[k] ?? 0) - factor * (pivotRow[k] ?? 0);
    }
  }
  return product;
}

/** The stretch of a strand around a place on it, so long to either side in pixels. */
export function stretch(strand: Strand, at: number, reach: number): Strand {
  const point = (i: number): Sample => {
    const a = strand[Math.floor(i)];
    const b = strand[Math.min(strand.length - 1, Math.floor(i) + 1)];
    if (!a || !b) return { x: 0, y: 0, z: 0 };
    const t = i - Math.floor(i);
    return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t, z: a.z + (b.z - a.z) * t };
  };
  const walk = (step: 1 | -1): Sample[] => {
    const out: Sample[] = [];
    let left = reach;
    let here = point(at);
    let i = step > 0 ? Math.floor(at) + 1 : Math.ceil(at) - 1;
    for (; i >= 0 && i < strand.length && left > 0; i += step) {
      const next = strand[i];
      if (!next) break;
      const length = Math.hypot(next.x - here.x, next.y - here.y);
      if (length >= left) {
        const share = left / (length || 1);
        out.push({ x: here.x + (next.x - here.x) * share, y: here.y + (next.y - here.y) * share, z: next.z });
        left = 0;
      } else {
        out.push(next);
        left -= length;
      }
      here = next;
    }
    return out;
  };
  return [...walk(-1).reverse(), point(at), ...walk(1)];
}

import type { Analysis, Figure, LayPoint } from "../api/types";

/** A place on the drawing before scaling: metres to the right and up, seen square to the main line. */
export interface Flat {
  x: number;
  y: number;
}

/** Metres to pixels, the same both ways. */
export interface Scale {
  perMetre: number;
  left: number;
  bottom: number;
}

/** Seen square to the main line: what lies along it is true to scale, what lies off it is shortened. */
export function flatten(point: LayPoint, viewDeg: number): Flat {
  const turn = (viewDeg * Math.PI) / 180;
  return { x: point.forwardM * Math.cos(turn) + point.rightM * Math.sin(turn), y: point.upM };
}

/** A point of the tree once it has been tipped forward about the hinge. */
export function tipped(point: LayPoint, deg: number): LayPoint {
  const angle = (deg * Math.PI) / 180;
  return {
    forwardM: point.forwardM * Math.cos(angle) + point.upM * Math.sin(angle),
    rightM: point.rightM,
    upM: point.upM * Math.cos(angle) - point.forwardM * Math.sin(angle),
  };
}

export interface Bounds {
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

/** What the elevation must show: the whole tree, every anchor and the ground under them. */
export function boundsOf(figure: Figure): Bounds {
  const anchors = figure.lines.flatMap((l) =>
    [...l.turns, l.anchor].map((p) => ({ ...flatten(p, figure.viewDeg), ground: l.anchorGroundUpM })),
  );
  const stem = figure.stem.map((s) => flatten(s, figure.viewDeg).x);
  return {
    minX: Math.min(-4, Math.min(...stem) - figure.crown.reachBehindM - 0.5, ...anchors.map((a) => a.x - 1)),
    maxX: Math.max(4, Math.max(...stem) + figure.crown.reachAheadM + 0.5, ...anchors.map((a) => a.x + 4.5)),
    minY: Math.min(figure.groundUpM, ...anchors.map((a) => a.ground)),
    maxY: Math.max(figure.crown.topUpM, ...anchors.map((a) => a.y)),
  };
}

/** Where the ground is known: under the anchors and the redirects. */
export function groundOf(analysis: Pick<Analysis, "figure" | "pull">): Flat[] {
  const { figure, pull } = analysis;
  return figure.lines.flatMap((line, i) => [
    { x: flatten(line.anchor, figure.viewDeg).x, y: line.anchorGroundUpM },
    ...(pull.lines[i]?.redirects ?? []).map((r) => ({ x: flatten(r.at, figure.viewDeg).x, y: r.groundUpM })),
  ]);
}

/** The largest scale at which the bounds fit a picture with margins. */
export function fit(
  bounds: Bounds,
  width: number,
  height: number,
  margin: { top: number; right: number; bottom: number; left: number },
): Scale {
  const across = width - margin.left - margin.right;
  const upright = height - margin.top - margin.bottom;
  const perMetre = Math.max(0.5, Math.min(across / (bounds.maxX - bounds.minX), upright / (bounds.maxY - bounds.minY)));
  const spare = across - perMetre * (bounds.maxX - bounds.minX);
  return {
    perMetre,
    left: margin.left + spare / 2 - bounds.minX * perMetre,
    bottom: height - margin.bottom + bounds.minY * perMetre,
  };
}

export function toPixels(scale: Scale, at: Flat): Flat {
  return { x: scale.left + at.x * scale.perMetre, y: scale.bottom - at.y * scale.perMetre };
}

export function toMetres(scale: Scale, at: Flat): Flat {
  return { x: (at.x - scale.left) / scale.perMetre, y: (scale.bottom - at.y) / scale.perMetre };
}

/** The tension of the pull curve at an angle, between the points that the server computed; 0 past commit. */
export function tensionAt(curve: { deg: number; tensionN: number }[], deg: number): number {
  const next = curve.findIndex((p) => p.deg >= deg);
  const after = curve[next];
  const before = curve[next - 1];
  if (!after) return 0;
  if (!before || after.deg === before.deg) return after.tensionN;
  return before.tensionN + ((after.tensionN - before.tensionN) * (deg - before.deg)) / (after.deg - before.deg);
}

/** A round length for the scale bar, no longer than so many pixels: 1, 2 or 5 times a power of ten, in the shown unit. */
export function barLength(perUnit: number, most: number): number {
  const largest = most / perUnit;
  const power = 10 ** Math.floor(Math.log10(largest));
  return ([5, 2, 1].find((n) => n * power <= largest) ?? 1) * power;
}

export function pathOf(points: Flat[], closed = false): string {
  return (
    points.map((p, i) => `${i === 0 ? "M" : "L"}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join("") + (closed ? "Z" : "")
  );
}

/**
 * Hatching inside an outline, as one path. A browser paints this much faster than a pattern fill, and the largest hatched
 * shapes are painted again at every step of a drag.
 */
export function hatchPath(outline: Flat[], spacing: number, deg: number): string {
  const sin = Math.sin((deg * Math.PI) / 180);
  const cos = Math.cos((deg * Math.PI) / 180);
  // Turned so that the hatching runs level; turned back when it is written out.
  const turned = outline.map((p) => ({ x: p.x * cos + p.y * sin, y: p.y * cos - p.x * sin }));
  const lowest = Math.min(...turned.map((p) => p.y));
  const highest = Math.max(...turned.map((p) => p.y));
  let path = "";
  for (let y = Math.ceil(lowest / spacing) * spacing; y < highest; y += spacing) {
    const crossings: number[] = [];
    turned.forEach((a, i) => {
      const b = turned[(i + 1) % turned.length] ?? a;
      if (a.y <= y !== b.y <= y) crossings.push(a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y));
    });
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const [from = 0, to = 0] = [crossings[i], crossings[i + 1]];
      path += `M${(from * cos - y * sin).toFixed(1)} ${(from * sin + y * cos).toFixed(1)}L${(to * cos - y * sin).toFixed(1)} ${(to * sin + y * cos).toFixed(1)}`;
    }
  }
  return path;
}

/** A crown's outline about the stem: fuller below for conifers, round for broadleaves, its edge a little ragged. */
export function crownOutline(figure: Figure, tiltDeg: number): Flat[] {
  const { baseUpM, topUpM, reachAheadM, reachBehindM } = figure.crown;
  const count = 56;
  return Array.from({ length: count }, (_, i) => {
    const turn = (2 * Math.PI * i) / count;
    const level = (1 - Math.cos(turn)) / 2;
    const side = Math.sin(turn);
    const ragged = 1 + 0.05 * Math.sin(turn * 9) + 0.035 * Math.sin(turn * 17 + 1.3);
    const full = figure.conifer ? Math.min(1, level / 0.12) * (1 - Math.max(0, level - 0.12) / 0.88) : Math.abs(side);
    const reach = (side >= 0 ? reachAheadM : -reachBehindM) * full * ragged;
    const up = baseUpM + (topUpM - baseUpM) * level;
    const middle = stemAt(figure, up);
    // The reach lies along the main line; it is tipped with the stem's own turn.
    const at = tipped(middle, tiltDeg);
    const flat = flatten(at, figure.viewDeg);
    const lift = reach * Math.cos((figure.viewDeg * Math.PI) / 180) * Math.sin((tiltDeg * Math.PI) / 180);
    return { x: flat.x + reach * Math.cos((tiltDeg * Math.PI) / 180), y: flat.y - lift };
  });
}

/** The stem's middle at a height above the cut, between the slices that the server placed. */
export function stemAt(figure: Figure, up: number): LayPoint {
  const slices = figure.stem;
  const next = slices.findIndex((s) => s.upM >= up);
  const after = slices[next] ?? slices[slices.length - 1];
  const before = slices[next - 1];
  if (!after || !before) return after ?? { forwardM: 0, rightM: 0, upM: up };
  const share = (up - before.upM) / (after.upM - before.upM);
  return {
    forwardM: before.forwardM + (after.forwardM - before.forwardM) * share,
    rightM: before.rightM + (after.rightM - before.rightM) * share,
    upM: up,
  };
}

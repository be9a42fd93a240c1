/** How far a drawing is magnified, and how its corner is moved, in pixels of its pane. */
export interface Magnified {
  scale: number;
  x: number;
  y: number;
}

export const plain: Magnified = { scale: 1, x: 0, y: 0 };
const most = 5;

interface Finger {
  x: number;
  y: number;
}

/** Where two fingers that stood at `from` and stand at `to` leave a drawing that began at `at`; its pane stays covered. */
export function pinched(
  at: Magnified,
  from: [Finger, Finger],
  to: [Finger, Finger],
  pane: { width: number; height: number },
): Magnified {
  const apart = ([a, b]: [Finger, Finger]) => Math.hypot(a.x - b.x, a.y - b.y) || 1;
  const middle = ([a, b]: [Finger, Finger]) => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const [began, now] = [middle(from), middle(to)];
  const scale = Math.min(most, Math.max(1, (at.scale * apart(to)) / apart(from)));
  // The point of the drawing that was between the fingers stays between them.
  const place = { x: (began.x - at.x) / at.scale, y: (began.y - at.y) / at.scale };
  return kept({ scale, x: now.x - place.x * scale, y: now.y - place.y * scale }, pane);
}

function kept({ scale, x, y }: Magnified, pane: { width: number; height: number }): Magnified {
  const clamped = (value: number, size: number) => Math.min(0, Math.max(size - size * scale, value));
  return { scale, x: clamped(x, pane.width), y: clamped(y, pane.height) };
}

/** Where a drawing lies in the window, and how much it is magnified. */
export interface Frame {
  left: number;
  top: number;
  scale: number;
}

/** Measures a drawing; while a hand drags, once is enough: measuring after a change makes the browser lay out at once. */
export function frameOf(svg: SVGSVGElement | null | undefined): Frame {
  const box = svg?.getBoundingClientRect();
  if (!svg || !box) return { left: 0, top: 0, scale: 1 };
  const scale = box.width > 0 ? box.width / (svg.width.baseVal.value || box.width) : 1;
  return { left: box.left, top: box.top, scale };
}

/** A pointer in pixels of a drawing that lies in this frame. */
export const within = ({ left, top, scale }: Frame, event: { clientX: number; clientY: number }) => ({
  x: (event.clientX - left) / scale,
  y: (event.clientY - top) / scale,
});

/** A pointer in pixels of a drawing, whatever it is magnified to. */
export function pointIn(
  svg: SVGSVGElement | null | undefined,
  event: { clientX: number; clientY: number },
): { x: number; y: number } {
  return within(frameOf(svg), event);
}

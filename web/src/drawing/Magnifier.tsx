import { useEffect, useRef, useState, type ReactNode } from "react";
import { pinched, plain } from "./pinch";

/**
 * A drawing under two fingers: they magnify and move it, not the page. One finger is the drawing's own, all the way: its
 * handles are dragged with it.
 */
export function Magnifier({ children }: { children: ReactNode }) {
  const pane = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState(plain);
  const latest = useRef(shown);
  useEffect(() => {
    latest.current = shown;
  }, [shown]);
  useEffect(() => {
    const element = pane.current;
    if (!element) return undefined;
    const fingers = new Map<number, { x: number; y: number }>();
    let began: { at: typeof plain; from: [Finger, Finger] } | null = null;
    const at = (event: PointerEvent): Finger => {
      const box = element.getBoundingClientRect();
      return { x: event.clientX - box.left, y: event.clientY - box.top };
    };
    const down = (event: PointerEvent) => {
      if (event.pointerType !== "touch") return;
      fingers.set(event.pointerId, at(event));
      const [a, b] = [...fingers.values()];
      if (fingers.size === 2 && a && b) {
        began = { at: latest.current, from: [a, b] };
        event.stopPropagation();
      }
    };
    const move = (event: PointerEvent) => {
      if (!fingers.has(event.pointerId)) return;
      fingers.set(event.pointerId, at(event));
      const [a, b] = [...fingers.values()];
      if (!began || !a || !b) return;
      event.stopPropagation();
      event.preventDefault();
      setShown(pinched(began.at, began.from, [a, b], { width: element.clientWidth, height: element.clientHeight }));
    };
    const up = (event: PointerEvent) => {
      fingers.delete(event.pointerId);
      if (fingers.size < 2) began = null;
    };
    // Before the handles hear of it, so that a second finger takes the drawing and not what is under it.
    element.addEventListener("pointerdown", down, true);
    element.addEventListener("pointermove", move, true);
    for (const end of ["pointerup", "pointercancel"] as const) element.addEventListener(end, up, true);
    return () => {
      element.removeEventListener("pointerdown", down, true);
      element.removeEventListener("pointermove", move, true);
      for (const end of ["pointerup", "pointercancel"] as const) element.removeEventListener(end, up, true);
    };
  }, []);
  const { scale, x, y } = shown;
  return (
    <div ref={pane} data-drawing-pane className="relative h-full touch-none overflow-hidden">
      <div
        className="h-full origin-top-left"
        style={scale === 1 ? undefined : { transform: `translate(${x}px, ${y}px) scale(${scale})` }}
      >
        {children}
      </div>
      {scale > 1 && (
        <button
          type="button"
          className="absolute bottom-2 right-2 min-h-11 border border-ink bg-sheet px-3 font-tight text-sm font-medium"
          onClick={() => {
            setShown(plain);
          }}
        >
          Whole drawing
        </button>
      )}
    </div>
  );
}

interface Finger {
  x: number;
  y: number;
}

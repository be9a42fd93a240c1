import { useLayoutEffect, useRef, type RefObject } from "react";
import { held } from "./held";
import { layOut, type Box } from "./labels";

/**
 * Moves the lettering of a drawing until no text covers another. What may not move is marked data-fixed; what finds no place at all
 * is hidden, the least of it first: texts stand in the order of their weight.
 */
export function useLaidOut(svg: RefObject<SVGSVGElement | null>): void {
  const before = useRef(new WeakMap<Element, [number, number]>());
  useLayoutEffect(() => {
    const drawing = svg.current;
    // Under a hand that drags, lettering keeps its moves: it is laid out again when the hand lets go.
    if (!drawing || held.now) return;
    // Beside lettering, marks that no lettering may cover.
    const texts = [...drawing.querySelectorAll<SVGGraphicsElement>("text, [data-block]")].filter(
      (t) => t.tagName !== "text" || t.textContent !== "",
    );
    // Written back first, read together, then written: the browser lays out once.
    for (const text of texts) {
      text.style.removeProperty("transform");
      text.style.removeProperty("visibility");
    }
    const frame = drawing.getBoundingClientRect();
    if (frame.width === 0) return;
    const enlarged = frame.width / (drawing.clientWidth || frame.width);
    const boxes = texts.map((text): Box => {
      const r = text.getBoundingClientRect();
      return {
        x: (r.left - frame.left) / enlarged,
        y: (r.top - frame.top) / enlarged,
        width: r.width / enlarged,
        height: r.height / enlarged,
        fixed: text.closest("[data-fixed], [data-block]") !== null,
        block: text.hasAttribute("data-block"),
        still: text.hasAttribute("data-still") || text.hasAttribute("transform"),
        near: text.hasAttribute("data-near"),
        first: text.hasAttribute("data-first"),
        last: before.current.get(text),
      };
    });
    layOut(boxes, drawing.clientWidth || frame.width, drawing.clientHeight || frame.height).forEach((move, i) => {
      const text = texts[i];
      if (!text) return;
      if (move === null) text.style.visibility = "hidden";
      else if (move[0] !== 0 || move[1] !== 0) text.style.transform = `translate(${move[0]}px, ${move[1]}px)`;
      before.current.set(text, move ?? [0, 0]);
    });
  });
}

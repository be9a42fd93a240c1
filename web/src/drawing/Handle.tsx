import { useRef, type KeyboardEvent } from "react";
import { takeHold, letGo } from "../state/hands";
import { held, useHeldBy } from "./held";
import { usePaper } from "./paper";
import { frameOf, within, type Frame } from "./pinch";
import type { Flat } from "./projection";

interface HandleProps {
  at: Flat;
  name: string;
  /** What a slider tells a screen reader. */
  now: number;
  min: number;
  max: number;
  text: string;
  /** The pointer, in pixels of the drawing, less where it took hold. */
  onMove: (to: Flat) => void;
  /** Arrow keys: −1, 0 or 1 each way, ten times as much with Shift. */
  onStep: (across: number, up: number) => void;
  onGrab?: () => void;
  onRelease: () => void;
  lit?: boolean;
  id: string;
  shape?: "ring" | "square" | "bar";
  /** Drawn as a letter in a disc in place of the shape. */
  letter?: string;
}

/** A part of the drawing that can be taken hold of: by mouse, by touch, and with the arrow keys once it has focus. */
export function Handle({
  at,
  name,
  now,
  min,
  max,
  text,
  onMove,
  onStep,
  onGrab,
  onRelease,
  lit = false,
  id,
  shape = "ring",
  letter,
}: HandleProps) {
  /** Where the hand took hold, from the handle's middle, and where the drawing lay then. */
  const hold = useRef<{ from: Flat; frame: Frame } | null>(null);
  const paper = usePaper();
  const by = useHeldBy(id);

  function release(): void {
    hold.current = null;
    held.now = false;
    letGo();
    onRelease();
  }

  function onKeyDown(event: KeyboardEvent<SVGGElement>): void {
    if (by !== null) return;
    const far = event.shiftKey ? 10 : 1;
    const move = { ArrowLeft: [-far, 0], ArrowRight: [far, 0], ArrowUp: [0, far], ArrowDown: [0, -far] }[event.key];
    if (!move) return;
    event.preventDefault();
    onStep(move[0] ?? 0, move[1] ?? 0);
  }

  const shapes = <Shape shape={shape} lit={lit} letter={letter} />;
  if (paper)
    return <g transform={`translate(${at.x.toFixed(1)} ${at.y.toFixed(1)})`}>{letter === undefined ? null : shapes}</g>;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={now}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={text}
      data-handle={id}
      aria-disabled={by !== null}
      transform={`translate(${at.x.toFixed(1)} ${at.y.toFixed(1)})`}
      className="group cursor-grab touch-none outline-none active:cursor-grabbing"
      onPointerDown={(event) => {
        if (event.button !== 0 || by !== null) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus();
        const frame = frameOf(event.currentTarget.ownerSVGElement);
        const from = within(frame, event);
        hold.current = { from: { x: from.x - at.x, y: from.y - at.y }, frame };
        held.now = true;
        takeHold(id);
        onGrab?.();
      }}
      onPointerMove={(event) => {
        if (!hold.current) return;
        const { from, frame } = hold.current;
        const to = within(frame, event);
        onMove({ x: to.x - from.x, y: to.y - from.y });
      }}
      onPointerUp={release}
      onPointerCancel={release}
      onKeyDown={onKeyDown}
      onKeyUp={onRelease}
    >
      <circle r={22} fill="transparent" />
      <circle
        r={13}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray="3 3"
        className="opacity-0 group-hover:opacity-60 group-focus-visible:opacity-100"
      />
      {shapes}
      {by !== null && (
        <text y={-18} textAnchor="middle" className="halo font-tight text-[12px] font-semibold" data-held-by={by}>
          {by} moves it
        </text>
      )}
    </g>
  );
}

function Shape({ shape, lit, letter }: Required<Pick<HandleProps, "shape" | "lit">> & { letter: string | undefined }) {
  return (
    <>
      {letter !== undefined && (
        <>
          <circle r={10} fill="var(--ink)" data-block />
          <text
            y={4.5}
            textAnchor="middle"
            fill="var(--sheet)"
            data-still
            data-first
            className="font-tight text-[12px] font-semibold"
          >
            {letter}
          </text>
        </>
      )}
      {letter === undefined && shape === "ring" && (
        <circle r={7} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={lit ? 4 : 2.5} />
      )}
      {letter === undefined && shape === "ring" && <circle r={2.2} fill="var(--ink)" />}
      {shape === "square" && (
        <rect
          x={-6}
          y={-6}
          width={12}
          height={12}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={lit ? 4 : 2.5}
        />
      )}
      {shape === "bar" && (
        <rect x={-12} y={-4} width={24} height={8} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      )}
    </>
  );
}

import { useRef, useState } from "react";
import type { Clearing, ClearingAnalysis, WayResult } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { PiecesAbove } from "./PiecesAbove";
import { fit, toMetres, toPixels, type Flat, type Scale } from "./projection";
import { ScaleBar } from "./ScaleBar";
import { sectionBounds } from "./section";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";

const margin = { top: 24, right: 30, bottom: 52, left: 30 };

/** How far to the side people may stand in the drawing, metres. */
const side = 16;

interface AboveProps {
  clearing: Clearing;
  analysis: ClearingAnalysis;
  way: WayResult;
}

/** The same from above: where nobody stands while loads move, and where everybody does. Right of the section is below. */
export function ClearAbove({ clearing, way, analysis }: AboveProps) {
  const [box, size] = useSize<HTMLDivElement>();
  const [held, setHeld] = useState<Scale | null>(null);
  const across = sectionBounds(clearing, way);
  const off = Math.max(
    side,
    ...clearing.people.map((p) => Math.abs(p.offM) + 2),
    ...analysis.pieces.map((p) => Math.abs(p.asideM) + 2),
  );
  const scale = held ?? fit({ ...across, minY: -off, maxY: off }, size.width, size.height, margin);
  return (
    <div ref={box} className="h-full w-full overflow-hidden">
      {size.width > 0 && (
        <Above
          clearing={clearing}
          analysis={analysis}
          way={way}
          scale={scale}
          width={size.width}
          height={size.height}
          hold={(on) => {
            setHeld(on ? scale : null);
          }}
        />
      )}
    </div>
  );
}

function Above({
  clearing,
  analysis,
  way,
  scale,
  width,
  height,
  hold,
}: AboveProps & { scale: Scale; width: number; height: number; hold: (on: boolean) => void }) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const release = useSheet((s) => s.release);
  // What lies right of the section is drawn below it.
  const px = (x: number, right: number): Flat => toPixels(scale, { x, y: -right });
  const spots = clearing.ground.spots;
  return (
    <svg ref={svg} width={width} height={height} role="group" aria-label="The clearing from above">
      {clearing.ground.obstacles.map((o) => (
        <g key={`${o.name}-${o.fromM}`}>
          <rect
            x={px(o.fromM, 0).x}
            y={0}
            width={(o.toM - o.fromM) * scale.perMetre}
            height={height}
            fill="var(--tint)"
            stroke="var(--ink)"
            strokeWidth={0.8}
            strokeDasharray="5 4"
          />
          <text
            x={px((o.fromM + o.toM) / 2, 0).x}
            y={16}
            textAnchor="middle"
            className="fill-ink font-tight text-[13px]"
          >
            {o.name}
          </text>
        </g>
      ))}
      {way.lines
        .filter((l) => l.loaded)
        .map((l) =>
          l.points.map((p, i) => {
            const before = l.points[i - 1];
            return before && Math.abs(before.x - p.x) > 1 ? (
              <Band key={`${l.id}-${i}`} one={before.x} other={p.x} px={px} />
            ) : null;
          }),
        )}
      {way.zones
        .filter((z) => z.kind !== "band")
        .map((z) => {
          const a = px(z.fromM, -z.halfWidthM);
          return (
            <g key={z.id} data-zone={z.id}>
              <rect
                x={a.x}
                y={a.y}
                width={(z.toM - z.fromM) * scale.perMetre}
                height={2 * z.halfWidthM * scale.perMetre}
                className="state-tight"
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.2}
                strokeDasharray="6 3"
              />
              <text x={a.x + 6} y={a.y - 5} className="fill-ink font-tight text-[13px]">
                nobody: {z.name}
              </text>
            </g>
          );
        })}
      <path
        d={`M${px(spots[0]?.atM ?? 0, 0).x} ${px(0, 0).y}H${px(spots.at(-1)?.atM ?? 0, 0).x}`}
        stroke="var(--pencil)"
        strokeDasharray="10 4 2 4"
      />
      {way.lines.map((l) => (
        <path
          key={l.id}
          d={l.points.map((p, i) => `${i === 0 ? "M" : "L"}${px(p.x, 0).x} ${px(p.x, 0).y}`).join("")}
          stroke={l.loaded ? "var(--loaded)" : "var(--ink)"}
          strokeWidth={l.loaded ? 3 : 1.2}
          fill="none"
        />
      ))}
      {clearing.high && (
        <g>
          <circle
            cx={px(clearing.high.atM, 0).x}
            cy={px(0, 0).y}
            r={8}
            fill="var(--wood)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <text
            x={px(clearing.high.atM, 0).x}
            y={px(0, 0).y - 14}
            textAnchor="middle"
            className="fill-ink font-tight text-[13px]"
          >
            {clearing.high.name ?? "high point"}
          </text>
        </g>
      )}
      <PiecesAbove
        clearing={clearing}
        analysis={analysis}
        scale={scale}
        px={px}
        onGrab={() => {
          hold(true);
        }}
        onRelease={() => {
          release();
          hold(false);
        }}
      />
      {clearing.people.map((p, i) => (
        <g key={i}>
          <Handle
            id={`person-${i}`}
            name={p.name}
            at={px(p.atM, p.offM)}
            now={p.atM}
            min={0}
            max={500}
            text={`${written(p.atM, "length", units)} along, ${written(Math.abs(p.offM), "length", units)} to the ${p.offM < 0 ? "left" : "right"}`}
            letter={p.name.slice(0, 1).toUpperCase()}
            onGrab={() => {
              hold(true);
            }}
            onMove={(to) => {
              const m = toMetres(scale, to);
              place(i, m.x, -m.y);
            }}
            onStep={(x, up) => {
              place(i, p.atM + x * 0.5, p.offM - up * 0.5);
            }}
            onRelease={() => {
              release();
              hold(false);
            }}
          />
          <text x={px(p.atM, p.offM).x + 15} y={px(p.atM, p.offM).y + 4} className="fill-ink font-tight text-[13px]">
            {p.name}
            {p.task === "" ? "" : `, ${p.task}`}
          </text>
        </g>
      ))}
      <ScaleBar
        scale={scale}
        width={width}
        height={height}
        text="from above, right of the section is below · cones: where a parted rope strikes"
      />
    </svg>
  );
}

function place(i: number, x: number, off: number): void {
  const round = (v: number) => Math.round(v * 2) / 2;
  setMember(`clearing.people[${i}].atM`, round(Math.min(Math.max(x, 0), 500)), `person-${i}`);
  setMember(`clearing.people[${i}].offM`, round(Math.min(Math.max(off, -100), 100)), `person-${i}`);
}

/** A cone of ten degrees from each end of a line, half its length past the other one. */
function Band({ one, other, px }: { one: number; other: number; px: (x: number, right: number) => Flat }) {
  const cone = (from: number, to: number) => {
    const end = from + (to - from) * 1.5;
    const wide = Math.abs(end - from) * Math.tan((10 * Math.PI) / 180);
    const [a, b, c] = [px(from, 0), px(end, -wide), px(end, wide)];
    return `M${a.x} ${a.y}L${b.x} ${b.y}L${c.x} ${c.y}Z`;
  };
  return (
    <path
      d={cone(one, other) + cone(other, one)}
      fill="none"
      stroke="var(--pencil)"
      strokeWidth={1}
      strokeDasharray="3 3"
    />
  );
}

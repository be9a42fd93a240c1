import { useRef, useState } from "react";
import type { Analysis, Plan } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useLitLink } from "../state/lit";
import { useView } from "../state/view";
import { unitOf, written } from "../units/units";
import { useSettings } from "../ui/settings";
import { useWide } from "../ui/useWide";
import { Ground } from "./Ground";
import { Handle } from "./Handle";
import { LineDrawing } from "./LineDrawing";
import { Sections } from "./Sections";
import { lazily } from "../ui/lazily";
import {
  barLength,
  boundsOf,
  fit,
  flatten,
  groundOf,
  stemAt,
  tipped,
  toMetres,
  toPixels,
  type Flat,
  type Scale,
} from "./projection";
import { TreeShape } from "./TreeShape";
import { roundRatio, roundScale, usePaper } from "./paper";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";
import { rangeOf } from "../state/members";

const PullChart = lazily(() => import("./PullChart").then((m) => m.PullChart));

/** What the plate of figures takes up in the corner, pixels. */
const plateHeight = 190;

const margin = { top: 34, right: 26, bottom: 92, left: 26 };

interface ElevationProps {
  plan: Plan;
  analysis: Analysis;
}

/** The tree seen square to its main line, true to scale. Seats, anchors and the tilt are taken hold of here. */
export function Elevation({ plan, analysis }: ElevationProps) {
  const [box, size] = useSize<HTMLDivElement>();
  // While something is held the scale stays, so that the drawing does not slide away under the hand.
  const [held, setHeld] = useState<Scale | null>(null);
  const paper = usePaper();
  const fitted = fit(boundsOf(analysis.figure), size.width, size.height, margin);
  const scale = held ?? (paper ? roundScale(fitted, size.width, size.height) : fitted);
  return (
    <div ref={box} className="h-full w-full overflow-hidden">
      {size.width > 0 && (
        <Drawing
          plan={plan}
          analysis={analysis}
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

interface DrawingProps extends ElevationProps {
  scale: Scale;
  width: number;
  height: number;
  hold: (on: boolean) => void;
}

function Drawing({ plan, analysis, scale, width, height, hold }: DrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const tiltDeg = useView((s) => s.tiltDeg);
  const set = useView((s) => s.set);
  const lit = useLitLink();
  const release = useSheet((s) => s.release);
  const { figure } = analysis;
  const view = figure.viewDeg;
  const done = () => {
    release();
    hold(false);
  };
  const grab = () => {
    hold(true);
  };
  const stump = toPixels(scale, { x: 0, y: 0 });
  const groundY = toPixels(scale, { x: 0, y: figure.groundUpM }).y;
  const topPoint = figure.stem[figure.stem.length - 1];
  const mass = toPixels(scale, flatten(tipped(analysis.tree.centre, tiltDeg), view));
  const mostTilt = Math.max(5, Math.ceil(analysis.pull.commitDeg * 1.1));

  function tilt(to: Flat): void {
    if (!topPoint) return;
    const start = flatten(topPoint, view);
    const at = toMetres(scale, to);
    const turned = ((Math.atan2(at.x, at.y) - Math.atan2(start.x, start.y)) * 180) / Math.PI;
    set({
      tiltDeg:
        Math.round(Math.min(Math.max(turned / Math.max(0.2, Math.cos((view * Math.PI) / 180)), 0), mostTilt) * 10) / 10,
    });
  }

  const main = figure.lines[0];
  const reached = main?.turns[0] ?? main?.anchor;
  const anchorX = reached ? toPixels(scale, flatten(reached, view)).x : stump.x;
  const middleX = toPixels(scale, { x: -analysis.hinge.offsetM * Math.cos((view * Math.PI) / 180), y: 0 }).x;
  const dimensionY = Math.min(
    height - 44,
    Math.max(groundY, main ? toPixels(scale, { x: 0, y: main.anchorGroundUpM }).y : groundY) + 30,
  );
  const wide = useWide();
  const roomy = width >= 620 && height >= 400;
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label="Elevation, seen square to the main line"
      className="block select-none"
    >
      <Ground scale={scale} width={width} known={[{ x: 0, y: figure.groundUpM }, ...groundOf(analysis)]} />
      <path
        d={`M${middleX} ${groundY}V${margin.top - 14}`}
        stroke="var(--pencil)"
        strokeWidth={1}
        strokeDasharray="10 4 2 4"
      />
      <TreeShape figure={figure} centre={analysis.tree.centre} scale={scale} tiltDeg={tiltDeg} />
      {tiltDeg > 0 && <TreeShape figure={figure} centre={analysis.tree.centre} scale={scale} ghost />}
      <path
        d={`M${stump.x} ${stump.y}l${0.5 * scale.perMetre * plan.cut.stumpDiameterM} ${-0.18 * scale.perMetre}v${0.36 * scale.perMetre}Z`}
        fill="var(--ink)"
        stroke={lit?.mark === "hinge" ? "var(--ink)" : "none"}
        strokeWidth={6}
      />
      <Weight at={mass} newtons={analysis.tree.weightN} />
      {lit?.mark === "stem" && <StemMark analysis={analysis} scale={scale} />}
      {lit?.mark === "roots" && (
        <path
          data-lit-roots
          d={`M${stump.x - scale.perMetre} ${groundY}h${2 * scale.perMetre}`}
          stroke="var(--ink)"
          strokeWidth={6}
        />
      )}
      {plan.lines.map((line, index) => (
        <LineDrawing
          key={line.id}
          line={line}
          index={index}
          analysis={analysis}
          scale={scale}
          tiltDeg={tiltDeg}
          lit={lit}
          main={index === 0}
        />
      ))}
      {main && (
        <Distance
          from={middleX}
          to={anchorX}
          y={dimensionY}
          metres={(plan.lines[0]?.redirects[0]?.at ?? plan.lines[0]?.anchor)?.distanceM ?? 0}
        />
      )}
      <Foot scale={scale} viewDeg={view} y={height - 20} />
      {roomy && <PullChart pull={analysis.pull} tiltDeg={tiltDeg} x={width - 196} y={wide ? plateHeight + 34 : 42} />}
      {topPoint && (
        <Handle
          id="tilt"
          at={toPixels(scale, flatten(tipped(topPoint, tiltDeg), view))}
          name="Tip the tree"
          now={tiltDeg}
          min={0}
          max={mostTilt}
          text={`tipped ${written(tiltDeg, "angle", units)}`}
          onMove={tilt}
          onStep={(across, up) => {
            set({ tiltDeg: Math.min(Math.max(Math.round((tiltDeg + (across + up) * 0.5) * 10) / 10, 0), mostTilt) });
          }}
          onGrab={grab}
          onRelease={() => {
            hold(false);
          }}
          shape="bar"
        />
      )}
      {plan.tree.mass.method === "sections" && tiltDeg === 0 && (
        <Sections plan={plan} analysis={analysis} scale={scale} onGrab={grab} onRelease={done} />
      )}
      {plan.lines.map((line, index) => (
        <LineHandles
          key={line.id}
          plan={plan}
          analysis={analysis}
          index={index}
          scale={scale}
          onGrab={() => {
            set({ line: index, tiltDeg: 0 });
            grab();
          }}
          onRelease={done}
        />
      ))}
    </svg>
  );
}

/** The tree's weight, hung on its centre of mass. */
function Weight({ at, newtons }: { at: Flat; newtons: number }) {
  const units = useSettings((s) => s.units);
  return (
    <>
      <path d={`M${at.x} ${at.y + 8}v44`} stroke="var(--ink)" strokeWidth={2.2} />
      <path d={`M${at.x - 4.5} ${at.y + 46}h9l-4.5 10Z`} fill="var(--ink)" />
      <text x={at.x - 12} y={at.y + 34} textAnchor="end" fill="var(--ink)" className="halo font-tight text-[13px]">
        {written(newtons, "force", units)}
      </text>
    </>
  );
}

/** From the stump to what the main line first runs to, as a drawing dimensions it. */
function Distance({ from, to, y, metres }: { from: number; to: number; y: number; metres: number }) {
  const units = useSettings((s) => s.units);
  const middle = (from + to) / 2;
  return (
    <g stroke="var(--ink)" strokeWidth={1}>
      <path d={`M${from} ${y - 5}v10M${to} ${y - 5}v10M${from} ${y}H${to}`} />
      <rect x={middle - 34} y={y - 9} width={68} height={18} fill="var(--sheet)" stroke="none" />
      <text
        x={middle}
        y={y + 5}
        textAnchor="middle"
        fill="var(--ink)"
        stroke="none"
        className="font-tight text-[14px] font-medium"
      >
        {written(metres, "length", units)}
      </text>
    </g>
  );
}

/** The scale, and from where the tree is seen. */
function Foot({ scale, viewDeg: view, y }: { scale: Scale; viewDeg: number; y: number }) {
  const units = useSettings((s) => s.units);
  const paper = usePaper();
  const foot = unitOf("length", units).si;
  const bar = barLength(scale.perMetre * foot, 110);
  return (
    <g transform={`translate(26 ${y})`}>
      <path d={`M0 0H${bar * scale.perMetre * foot}`} stroke="var(--ink)" strokeWidth={3} />
      <text x={bar * scale.perMetre * foot + 8} y={4} fill="var(--pencil)" className="font-tight text-[13px]">
        {bar} {units === "us" ? "ft" : "m"}
        {paper && ` · 1 : ${roundRatio(scale.perMetre)}`}
      </text>
      {Math.abs(view) >= 1 && (
        <text
          x={bar * scale.perMetre * foot + (paper ? 110 : 60)}
          y={4}
          fill="var(--pencil)"
          className="font-tight text-[13px]"
        >
          seen square to the main line, {Math.abs(Math.round(view))}° {view > 0 ? "right" : "left"} of the lay
        </text>
      )}
    </g>
  );
}

interface LineHandlesProps extends ElevationProps {
  index: number;
  scale: Scale;
  onGrab: () => void;
  onRelease: () => void;
}

/** Seat and anchor of a line, to be taken hold of. */
function LineHandles({ plan, analysis, index, scale, onGrab, onRelease }: LineHandlesProps) {
  const units = useSettings((s) => s.units);
  const tiltDeg = useView((s) => s.tiltDeg);
  const lit = useLitLink();
  const { figure } = analysis;
  const view = figure.viewDeg;
  const line = plan.lines[index];
  const placed = figure.lines[index];
  if (!line || !placed) return null;
  const of = plan.lines.length > 1 ? ` of the ${line.id} line` : "";
  const seat = toPixels(scale, flatten(tipped(placed.seat, tiltDeg), view));

  /** A seat between the cut and the top, wherever the hand or the keys go. */
  const onStem = (heightM: number) => Math.min(Math.max(heightM, plan.cut.stumpHeightM + 0.5), plan.tree.heightM - 0.5);

  function putSeat(heightM: number): void {
    setMember(`lines[${index}].seat.heightM`, round(heightM), `seat-${index}`);
  }

  function putAnchor(member: "distanceM" | "heightM", metres: number): void {
    setMember(`lines[${index}].anchor.${member}`, round(metres), `anchor-${index}`);
  }

  function placeAnchor(to: Flat): void {
    if (!line || !placed) return;
    const at = toMetres(scale, to);
    const now = flatten(placed.anchor, view);
    // The distance runs from the middle of the stump along the line's own bearing, which this view may foreshorten.
    const across = Math.cos(((line.anchor.bearingDeg - plan.lay.bearingDeg - view) * Math.PI) / 180);
    if (Math.abs(across) > 0.2)
      putAnchor("distanceM", Math.min(Math.max(line.anchor.distanceM + (at.x - now.x) / across, 2), 150));
    const strap = Math.min(Math.max(at.y - placed.anchorGroundUpM, 0), 10);
    if (Math.abs(strap - line.anchor.heightM) > 6 / scale.perMetre) putAnchor("heightM", strap);
  }

  return (
    <g>
      <text
        x={seat.x - 16}
        y={seat.y - 10}
        textAnchor="end"
        fill="var(--ink)"
        className="halo font-tight text-[14px] font-semibold"
      >
        {plan.lines.length > 1 ? line.id : "seat"} {written(line.seat.heightM, "length", units)}
      </text>
      <Handle
        id={`seat-${line.id}`}
        at={seat}
        name={`Seat${of}`}
        now={line.seat.heightM}
        {...rangeOf(`lines[${index}].seat.heightM`, { low: plan.cut.stumpHeightM, high: plan.tree.heightM })}
        text={`${written(line.seat.heightM, "length", units)} above the ground`}
        onMove={(to) => {
          putSeat(onStem(toMetres(scale, to).y - figure.groundUpM));
        }}
        onStep={(across, by) => {
          putSeat(onStem(line.seat.heightM + (across + by) * 0.1));
        }}
        onGrab={onGrab}
        onRelease={onRelease}
        lit={lit?.lineId === line.id && lit.mark === "seat"}
      />
      <Handle
        id={`anchor-${line.id}`}
        at={toPixels(scale, flatten(placed.anchor, view))}
        name={`Anchor${of}`}
        now={line.anchor.distanceM}
        {...rangeOf(`lines[${index}].anchor.distanceM`)}
        text={`${written(line.anchor.distanceM, "length", units)} out, strap ${written(line.anchor.heightM, "length", units)} up`}
        onMove={placeAnchor}
        onStep={(across, by) => {
          if (across !== 0) putAnchor("distanceM", line.anchor.distanceM + across * 0.5);
          if (by !== 0) putAnchor("heightM", Math.max(0, line.anchor.heightM + by * 0.1));
        }}
        onGrab={onGrab}
        onRelease={onRelease}
        lit={lit?.lineId === line.id && lit.mark === "anchor"}
        shape="square"
      />
    </g>
  );
}

/** Where the lines bend the stem most. */
function StemMark({ analysis, scale }: { analysis: Analysis; scale: Scale }) {
  const at = toPixels(scale, flatten(stemAt(analysis.figure, analysis.stem.atHeightM), analysis.figure.viewDeg));
  return <path d={`M${at.x - 22} ${at.y}H${at.x + 22}`} stroke="var(--ink)" strokeWidth={4} />;
}

const round = (metres: number): number => Math.round(metres * 100) / 100;

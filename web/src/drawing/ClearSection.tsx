import { useRef, useState } from "react";
import type { Clearing, ClearingAnalysis, WayResult } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Ground } from "./Ground";
import { Handle } from "./Handle";
import { fit, toMetres, toPixels, type Flat, type Scale } from "./projection";
import { ScaleBar } from "./ScaleBar";
import { gripsOf, groundUp, sectionBounds, type SectionGrip, type SectionPanel } from "./section";
import { Obstacles, HighStem, Pieces, ZoneMark, Lines, HungLoad, PointArrows, People, LetDown } from "./SectionParts";
import { TravelChart } from "./TravelChart";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";
import { labelOf, rangeOf } from "../state/members";

const margin = { top: 30, right: 30, left: 30 };

/** Under the ground a row for every zone, and the scale. */
const rowHeight = 20;

const zonesOf = (way: WayResult) => way.zones.filter((z) => z.kind !== "band");

interface SectionProps {
  clearing: Clearing;
  analysis: ClearingAnalysis;
  way: WayResult;
  panel: SectionPanel;
}

/** The ground between two points with what is rigged over it, true to scale. Its parts are the input. */
export function ClearSection(props: SectionProps) {
  const [box, size] = useSize<HTMLDivElement>();
  // While something is held the scale stays, so that the drawing does not slide away under the hand.
  const [held, setHeld] = useState<Scale | null>(null);
  const scale =
    held ??
    fit(sectionBounds(props.clearing, props.way), size.width, size.height, {
      ...margin,
      bottom: 68 + rowHeight * zonesOf(props.way).length,
    });
  return (
    <div ref={box} className="h-full w-full overflow-hidden">
      {size.width > 0 && (
        <Drawing
          {...props}
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

interface DrawingProps extends SectionProps {
  scale: Scale;
  width: number;
  height: number;
  hold: (on: boolean) => void;
}

function Drawing({ clearing, analysis, way, panel, scale, width, height, hold }: DrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const [place, setPlace] = useState<number | null>(null);
  const travel = way.travel;
  // Where least stays under the load it is looked at first; a drag along the line shows the other places.
  const nearest = travel.reduce(
    (best, t, i) => ((t.clearM ?? 1e9) < (travel[best]?.clearM ?? 1e9) && i > 3 && i < travel.length - 4 ? i : best),
    Math.floor(travel.length / 2),
  );
  const at = Math.min(place ?? nearest, Math.max(0, travel.length - 1));
  const load = way.shows === "none" ? undefined : travel[at];
  const px = (p: Flat) => toPixels(scale, p);
  const { spots } = clearing.ground;
  const may = way.links.find((l) => l.id === way.mainLinkId)?.allowed;
  return (
    <svg ref={svg} width={width} height={height} role="group" aria-label="Section of the ground">
      <Ground scale={scale} width={width} known={spots.map((s) => ({ x: s.atM, y: s.upM }))} />
      <Obstacles clearing={clearing} px={px} />
      {clearing.high && (
        <HighStem high={clearing.high} foot={groundUp(spots, clearing.high.atM)} scale={scale} px={px} />
      )}
      <Pieces clearing={clearing} analysis={analysis} px={px} scale={scale} />
      {zonesOf(way).map((z, i) => (
        <ZoneMark key={z.id} zone={z} px={px} y={height - 56 - rowHeight * (zonesOf(way).length - 1 - i)} />
      ))}
      {way.way === "astern" && <LetDown clearing={clearing} px={px} />}
      <Lines way={way} px={px} load={load?.at} />
      {load && <HungLoad way={way} clearing={clearing} load={load} px={px} scale={scale} />}
      <PointArrows way={way} px={px} />
      <People clearing={clearing} px={px} />
      {load && travel.length > 2 && width > 560 && (
        <TravelChart travel={travel} at={at} may={may} x={width - 262} y={16} width={236} height={92} />
      )}
      {load && (
        <Handle
          id="travel"
          name="The load on its way"
          at={px(load.at)}
          now={at}
          min={0}
          max={travel.length - 1}
          text={`${written(load.tensionN, "force", units)} at ${written(load.at.x, "length", units)}`}
          onMove={(to) => {
            const x = toMetres(scale, to).x;
            setPlace(
              travel.reduce(
                (best, t, i) => (Math.abs(t.at.x - x) < Math.abs((travel[best]?.at.x ?? 0) - x) ? i : best),
                0,
              ),
            );
          }}
          onStep={(across) => {
            const back = (travel[0]?.at.x ?? 0) > (travel.at(-1)?.at.x ?? 0);
            setPlace(Math.min(travel.length - 1, Math.max(0, at + (back ? -across : across))));
          }}
          onRelease={() => undefined}
          shape="ring"
        />
      )}
      {way.way === "fly" && clearing.fly && <SagHandle clearing={clearing} way={way} scale={scale} hold={hold} />}
      {gripsOf(clearing, way, panel).map((grip) => (
        <Grip key={grip.id} grip={grip} clearing={clearing} scale={scale} hold={hold} />
      ))}
      <ScaleBar
        scale={scale}
        width={width}
        height={height}
        text={`${clearing.ground.leftName} on the left${clearing.ground.rightName === "" ? "" : `, ${clearing.ground.rightName} on the right`}`}
      />
    </svg>
  );
}

interface GripProps {
  grip: SectionGrip;
  clearing: Clearing;
  scale: Scale;
  hold: (on: boolean) => void;
}

const round = (metres: number) => Math.round(metres * 10) / 10;

function Grip({ grip, clearing, scale, hold }: GripProps) {
  const units = useSettings((s) => s.units);
  const release = useSheet((s) => s.release);
  const { spots } = clearing.ground;
  const foot = clearing.high ? groundUp(spots, clearing.high.atM) : 0;
  const base = (x: number) => (grip.from === "ground" ? groundUp(spots, x) : grip.from === "foot" ? foot : 0);
  const least = Math.max(0, grip.least ?? 0);
  const most = grip.most ?? 500;

  function place(x: number, y: number): void {
    const to = round(Math.min(Math.max(x, least), most));
    if (grip.atPath !== undefined) setMember(grip.atPath, to, grip.id);
    if (grip.upPath !== undefined) {
      const over = y - base(grip.atPath === undefined ? grip.at.x : to);
      setMember(grip.upPath, round(grip.from === "zero" ? over : Math.min(Math.max(over, 0), 60)), grip.id);
    }
  }

  return (
    <Handle
      id={grip.id}
      name={grip.name}
      at={toPixels(scale, grip.at)}
      now={round(grip.at.x)}
      min={least}
      max={most}
      text={`${written(grip.at.x, "length", units)} along, ${written(grip.at.y - base(grip.at.x), "length", units)} up`}
      shape={grip.shape}
      onGrab={() => {
        hold(true);
      }}
      onMove={(to) => {
        const metres = toMetres(scale, to);
        place(metres.x, metres.y);
      }}
      onStep={(across, up) => {
        place(grip.at.x + across * 0.1, grip.at.y + up * 0.1);
      }}
      onRelease={() => {
        release();
        hold(false);
      }}
    />
  );
}

/** The sag at mid-span, taken up and down. */
function SagHandle({
  clearing,
  way,
  scale,
  hold,
}: {
  clearing: Clearing;
  way: WayResult;
  scale: Scale;
  hold: (on: boolean) => void;
}) {
  const units = useSettings((s) => s.units);
  const release = useSheet((s) => s.release);
  const line = way.lines.find((l) => l.id === "line");
  const [a, b] = [line?.points[0], line?.points.at(-1)];
  const sag = clearing.fly?.sagShare;
  if (!a || !b || sag === undefined) return null;
  const span = Math.abs(b.x - a.x);
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const set = (share: number) => {
    setMember("clearing.fly.sagShare", Math.round(Math.min(Math.max(share, 0.005), 0.5) * 1000) / 1000, "sag");
  };
  const chord = `M${toPixels(scale, a).x} ${toPixels(scale, a).y}L${toPixels(scale, b).x} ${toPixels(scale, b).y}`;
  return (
    <>
      <path d={chord} stroke="var(--pencil)" strokeWidth={0.8} strokeDasharray="2 4" fill="none" />
      <path
        d={`M${toPixels(scale, middle).x} ${toPixels(scale, middle).y}V${toPixels(scale, { x: 0, y: middle.y - sag * span }).y}`}
        stroke="var(--ink)"
        strokeWidth={1}
      />
      <text
        x={toPixels(scale, middle).x + 8}
        y={toPixels(scale, { x: 0, y: middle.y - (sag * span) / 2 }).y}
        className="fill-ink font-tight text-[13px]"
      >
        sag {written(sag, "percent", units)}
      </text>
      <Handle
        id="sag"
        name={labelOf("clearing.fly.sagShare")}
        at={toPixels(scale, { x: middle.x, y: middle.y - sag * span })}
        now={sag}
        {...rangeOf("clearing.fly.sagShare")}
        text={`${written(sag, "percent", units)} of the span`}
        shape="bar"
        onGrab={() => {
          hold(true);
        }}
        onMove={(to) => {
          set((middle.y - toMetres(scale, to).y) / span);
        }}
        onStep={(_, up) => {
          set(sag - up * 0.001);
        }}
        onRelease={() => {
          release();
          hold(false);
        }}
      />
    </>
  );
}

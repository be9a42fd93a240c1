import { useRef, useState } from "react";
import type { Clearing, ClearingAnalysis, WayResult } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Ground } from "./Ground";
import { Handle } from "./Handle";
import { barLength, fit, pathOf, toMetres, toPixels, type Flat, type Scale } from "./projection";
import { gripsOf, groundUp, sectionBounds, type SectionGrip, type SectionPanel } from "./section";
import { TravelChart } from "./TravelChart";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";

const margin = { top: 30, right: 30, left: 30 };

/** Under the ground a row for every zone, and the scale. */
const rowHeight = 20;

const zonesOf = (way: WayResult) => way.zones.filter((z) => !z.id.endsWith("-band"));

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
      bottom: 56 + rowHeight * zonesOf(props.way).length,
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
  const load = way.way === "fly" || way.way === "lift" || way.way === "slide" ? travel[at] : undefined;
  const px = (p: Flat) => toPixels(scale, p);
  const { spots } = clearing.ground;
  const bar = barLength(scale.perMetre * (units === "us" ? 0.3048 : 1), 110);
  const barPx = bar * scale.perMetre * (units === "us" ? 0.3048 : 1);
  const may = way.links.find((l) => l.id === (way.way === "lift" ? "haul" : "line"))?.allowed;
  return (
    <svg ref={svg} width={width} height={height} role="group" aria-label="Section of the ground">
      <Ground scale={scale} width={width} known={spots.map((s) => ({ x: s.atM, y: s.upM }))} />
      <Obstacles clearing={clearing} px={px} />
      {clearing.high && (
        <HighStem high={clearing.high} foot={groundUp(spots, clearing.high.atM)} scale={scale} px={px} />
      )}
      <Pieces clearing={clearing} analysis={analysis} px={px} scale={scale} />
      {zonesOf(way).map((z, i) => (
        <ZoneMark key={z.id} zone={z} px={px} y={height - 44 - rowHeight * (zonesOf(way).length - 1 - i)} />
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
      {gripsOf(clearing, way.way, panel).map((grip) => (
        <Grip key={grip.id} grip={grip} clearing={clearing} scale={scale} hold={hold} />
      ))}
      <g transform={`translate(24 ${height - 22})`} data-fixed>
        <path d={`M0 -5V5M0 0H${barPx}M${barPx} -5V5`} stroke="var(--ink)" strokeWidth={1.6} fill="none" />
        <text x={barPx + 10} y={4} className="fill-pencil font-tight text-[13px]">
          {bar} {units === "us" ? "ft" : "m"} · {clearing.ground.leftName} on the left
          {clearing.ground.rightName === "" ? "" : `, ${clearing.ground.rightName} on the right`}
        </text>
      </g>
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
        name="Sag of the loaded line"
        at={toPixels(scale, { x: middle.x, y: middle.y - sag * span })}
        now={Math.round(sag * 1000) / 10}
        min={0.5}
        max={50}
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

type Px = (p: Flat) => Flat;

function Obstacles({ clearing, px }: { clearing: Clearing; px: Px }) {
  const { spots, obstacles } = clearing.ground;
  return obstacles.map((o) => {
    const [a, b] = [px({ x: o.fromM, y: groundUp(spots, o.fromM) }), px({ x: o.toM, y: groundUp(spots, o.toM) })];
    const top = px({ x: o.toM, y: Math.max(groundUp(spots, o.fromM), groundUp(spots, o.toM)) + o.heightM }).y;
    return (
      <g key={`${o.name}-${o.fromM}`}>
        <path
          d={`M${a.x} ${a.y}V${top}H${b.x}V${b.y}`}
          fill="var(--tint)"
          stroke="var(--ink)"
          strokeWidth={1.2}
          strokeDasharray={o.kind === "way" || o.kind === "powerLine" ? "4 3" : undefined}
        />
        <text x={(a.x + b.x) / 2} y={top - 6} textAnchor="middle" className="fill-ink font-tight text-[13px]">
          {o.name}
        </text>
      </g>
    );
  });
}

/** The stem that carries the block: tapering to its end, or cut off above the block. */
function HighStem({
  high,
  foot,
  scale,
  px,
}: {
  high: NonNullable<Clearing["high"]>;
  foot: number;
  scale: Scale;
  px: Px;
}) {
  const lit = useView((s) => s.link?.startsWith("spar") ?? false);
  const units = useSettings((s) => s.units);
  const top = high.topped ? high.blockHeightM + 0.6 : high.stem.heightM;
  // As wide as it is, and never too thin to be seen.
  const wide = Math.max(high.stem.dbhM * scale.perMetre, 7);
  const thin = high.topped ? wide * 0.75 : 2;
  const [a, b] = [px({ x: high.atM, y: foot }), px({ x: high.atM, y: foot + top })];
  return (
    <g>
      <path
        d={`M${a.x - wide / 2} ${a.y}L${b.x - thin / 2} ${b.y}H${b.x + thin / 2}L${a.x + wide / 2} ${a.y}Z`}
        fill="var(--wood)"
        stroke="var(--ink)"
        strokeWidth={lit ? 3 : 1.2}
      />
      <text
        x={a.x + wide / 2 + 16}
        y={px({ x: high.atM, y: foot + high.blockHeightM }).y - 12}
        className="fill-ink font-tight text-[13px]"
      >
        {high.name ?? "high point"}, block at {written(high.blockHeightM, "length", units)}
      </text>
    </g>
  );
}

/** Logs as they lie, a few of each kind. */
function Pieces({
  clearing,
  analysis,
  px,
  scale,
}: {
  clearing: Clearing;
  analysis: ClearingAnalysis;
  px: Px;
  scale: Scale;
}) {
  const units = useSettings((s) => s.units);
  const { spots } = clearing.ground;
  const heaps = new Map<number, ClearingAnalysis["pieces"]>();
  for (const piece of analysis.pieces) heaps.set(piece.atM, [...(heaps.get(piece.atM) ?? []), piece]);
  return [...heaps].map(([at, pieces]) => {
    const count = pieces.reduce((n, p) => n + p.count, 0);
    const first = pieces[0];
    if (!first) return null;
    const radius = Math.max(3, (first.buttM / 2) * scale.perMetre);
    const foot = px({ x: at, y: groundUp(spots, at) });
    const shown = Math.min(count, 6);
    return (
      <g key={at}>
        {Array.from({ length: shown }, (_, i) => {
          const row = i < 3 ? 0 : i < 5 ? 1 : 2;
          const along = i < 3 ? i - 1 : i < 5 ? i - 3.5 : 0;
          return (
            <circle
              key={i}
              cx={foot.x + along * 2 * radius}
              cy={foot.y - radius - row * 1.75 * radius}
              r={radius}
              fill="var(--wood)"
              stroke="var(--ink)"
              strokeWidth={1}
            />
          );
        })}
        <text x={foot.x} y={foot.y - 5 * radius - 6} textAnchor="middle" className="fill-ink font-tight text-[13px]">
          {pieces.length === 1
            ? `${count === 1 ? "" : `${count} × `}${first.name.toLowerCase()}, ${written(first.massKg, "mass", units)}`
            : `${count} pieces, to ${written(Math.max(...pieces.map((p) => p.massKg)), "mass", units)}`}
        </text>
      </g>
    );
  });
}

function ZoneMark({ zone, px, y }: { zone: WayResult["zones"][number]; px: Px; y: number }) {
  const [a, b] = [px({ x: zone.fromM, y: 0 }).x, px({ x: zone.toM, y: 0 }).x];
  const name = zone.name.startsWith("where") || zone.name.startsWith("the ") ? `on ${zone.name}` : zone.name;
  return (
    <g data-zone={zone.id}>
      <path
        d={`M${a} ${y - 4}v8M${a} ${y}H${b}M${b} ${y - 4}v8`}
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="6 3"
        fill="none"
      />
      <text x={Math.max(a, 24) + 6} y={y + 14} className="fill-pencil font-tight text-[12px]" data-fixed>
        nobody {name}
      </text>
    </g>
  );
}

function Lines({ way, px, load }: { way: WayResult; px: Px; load: Flat | undefined }) {
  const units = useSettings((s) => s.units);
  const litMark = useView((s) => way.links.find((l) => l.id === s.link)?.mark);
  return way.lines.map((line) => {
    // The line bends where the load is now, not only where it pulls hardest.
    const bends = load && ["line", "tag"].includes(line.id) && ["fly", "slide"].includes(way.way);
    const carried = bends
      ? [line.points[0], load, line.points.at(-1)]
      : way.way === "lift" && load
        ? [load, ...line.points.slice(1)]
        : line.points;
    const points = carried.filter((p) => p !== undefined).map(px);
    const lit = litMark === line.mark;
    const longest = points.reduce(
      (best, p, i) => {
        const before = points[i - 1];
        const length = before ? Math.hypot(p.x - before.x, p.y - before.y) : 0;
        return length > best.length ? { length, i } : best;
      },
      { length: 0, i: 1 },
    );
    const [a, b] = [points[longest.i - 1], points[longest.i]];
    const turn = a && b ? (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI : 0;
    const upright = turn > 90 ? turn - 180 : turn < -90 ? turn + 180 : turn;
    return (
      <g key={line.id} data-line={line.id}>
        <path
          d={pathOf(points)}
          fill="none"
          stroke={line.loaded ? "var(--loaded)" : "var(--ink)"}
          strokeWidth={(line.loaded ? 3 : 1.3) + (lit ? 2 : 0)}
          strokeDasharray={line.loaded ? undefined : "6 4"}
          strokeLinejoin="round"
        />
        {line.loaded && a && b && longest.length > 70 && line.tensionN > 0 && (
          <text
            transform={`translate(${(a.x + b.x) / 2} ${(a.y + b.y) / 2}) rotate(${upright}) translate(0 -8)`}
            textAnchor="middle"
            className="font-tight text-[14px] font-semibold"
            fill="var(--loaded)"
          >
            {written(line.tensionN, "force", units)}
          </text>
        )}
      </g>
    );
  });
}

/** What hangs on the line just now, and how far over the ground. */
function HungLoad({
  way,
  clearing,
  load,
  px,
  scale,
}: {
  way: WayResult;
  clearing: Clearing;
  load: WayResult["travel"][number];
  px: Px;
  scale: Scale;
}) {
  const units = useSettings((s) => s.units);
  const hang = way.way === "fly" ? (clearing.fly?.hangM ?? 1) : 0.5;
  const at = px(load.at);
  const foot = px({ x: load.at.x, y: load.at.y - hang });
  const wide = Math.max(14, 1.5 * scale.perMetre);
  const thick = Math.max(5, 0.15 * scale.perMetre);
  return (
    <g>
      <path d={`M${at.x} ${at.y}V${foot.y}`} stroke="var(--loaded)" strokeWidth={1.8} />
      <ellipse
        cx={foot.x}
        cy={foot.y - thick}
        rx={wide}
        ry={thick}
        fill="var(--wood)"
        stroke="var(--ink)"
        strokeWidth={1.2}
      />
      <text x={foot.x + wide + 8} y={foot.y + 2} className="fill-ink font-tight text-[13px]" data-first>
        {written(load.tensionN, "force", units)}
        {load.clearM !== undefined &&
          (load.clearM < 0
            ? `, ${written(-load.clearM, "length", units)} too low`
            : `, ${written(load.clearM, "length", units)} clear under it`)}
      </text>
    </g>
  );
}

/** Forces on points as arrows, and the same along and across their limbs. */
function PointArrows({ way, px }: { way: WayResult; px: Px }) {
  const units = useSettings((s) => s.units);
  const most = Math.max(1, ...way.points.map((p) => p.forceN));
  return way.points.map((p) => {
    const at = px(p.at);
    const [x, y] = [(p.x / most) * 70, (-p.y / most) * 70];
    const head = Math.atan2(y, x);
    return (
      <g key={p.name} data-point={p.name}>
        <path
          d={`M${at.x} ${at.y}l${x} ${y}m${-9 * Math.cos(head - 0.4)} ${-9 * Math.sin(head - 0.4)}L${at.x + x} ${at.y + y}l${-9 * Math.cos(head + 0.4)} ${-9 * Math.sin(head + 0.4)}`}
          stroke="var(--ink)"
          strokeWidth={2}
          fill="none"
        />
        <text x={at.x + 14} y={at.y - 8} className="fill-ink font-tight text-[13px]" data-first>
          {p.name} {written(p.forceN, "force", units)}
          {p.bendingPa === undefined
            ? ""
            : `: along ${written(p.alongN, "force", units)}, across ${written(p.acrossN, "force", units)}`}
        </text>
      </g>
    );
  });
}

function People({ clearing, px }: { clearing: Clearing; px: Px }) {
  return clearing.people.map((p) => {
    const at = px({ x: p.atM, y: groundUp(clearing.ground.spots, p.atM) });
    return (
      <g key={p.name}>
        <path d={`M${at.x} ${at.y}v-9m-3 9l3 -7l3 7`} stroke="var(--ink)" strokeWidth={1.3} fill="none" />
        <circle cx={at.x} cy={at.y - 12} r={3} fill="var(--ink)" />
        <text x={at.x} y={at.y - 20} textAnchor="middle" className="fill-ink font-tight text-[12px]">
          {p.name}
        </text>
      </g>
    );
  });
}

/** The plan's own tree upright, and where the crew stops and looks. */
function LetDown({ clearing, px }: { clearing: Clearing; px: Px }) {
  const tree = useSheet((s) => s.document?.plan.tree);
  const at = clearing.stemAtM;
  if (!tree || at === undefined) return null;
  const foot = { x: at, y: groundUp(clearing.ground.spots, at) };
  const toRight = (clearing.high?.atM ?? clearing.drum?.anchor?.atM ?? at + 1) < at ? 1 : -1;
  const top = (deg: number) => {
    const angle = (deg * Math.PI) / 180;
    return px({ x: foot.x + toRight * tree.heightM * Math.sin(angle), y: foot.y + tree.heightM * Math.cos(angle) });
  };
  const a = px(foot);
  const stop = clearing.astern?.stopDeg;
  return (
    <g>
      <path d={`M${a.x} ${a.y}L${top(0).x} ${top(0).y}`} stroke="var(--ink)" strokeWidth={5} opacity={0.85} />
      {stop !== undefined && (
        <>
          <path
            d={`M${a.x} ${a.y}L${top(stop).x} ${top(stop).y}`}
            stroke="var(--ink)"
            strokeWidth={2}
            strokeDasharray="7 5"
          />
          <text x={top(stop).x} y={top(stop).y - 8} textAnchor="middle" className="fill-ink font-tight text-[13px]">
            stop at {stop}°
          </text>
        </>
      )}
    </g>
  );
}

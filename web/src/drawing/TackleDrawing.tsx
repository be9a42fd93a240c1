import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api } from "../api/client";
import type { Plan, TackleView } from "../api/types";
import { useView } from "../sheet/view";
import { Button } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, written } from "../units/units";
import { Handle } from "./Handle";
import { frictionParts, layOut, progressOf, resetSteps, setLength, type PointShape } from "./tackleLayout";
import { useSize } from "./useSize";

/** Every leg of the tackle with its tension, every point with its force, and the haul played. */
export function TackleDrawing({ plan }: { plan: Plan }) {
  const units = useSettings((s) => s.units);
  const line = Math.min(useView((s) => s.line), plan.lines.length - 1);
  const [box, size] = useSize<HTMLDivElement>();
  const view = useQuery({ queryKey: ["tackle", plan, line, units], queryFn: () => api.tackle(plan, line, units), staleTime: Infinity, gcTime: 5000, retry: false, placeholderData: (before) => before });
  return (
    <div ref={box} className="h-full w-full overflow-hidden">
      {view.data && size.width > 0 && <Drawing key={view.data.name} view={view.data} width={size.width} height={size.height} />}
    </div>
  );
}

type Play = { set: number; hauled: number; phase: "haul" | "reset"; step: number; running: boolean };

const start: Play = { set: 0, hauled: 0, phase: "haul", step: 0, running: false };
const setSeconds = 4;
const stepSeconds = 1.1;

function Drawing({ view, width, height }: { view: TackleView; width: number; height: number }) {
  const units = useSettings((s) => s.units);
  const [play, setPlay] = useState<Play>(start);
  const whole = setLength(view);
  usePlay(play, setPlay, view);

  const opening = play.phase === "reset" && play.step >= 2;
  const shown = opening ? whole * Math.max(0, 1 - (play.step - 2)) : play.hauled;
  const { legs, points, lanes } = layOut(view, shown);
  const low = Math.min(...view.startsM) - 0.4;
  const high = Math.max(...view.startsM) + 2.2;
  const perMetre = (width - 120) / (high - low);
  const x = (metres: number) => 60 + (high - metres) * perMetre;
  const top = 74;
  const gap = Math.min(46, Math.max(16, (height - top - 190) / Math.max(lanes, 1)));
  const y = (lane: number) => top + (lane + 0.5) * gap;
  const most = Math.max(...view.legForcesN, 1);
  const tight = gap < 26;
  const done = progressOf(view, play.set, play.phase === "reset" ? whole : play.hauled);
  const all = view.takeUpM * view.idealAdvantage;
  const finished = done.hauledM >= all - 1e-6;
  const hand = points.find((p) => p.kind === "hand");
  return (
    <div className="relative h-full">
      <svg width={width} height={height} role="group" aria-label={`Tackle: ${view.name}, every leg with its tension`} className="block select-none" data-tackle={view.name}>
        <text x={26} y={28} fill="var(--ink)" className="font-tight text-[16px] font-semibold">{view.name}</text>
        {view.peopleSay !== undefined && <text x={26} y={48} fill="var(--ink)" className="font-tight text-[14px]">{view.peopleSay}</text>}
        {legs.map((leg) => {
          const tension = view.legForcesN[leg.index] ?? 0;
          const [a, b] = [x(leg.from), x(leg.to)];
          const away = Math.sign(b - a) || 1;
          return (
            <g key={leg.index} data-leg={leg.index}>
              <path
                d={`M${a} ${y(leg.lane)}H${b}${leg.turns ? `a${gap / 2} ${gap / 2} 0 0 ${away > 0 ? 1 : 0} 0 ${gap}` : ""}`}
                fill="none" stroke="var(--loaded)" strokeWidth={1.2 + (3.2 * tension) / most}
              />
              {!leg.turns && <circle cx={b} cy={y(leg.lane)} r={4} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />}
              <text x={(a + b) / 2} y={y(leg.lane) - (tight ? 3 : 6)} textAnchor="middle" fill="var(--loaded)" className={`halo font-tight font-semibold ${tight ? "text-[12px]" : "text-[14px]"}`}>{figure(tension, "force", units)}</text>
            </g>
          );
        })}
        {points.map((p) => <PointDrawing key={p.id} point={p} x={x(p.at)} y={y} gap={gap} text={p.kind === "hand" ? written(view.handForceN, "force", units) : written(p.forceN, "force", units)} />)}
        <FrictionBar view={view} y={height - 84} width={width - 60} />
        {hand && (
          <Handle
            id="haul" at={{ x: x(hand.at) + (x(hand.at) > width / 2 ? 26 : -26), y: y(hand.first) }} name="Haul the rope" now={Math.round(done.hauledM * 10) / 10} min={0} max={Math.round(all * 10) / 10}
            text={`${written(done.hauledM, "length", units)} hauled`}
            onMove={(to) => { setPlay((p) => hauledTo(p, view, ((to.x - x(hand.at)) * (x(hand.at) > width / 2 ? 1 : -1) - 26) / 12)); }}
            onStep={(across, up) => { setPlay((p) => hauledTo(p, view, p.hauled + (across + up) * 0.25)); }}
            onRelease={() => undefined} shape="bar"
          />
        )}
      </svg>
      <div className="absolute bottom-2 left-6 right-6 flex flex-wrap items-center gap-3 font-tight text-sm">
        <Button strong onClick={() => { setPlay((p) => (finished ? { ...start, running: true } : { ...p, running: !p.running })); }} title="Space">{play.running ? "Stop" : finished ? "Haul again" : "Haul"}</Button>
        <Button onClick={() => { setPlay(start); }}>Open it</Button>
        <p data-haul role="status">
          set {Math.min(done.set, view.sets.sets)} of {view.sets.sets} · hauled {written(done.hauledM, "length", units)} of {written(all, "length", units)} · line in {written(done.lineInM, "length", units)} of {written(view.takeUpM, "length", units)}
        </p>
        {play.phase === "reset" && <p className="font-semibold" data-reset>{resetSteps(view)[Math.min(4, Math.floor(play.step))]}</p>}
        {finished && <p className="font-semibold">the tree commits here</p>}
      </div>
    </div>
  );
}

/** The pull at so much rope in this set; at its end the reset begins. */
function hauledTo(play: Play, view: TackleView, hauled: number): Play {
  if (play.phase === "reset") return play;
  const whole = setLength(view);
  const left = view.takeUpM * view.idealAdvantage - play.set * whole;
  const end = Math.min(whole, left);
  if (hauled < end) return { ...play, hauled: Math.max(0, hauled) };
  return play.set + 1 < view.sets.sets ? { ...play, hauled: end, phase: "reset", step: 0 } : { ...play, hauled: end, running: false };
}

/** Frame by frame while it runs; space starts and stops it. */
function usePlay(play: Play, setPlay: React.Dispatch<React.SetStateAction<Play>>, view: TackleView): void {
  const before = useRef<number | null>(null);
  useEffect(() => {
    if (!play.running) return undefined;
    let frame = requestAnimationFrame(function tick(now) {
      const seconds = before.current === null ? 0 : (now - before.current) / 1000;
      before.current = now;
      setPlay((p) => {
        if (!p.running) return p;
        if (p.phase === "haul") return hauledTo(p, view, p.hauled + (seconds * setLength(view)) / setSeconds);
        const step = p.step + seconds / stepSeconds;
        return step < 5 ? { ...p, step } : { ...p, set: p.set + 1, hauled: 0, phase: "haul", step: 0 };
      });
      frame = requestAnimationFrame(tick);
    });
    return () => { cancelAnimationFrame(frame); before.current = null; };
  }, [play.running, setPlay, view]);
  useEffect(() => {
    function onKey(event: KeyboardEvent): void {
      if (event.key !== " " || event.target instanceof HTMLInputElement || event.target instanceof HTMLButtonElement || event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      setPlay((p) => ({ ...p, running: !p.running }));
    }
    window.addEventListener("keydown", onKey);
    return () => { window.removeEventListener("keydown", onKey); };
  }, [setPlay]);
}

const names: Record<string, string> = { anchor: "anchor", load: "grip on the line", traveller: "traveller", grip: "second grip", hand: "hands" };

/** A block, spanning the lanes that turn or end at it. */
function PointDrawing({ point, x, y, gap, text }: { point: PointShape; x: number; y: (lane: number) => number; gap: number; text: string }) {
  const top = y(point.first) - gap * 0.42;
  const bottom = y(point.last) + gap * 0.42;
  const middle = (top + bottom) / 2;
  if (point.kind === "hand") return <text x={x} y={y(point.first) - 12} textAnchor="middle" fill="var(--ink)" className="halo font-tight text-[13px]">hands {text}</text>;
  return (
    <g data-point={point.id}>
      <rect x={x - 9} y={top} width={18} height={bottom - top} fill="var(--sheet)" fillOpacity={0.85} stroke="var(--ink)" strokeWidth={1.8} />
      {point.kind === "fixed" && <path d={Array.from({ length: Math.max(3, Math.floor((bottom - top) / 9)) }, (_, i) => `M${x + 9} ${top + 6 + i * 9}l8 -6`).join("")} stroke="var(--ink)" strokeWidth={1.2} />}
      {point.kind === "load" && <path d={`M${x - 9} ${middle}H26`} stroke="var(--loaded)" strokeWidth={4.4} />}
      {point.kind === "load" && <text x={30} y={middle - 9} fill="var(--loaded)" className="halo font-tight text-[14px] font-semibold">{text} to the tree</text>}
      <text x={x} y={bottom + 16} textAnchor="middle" fill="var(--ink)" className="halo font-tight text-[13px]">{names[point.id] ?? point.id}</text>
      {point.kind !== "load" && <text x={x} y={bottom + 31} textAnchor="middle" fill="var(--ink)" className="halo font-tight text-[13px] font-semibold">{text}</text>}
    </g>
  );
}

/** Ideal advantage as a bar: what is left of it, and what each contact took. */
function FrictionBar({ view, y, width }: { view: TackleView; y: number; width: number }) {
  const left = 26;
  const per = (width - left) / Math.max(view.idealAdvantage, 1);
  return (
    <g data-friction>
      <text x={left} y={y - 7} fill="var(--ink)" className="font-tight text-[13px]">
        ideal {figure(view.idealAdvantage, "ratio", "metric")}, actual <tspan className="font-semibold">{figure(view.actualAdvantage, "ratio", "metric")}</tspan>{view.costs.length > 0 ? "; friction took, contact by contact from the hands:" : "; nothing turns, so friction takes nothing"}
      </text>
      <rect x={left} y={y} width={view.actualAdvantage * per} height={16} fill="var(--held)" stroke="var(--ink)" />
      {frictionParts(view).map((part, i) => {
        const from = left + part.from * per;
        const wide = (part.to - part.from) * per;
        return (
          <g key={i}>
            <rect x={from} y={y} width={Math.max(0, wide)} height={16} fill={i % 2 === 0 ? "var(--sheet)" : "var(--tint)"} stroke="var(--ink)" strokeDasharray="3 2" />
            {wide > 24 && <text x={from + wide / 2} y={y + 12} textAnchor="middle" fill="var(--ink)" className="font-tight text-[12px]">{(part.to - part.from).toFixed(2)}</text>}
          </g>
        );
      })}
    </g>
  );
}

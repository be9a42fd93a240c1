import { useEffect, useRef, useState } from "react";
import { Refusal } from "../api/client";
import type { Line, Plan, TackleView } from "../api/types";
import { useView } from "../state/view";
import { Button } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, written } from "../units/units";
import { Handle } from "./Handle";
import { useTackleView } from "../state/useTackle";
import { labelRows, layOut, progressOf, resetSteps, setLength } from "./tackleLayout";
import { Capture, HauledEnd, Hold, Joint, PointDrawing, Span, Strap } from "./TackleParts";
import { perMetreAt, roundRatio, usePaper } from "./paper";
import { PaperBar } from "./PaperBar";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";
import { FrictionBar } from "./FrictionBar";

/** Every leg of the tackle with its tension, every point with its force, and the haul played. */
export function TackleDrawing({ plan, line: asked }: { plan: Plan; line?: number }) {
  const chosen = useView((s) => s.line);
  const line = Math.min(asked ?? chosen, plan.lines.length - 1);
  const [box, size] = useSize<HTMLDivElement>();
  const view = useTackleView(line);
  const members = plan.lines[line];
  const refusal =
    view.error instanceof Refusal
      ? (Object.values(view.error.errors)[0]?.[0] ?? view.error.message)
      : view.isError
        ? "Draklo does not answer."
        : undefined;
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden">
      {refusal !== undefined && (
        <p role="alert" className="m-6 max-w-[56ch] border-l-4 border-ink pl-3 leading-snug" data-refused>
          {refusal}
        </p>
      )}
      {refusal === undefined && view.data && members && size.width > 0 && (
        <Drawing key={view.data.name} view={view.data} line={members} width={size.width} height={size.height} />
      )}
    </div>
  );
}

type Play = { set: number; hauled: number; phase: "haul" | "reset"; step: number; running: boolean };

const start: Play = { set: 0, hauled: 0, phase: "haul", step: 0, running: false };
const setSeconds = 4;
/** A pull of so many pixels hauls a whole set. */
const setPixels = 160;
const stepSeconds = 1.1;

function Drawing({ view, line, width, height }: { view: TackleView; line: Line; width: number; height: number }) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const paper = usePaper();
  const units = useSettings((s) => s.units);
  const [play, setPlay] = useState<Play>(start);
  const whole = setLength(view);
  usePlay(play, setPlay, view);

  const resetting = play.phase === "reset";
  const shown = resetting && play.step >= 2 ? whole * Math.max(0, 1 - (play.step - 2)) : play.hauled;
  const { legs, points, lanes } = layOut(view, shown);
  const low = Math.min(...view.startsM) - 0.4;
  const high = Math.max(...view.startsM);
  const fitted = (width - 330) / (high - low);
  const perMetre = paper ? perMetreAt(roundRatio(fitted)) : fitted;
  const x = (metres: number) => 200 + (high - metres) * perMetre;
  const top = 66;
  const rows = line.tackle.hold ? 156 : 126;
  const gap = Math.min(56, Math.max(11, (height - top - rows - 110) / Math.max(lanes, 1)));
  const y = (lane: number) => top + (lane + 0.5) * gap;
  const places = { x, y, gap };
  const most = Math.max(...view.legForcesN, 1);
  const small = gap < 24;
  const done = progressOf(view, play.set, resetting ? whole : play.hauled);
  const all = view.takeUpM * view.idealAdvantage;
  const finished = done.hauledM >= all - 1e-6;
  const hand = points.find((p) => p.kind === "hand");
  const load = points.find((p) => p.kind === "load");
  const grounds = points.filter((p) => p.kind === "fixed");
  const handAway = hand && hand.at > (load?.at ?? 0) ? -1 : 1;
  const below = top + lanes * gap + 14;
  // Rove in the line itself, the leg that ends at the load is the line: it runs straight on to the tree.
  const runsOn = view.inLine ? legs.find((l) => !l.turns && l.toPoint === load?.id) : undefined;
  const loadY = runsOn ? y(runsOn.lane) : load ? (y(load.first) + y(load.last)) / 2 : 0;
  const labels = labelRows(
    points
      .filter((p) => p.kind !== "hand")
      .map((p) => ({
        text: `${(p.id === "load" ? (view.inLine ? "the line" : line.tackle.grip ? "grip on the line" : "loop in the line") : names[p.id]) ?? p.id.replace(/-/g, " ")} ${written(resetting && play.step >= 1 && p.kind !== "load" ? (p.kind === "fixed" ? (load?.forceN ?? 0) : 0) : p.forceN, "force", units)}`,
        x: x(p.at),
      })),
    6.6,
    width,
  );
  return (
    <div className="relative h-full">
      <svg
        ref={svg}
        width={width}
        height={height}
        role="group"
        aria-label={`Tackle: ${view.name}, every leg with its tension`}
        className="block select-none"
        data-tackle={view.name}
      >
        <text x={26} y={28} fill="var(--ink)" className="font-tight text-[16px] font-semibold">
          {view.name}
        </text>
        {view.peopleSay !== undefined && (
          <text x={26} y={48} fill="var(--ink)" className="font-tight text-[14px]">
            {view.peopleSay}
          </text>
        )}
        {grounds.map((p) => (
          <Strap
            key={p.id}
            x={x(p.at)}
            y={(y(p.first) + y(p.last)) / 2}
            away={p.at > (load?.at ?? 0) ? -1 : 1}
            clear={gap / 2}
            ground={gap / 2 + 46}
          />
        ))}
        {load && (
          <Joint
            line={line}
            inLine={view.inLine}
            x={x(load.at) - (!runsOn && legs.some((l) => l.turns && l.toPoint === load.id) ? gap / 2 - 6 : 0)}
            runsOn={runsOn !== undefined}
            y={loadY}
            edge={26}
          />
        )}
        {load && (
          <text x={26} y={loadY - 10} fill="var(--loaded)" className="halo font-tight text-[14px] font-semibold">
            {written(load.forceN, "force", units)} to the tree
          </text>
        )}
        {load && line.tackle.hold && (
          <Hold
            hold={line.tackle.hold}
            x={x(load.at) - 78 - gap / 2}
            y={loadY}
            ground={x(grounds[0]?.at ?? 0) + gap / 2 + 46}
            under={below + 4}
            holding={resetting}
          />
        )}
        {points.map((p) => (
          <PointDrawing key={p.id} point={p} runsOn={runsOn?.index} legs={legs} turns={view.contacts} places={places} />
        ))}
        {legs.map((leg) => {
          const tension = view.legForcesN[leg.index] ?? 0;
          const [a, b] = [x(leg.from), x(leg.to)];
          const away = Math.sign(b - a) || 1;
          const slack = resetting && play.step >= 1;
          return (
            <g key={leg.index} data-leg={leg.index}>
              <path
                d={`M${a} ${y(leg.lane)}H${b}${leg.turns ? `a${gap / 2} ${gap / 2} 0 0 ${away > 0 ? 1 : 0} 0 ${gap}` : ""}`}
                fill="none"
                stroke={slack ? "var(--pencil)" : "var(--loaded)"}
                strokeWidth={slack ? 1.2 : 1.2 + (3.2 * tension) / most}
              />
              {Math.abs(b - a) > 46 && (
                <text
                  x={(a + b) / 2}
                  y={y(leg.lane) - (small ? 2.5 : 6)}
                  textAnchor="middle"
                  fill="var(--loaded)"
                  className={`halo font-tight font-semibold ${small ? "text-[12px]" : "text-[14px]"}`}
                >
                  {!slack && figure(tension, "force", units)}
                  {!small && Math.abs(b - a) > 120 && leg.fromPoint !== "hand" && (
                    <tspan fill="var(--pencil)" className="font-normal" dx={8}>
                      {written(Math.abs(leg.to - leg.from), "length", units)}
                    </tspan>
                  )}
                  {!small && leg.offDeg > 0 && Math.abs(b - a) > 120 && (
                    <tspan fill="var(--pencil)" className="font-normal" dx={8}>
                      {written(leg.offDeg, "degrees", units)} off
                    </tspan>
                  )}
                </text>
              )}
            </g>
          );
        })}
        {view.capture &&
          legs
            .filter((l) => l.rope === view.capture?.rope && l.contact === view.capture.contact)
            .map((l) => (
              <Capture
                key="capture"
                kind={view.capture?.kind ?? "cam"}
                x={x(l.to)}
                y={y(l.lane)}
                away={Math.sign(x(l.to) - x(l.from)) || 1}
                clear={gap / 2}
                holding={!play.running || (resetting && view.capture?.holdsReset === true)}
              />
            ))}
        {hand && (
          <HauledEnd
            x={x(hand.at)}
            y={y(hand.first)}
            away={handAway}
            text={`hands ${written(view.handForceN, "force", units)}`}
          />
        )}
        {view.spaceM > 0 && load && grounds[0] && (
          <Span
            from={x(load.at)}
            to={x(grounds[0].at)}
            y={below + (line.tackle.hold ? 40 : 8)}
            text={`${written(Math.abs(load.at - grounds[0].at), "length", units)} from anchor to ${line.tackle.grip ? "grip" : "loop"}; ${written(view.spaceM, "length", units)} opened, ${written(view.spaceM - (view.sets.linePerSetM ?? 0), "length", units)} when the blocks meet`}
          />
        )}
        {labels.map((l) => (
          <text
            key={l.text}
            x={l.x}
            y={below + (line.tackle.hold ? 60 : 28) + l.row * 15}
            textAnchor="middle"
            fill="var(--ink)"
            className="halo font-tight text-[13px] font-semibold"
            data-label
          >
            {l.text}
          </text>
        ))}
        {paper && <PaperBar x={26} y={height - 16} perMetre={perMetre} unit={1} text="1 m along the line" />}
        <FrictionBar view={view} y={height - (width < 640 ? 144 : 92)} width={width - 60} />
        {hand && (
          <Handle
            id="haul"
            at={{ x: x(hand.at) + handAway * 54, y: y(hand.first) }}
            name="Haul the rope"
            now={Math.round(done.hauledM * 10) / 10}
            min={0}
            max={Math.round(all * 10) / 10}
            text={`${written(done.hauledM, "length", units)} hauled`}
            onMove={(to) => {
              setPlay((p) => hauledTo(p, view, (((to.x - x(hand.at)) * handAway - 54) * whole) / setPixels));
            }}
            onStep={(across, up) => {
              setPlay((p) => hauledTo(p, view, p.hauled + (across + up) * 0.25));
            }}
            onRelease={() => undefined}
            shape="bar"
          />
        )}
      </svg>
      <div
        className={`absolute bottom-2 left-6 right-6 flex ${paper ? "hidden" : ""} flex-wrap items-center gap-3 font-tight text-sm`}
      >
        <Button
          strong
          onClick={() => {
            setPlay((p) => toggled(p, view));
          }}
          title="Space"
        >
          {play.running ? "Stop" : finished ? "Haul again" : "Haul"}
        </Button>
        <Button
          onClick={() => {
            setPlay(start);
          }}
        >
          Open it
        </Button>
        <p data-haul role="status">
          set {Math.min(done.set, view.sets.sets)} of {view.sets.sets} · hauled {written(done.hauledM, "length", units)}{" "}
          of {written(all, "length", units)} · line in {written(done.lineInM, "length", units)} of{" "}
          {written(view.takeUpM, "length", units)}
          {view.ropeM > 0 ? ` · rope in it ${written(view.ropeM, "length", units)}` : ""}
        </p>
        {resetting && !play.running && (
          <Button
            onClick={() => {
              setPlay(nextStep);
            }}
          >
            Next step
          </Button>
        )}
        {resetting && (
          <p className="font-semibold" data-reset>
            {resetSteps(view)[Math.min(4, Math.floor(play.step))]}
          </p>
        )}
        {finished && <p className="font-semibold">the tree commits here</p>}
      </div>
    </div>
  );
}

const names: Record<string, string> = {
  grip: "second hitch",
  "traveller-line": "traveller",
  "second-anchor": "second anchor",
};

/** The pull at so much rope in this set; at its end the reset begins. */
function hauledTo(play: Play, view: TackleView, hauled: number): Play {
  if (play.phase === "reset") return play;
  const whole = setLength(view);
  const left = view.takeUpM * view.idealAdvantage - play.set * whole;
  const end = Math.min(whole, left);
  if (hauled < end) return { ...play, hauled: Math.max(0, hauled) };
  return play.set + 1 < view.sets.sets
    ? { ...play, hauled: end, phase: "reset", step: 0 }
    : { ...play, hauled: end, running: false };
}

/** Started or stopped; once the tree has committed, from the beginning again. */
function toggled(play: Play, view: TackleView): Play {
  const all = view.takeUpM * view.idealAdvantage;
  return progressOf(view, play.set, play.phase === "reset" ? setLength(view) : play.hauled).hauledM >= all - 1e-6
    ? { ...start, running: true }
    : { ...play, running: !play.running };
}

/** One step of the reset by hand; after the last the next set begins. */
function nextStep(play: Play): Play {
  const step = Math.floor(play.step) + 1;
  return step < 5 ? { ...play, step } : { ...play, set: play.set + 1, hauled: 0, phase: "haul", step: 0 };
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
    return () => {
      cancelAnimationFrame(frame);
      before.current = null;
    };
  }, [play.running, setPlay, view]);
  useEffect(() => {
    function onKey(event: KeyboardEvent): void {
      if (
        event.key !== " " ||
        event.target instanceof HTMLInputElement ||
        event.target instanceof HTMLButtonElement ||
        event.target instanceof HTMLTextAreaElement
      )
        return;
      event.preventDefault();
      setPlay((p) => toggled(p, view));
    }
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, [setPlay, view]);
}

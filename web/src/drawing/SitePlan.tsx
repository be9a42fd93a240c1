import { useDeferredValue, useRef, useState, type MouseEvent, type WheelEvent } from "react";
import type { Analysis, Plan } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { unitOf, written } from "../units/units";
import { Handle } from "./Handle";
import { pointIn } from "./pinch";
import { LayRoseRing } from "./LayRoseRing";
import { DangerBands, LineHandles, LoadedLines } from "./LinesOnPlan";
import { barLength, hatchPath, pathOf, toMetres, toPixels, type Flat, type Scale } from "./projection";
import {
  bearingOf,
  flatOf,
  placeAt,
  sectorPath,
  siteBounds,
  siteScale,
  tenth,
  turnedTo,
  type SitePlace,
} from "./sitePlan";
import { PeopleOnPlan } from "./PeopleOnPlan";
import { SectionOnPlan } from "./SectionOnPlan";
import { TargetShape } from "./TargetShape";
import { roundRatio, roundScale, usePaper } from "./paper";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";
import { useRose } from "./useRose";
import { useDraftKeys } from "./draft";
import { Label, Mark, North, PlanPatterns } from "./PlanMarks";
import { rangeOf } from "../state/members";

interface SitePlanProps {
  plan: Plan;
  analysis: Analysis;
}

/** The site from above, north up and true to scale. Lay, anchors, haulers and targets are taken hold of here. */
export function SitePlan({ plan, analysis }: SitePlanProps) {
  const [box, size] = useSize<HTMLDivElement>();
  const [held, setHeld] = useState<Scale | null>(null);
  const [zoom, setZoom] = useState(1);
  const fitted = siteScale(siteBounds(plan, analysis), size.width, size.height);
  const paper = usePaper();
  const near = {
    perMetre: fitted.perMetre * zoom,
    left: size.width / 2 + (fitted.left - size.width / 2) * zoom,
    bottom: size.height / 2 + (fitted.bottom - size.height / 2) * zoom,
  };
  const scale = held ?? (paper ? roundScale(near, size.width, size.height) : near);
  const zoomBy = (factor: number) => {
    setZoom((z) => Math.min(8, Math.max(0.3, z * factor)));
  };
  return (
    <div
      ref={box}
      className="relative h-full w-full overflow-hidden"
      onWheel={(event: WheelEvent) => {
        zoomBy(event.deltaY < 0 ? 1.15 : 1 / 1.15);
      }}
    >
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
      <div className={`absolute right-3 top-2 flex gap-1 ${paper ? "hidden" : ""}`}>
        {(
          [
            ["−", "Show more of the site", 1 / 1.3],
            ["+", "Show it larger", 1.3],
          ] as const
        ).map(([sign, name, factor]) => (
          <button
            key={sign}
            type="button"
            aria-label={name}
            className="h-8 w-8 border border-ink bg-sheet font-tight"
            onClick={() => {
              zoomBy(factor);
            }}
          >
            {sign}
          </button>
        ))}
        <button
          type="button"
          aria-label="Fit the site to the sheet"
          className="h-8 border border-ink bg-sheet px-2 font-tight text-sm"
          onClick={() => {
            setZoom(1);
          }}
        >
          fit
        </button>
      </div>
    </div>
  );
}

/** The middle of the far end of a footprint, whose corners go from the stump's left round to its right. */
function tornTip(footprint: SitePlace[]): SitePlace {
  const [left, right] = [footprint[3], footprint[4]];
  return left && right
    ? { eastM: (left.eastM + right.eastM) / 2, northM: (left.northM + right.northM) / 2 }
    : { eastM: 0, northM: 0 };
}

function TornLabel({ when, at, stump }: { when: "underPull" | "slack"; at: Flat; stump: Flat }) {
  return (
    <text
      x={at.x}
      y={at.y + (at.y < stump.y ? -6 : 14)}
      textAnchor="middle"
      fill="var(--ink)"
      className="halo font-tight text-[12px]"
    >
      {when === "slack" ? "if it tears, lines slack" : "if it tears under the pull"}
    </text>
  );
}

interface DrawingProps extends SitePlanProps {
  scale: Scale;
  width: number;
  height: number;
  hold: (on: boolean) => void;
}

function Drawing({ plan, analysis, scale, width, height, hold }: DrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const paper = usePaper();
  const units = useSettings((s) => s.units);
  const target = useView((s) => s.target);
  const draft = useView((s) => s.draft);
  const rose = useView((s) => s.rose);
  const set = useView((s) => s.set);
  const release = useSheet((s) => s.release);
  const { site } = analysis;
  const lay = plan.lay.bearingDeg;
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const metres = (to: Flat): SitePlace => {
    const at = toMetres(scale, to);
    return { eastM: tenth(at.x), northM: tenth(at.y) };
  };
  const stump = px({ eastM: 0, northM: 0 });
  const tip = placeAt(plan.tree.heightM, lay);
  const done = () => {
    release();
    hold(false);
  };
  const grab = () => {
    hold(true);
  };
  const shape = (places: SitePlace[]) => pathOf(places.map(px), true);
  const foot = unitOf("length", units).si;
  // Clear of the line beyond the tip when the lay runs across the sheet.
  const across = Math.abs(Math.sin((lay * Math.PI) / 180)) > 0.7;
  const beyond = px(placeAt(plan.tree.heightM + (across ? 0 : 24) / scale.perMetre, lay));
  const bar = barLength(scale.perMetre * foot, 110);
  useDraftKeys(plan);

  function onClick(event: MouseEvent<SVGSVGElement>): void {
    if (draft)
      set({
        draft: {
          ...draft,
          points: [...draft.points, metres(pointIn(event.currentTarget, event))],
        },
      });
    else if (event.target === event.currentTarget) set({ target: null });
  }

  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label="Plan of the site from above, north up"
      className={`block select-none ${draft ? "cursor-crosshair" : ""}`}
      onClick={onClick}
    >
      <PlanPatterns />
      <g aria-hidden pointerEvents="none">
        <circle
          cx={stump.x}
          cy={stump.y}
          r={site.reachM * scale.perMetre}
          fill="none"
          stroke="var(--pencil)"
          strokeWidth={1}
          strokeDasharray="2 6"
        />
        <path
          d={sectorPath(stump, 0, site.sectorM * scale.perMetre, lay - 45, lay + 45)}
          fill="none"
          stroke="var(--pencil)"
          strokeWidth={1}
          strokeDasharray="8 5"
        />
        <path
          d={hatchPath(site.footprint.map(px), 9, 135)}
          stroke="var(--ink)"
          strokeWidth={0.7}
          opacity={0.45}
          fill="none"
        />
        <path d={shape(site.footprint)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        {site.tornWays.map((t) => (
          <path
            key={t.when}
            d={shape(t.footprint)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1}
            strokeDasharray={t.when === "slack" ? "1 5" : "5 5"}
          />
        ))}
        {site.retreats.map((r) => (
          <path
            key={r.bearingDeg}
            d={shape(r.strip)}
            opacity={r.givenUpBy === undefined ? 1 : 0.35}
            fill={r.clear ? "var(--sheet)" : "url(#tight-hatch)"}
            stroke="var(--ink)"
            strokeWidth={1}
            strokeDasharray={r.clear ? undefined : "3 3"}
          />
        ))}
        <DangerBands analysis={analysis} scale={scale} />
      </g>
      {plan.site.targets.map((t, index) => (
        <TargetShape
          key={t.id}
          target={t}
          index={index}
          clearance={site.targets.find((c) => c.id === t.id)}
          scale={scale}
          taken={t.id === target}
          drawing={draft !== null}
          onGrab={grab}
          onRelease={done}
        />
      ))}
      <g aria-hidden pointerEvents="none">
        {site.retreats.map((r) => {
          const end = px(placeAt(8.6, r.bearingDeg));
          return (
            <text
              key={r.bearingDeg}
              x={end.x}
              y={end.y + 4}
              textAnchor={end.x < stump.x ? "end" : "start"}
              fill="var(--ink)"
              className="halo font-tight text-[13px]"
            >
              {r.givenUpBy !== undefined ? "given up" : r.clear ? "escape route" : "BLOCKED"}
            </text>
          );
        })}
        {site.tornWays.map((t) => (
          <TornLabel key={t.when} when={t.when} at={px(tornTip(t.footprint))} stump={stump} />
        ))}
        <path d={shape(site.crown)} fill="none" stroke="var(--leaf)" strokeWidth={1.4} strokeLinejoin="round" />
        <LoadedLines plan={plan} analysis={analysis} scale={scale} height={height} />
        <path d={pathOf([stump, px(site.top)])} stroke="var(--bark)" strokeWidth={2.5} />
        <circle
          cx={stump.x}
          cy={stump.y}
          r={Math.max(4, (plan.cut.stumpDiameterM / 2) * scale.perMetre)}
          fill="var(--wood)"
          stroke="var(--bark)"
          strokeWidth={1.5}
        />
        <g transform={`translate(${px(site.centre).x.toFixed(1)} ${px(site.centre).y.toFixed(1)})`}>
          <circle r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.3} />
          <path d="M0 0V-6A6 6 0 0 1 6 0ZM0 0V6A6 6 0 0 1 -6 0Z" fill="var(--ink)" />
        </g>
        <path d={pathOf([stump, px(tip)])} stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="12 4 2 4" />
        {Math.abs(analysis.aim.offsetDeg) > 0.3 && (
          <path
            d={pathOf([stump, px(placeAt(plan.tree.heightM * 0.6, analysis.aim.bearingDeg))])}
            stroke="var(--ink)"
            strokeWidth={1}
          />
        )}
        {Math.abs(analysis.aim.offsetDeg) > 0.3 && (
          <Label
            at={px(placeAt(plan.tree.heightM * 0.62, analysis.aim.bearingDeg))}
            text={`aim ${written(Math.abs(analysis.aim.offsetDeg), "angle", units)} ${analysis.aim.offsetDeg > 0 ? "right" : "left"}`}
          />
        )}
        {plan.site.mark && <Mark at={px(plan.site.mark)} />}
        <Label
          at={{ x: 26, y: height - 36 }}
          text={`leans ${written(plan.tree.lean.angleDeg, "angle", units)} toward ${written(plan.tree.lean.bearingDeg, "angle", units)}`}
        />
        <North x={34} y={44} />
        <g transform={`translate(26 ${height - 18})`}>
          <path d={`M0 0H${bar * scale.perMetre * foot}`} stroke="var(--ink)" strokeWidth={3} />
          <text x={bar * scale.perMetre * foot + 8} y={4} fill="var(--pencil)" className="halo font-tight text-[13px]">
            {bar} {units === "us" ? "ft" : "m"}
            {paper && ` · 1 : ${roundRatio(scale.perMetre)}`}
            {width > 620 &&
              ` · hatched: where it falls, missed by ${plan.site.aimErrorDeg}° · dashed: drop sector · dotted: reach while cutting, ${written(site.reachM, "length", units)}`}
          </text>
        </g>
      </g>
      {rose && <Rose plan={plan} at={stump} scale={scale} />}
      {draft && (
        <path
          aria-hidden
          d={pathOf(draft.points.map(px))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray="5 3"
          markerStart=""
        />
      )}
      {draft?.points.map((p, i) => (
        <circle aria-hidden key={i} cx={px(p).x} cy={px(p).y} r={4} fill="var(--ink)" />
      ))}
      <Handle
        id="lay"
        at={px(tip)}
        name="Lay"
        now={lay}
        {...rangeOf("lay.bearingDeg")}
        text={`toward ${written(lay, "angle", units)}`}
        onMove={(to) => {
          const at = toMetres(scale, to);
          if (Math.hypot(at.x, at.y) > 1) setMember("lay.bearingDeg", bearingOf(at), "lay");
        }}
        onStep={(across, up) => {
          setMember("lay.bearingDeg", (((lay + across + up) % 360) + 360) % 360, "lay");
        }}
        onGrab={grab}
        onRelease={done}
        shape="bar"
      />
      <g aria-hidden pointerEvents="none">
        <Label
          at={{ x: beyond.x, y: beyond.y + (across ? -16 : 4) }}
          text={`lay ${written(lay, "angle", units)}`}
          middle
          strong
        />
      </g>
      <LineHandles plan={plan} analysis={analysis} scale={scale} onGrab={grab} onRelease={done} />
      <SectionOnPlan plan={plan} scale={scale} onGrab={grab} onRelease={done} />
      <PeopleOnPlan plan={plan} analysis={analysis} scale={scale} onGrab={grab} onRelease={done} />
    </svg>
  );
}

/** The rose is asked for apart and only while it is shown; it may come a moment after the drawing. */
function Rose({ plan, at, scale }: { plan: Plan; at: Flat; scale: Scale }) {
  const asked = useDeferredValue(plan);
  const rose = useRose(asked, true);
  if (!rose) return null;
  return (
    <LayRoseRing
      rose={rose}
      at={at}
      radius={plan.tree.heightM * scale.perMetre}
      onPick={(bearing) => {
        useSheet.getState().edit((d) => ({ ...d, plan: turnedTo(d.plan, bearing) }));
      }}
    />
  );
}

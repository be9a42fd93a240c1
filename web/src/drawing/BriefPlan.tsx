import { apart, disc } from "./discs";
import { unitOf } from "../units/units";
import { useRef } from "react";
import type { Analysis, Brief, Plan } from "../api/types";
import { useSettings } from "../ui/settings";
import { Mark, North, PlanPatterns } from "./PlanMarks";
import { barLength, fit, hatchPath, pathOf, toPixels, type Bounds, type Flat, type Scale } from "./projection";
import { flatOf, placeAt, sectorPath, type SitePlace } from "./sitePlan";
import { TargetShape } from "./TargetShape";
import { useSize } from "./useSize";
import { useLaidOut } from "./useLaidOut";

interface BriefPlanProps {
  plan: Plan;
  analysis: Analysis;
  people: Brief["people"];
}

const margin = { top: 24, right: 24, bottom: 34, left: 24 };
/** Radius of a person's disc. */
const ignore = () => undefined;

/** As wide as this it is drawn; a page that is wider or narrower enlarges or shrinks it. */
const [narrowest, widest] = [340, 620];
/** Height over width. */
const upright = 0.88;

/** The site as everybody on it must know it, black on white: ways out, bands, each person's place. Nothing to take hold of. */
export function BriefPlan(props: BriefPlanProps) {
  const [box, size] = useSize<HTMLDivElement>();
  const width = Math.round(Math.min(widest, Math.max(narrowest, size.width)));
  return (
    <div ref={box}>{size.width > 0 && <Drawing {...props} width={width} height={Math.round(width * upright)} />}</div>
  );
}

function Drawing({ plan, analysis, people, width, height }: BriefPlanProps & { width: number; height: number }) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const { site } = analysis;
  const scale = middled(boundsOf(analysis), width, height);
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const shape = (places: SitePlace[]) => pathOf(places.map(px), true);
  const stump = px({ eastM: 0, northM: 0 });
  const lay = plan.lay.bearingDeg;
  const foot = unitOf("length", units).si;
  const discs = apart(people.map((p) => px(p.place)));
  const bar = barLength(scale.perMetre * foot, 110);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label="Plan of the site, north up, with everybody's place"
      className="block h-auto w-full"
      data-brief-plan
    >
      <PlanPatterns />
      {plan.site.targets.map((t, index) => (
        <TargetShape
          key={t.id}
          target={t}
          index={index}
          clearance={site.targets.find((c) => c.id === t.id)}
          scale={scale}
          taken={false}
          drawing
          onGrab={ignore}
          onRelease={ignore}
        />
      ))}
      <g aria-hidden>
        <path
          d={sectorPath(stump, 0, site.sectorM * scale.perMetre, lay - 45, lay + 45)}
          fill="none"
          stroke="var(--pencil)"
          strokeDasharray="8 5"
        />
        <path
          d={hatchPath(site.footprint.map(px), 9, 135)}
          stroke="var(--ink)"
          strokeWidth={0.7}
          fill="none"
          opacity={0.6}
        />
        <path d={shape(site.footprint)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        {site.lines.flatMap((l) =>
          [...l.bands, ...l.insideTurns].map((band, i) => (
            <path key={`${l.id}-${i}`} d={shape(band)} fill="none" stroke="var(--pencil)" strokeDasharray="3 3" />
          )),
        )}
        {site.retreats.map((r) => {
          const end = px(placeAt(9.5, r.bearingDeg));
          return (
            <g key={r.bearingDeg} opacity={r.givenUpBy === undefined ? 1 : 0.4}>
              <path d={shape(r.strip)} fill={r.clear ? "var(--held)" : "url(#tight-hatch)"} stroke="var(--ink)" />
              <text
                x={end.x}
                y={end.y + 4}
                textAnchor={end.x < stump.x ? "end" : "start"}
                fill="var(--ink)"
                className="halo font-tight text-[13px]"
              >
                {r.givenUpBy !== undefined ? "given up" : r.clear ? "way out" : "BLOCKED"}
              </text>
            </g>
          );
        })}
        {site.lines.map((l) => (
          <path
            key={l.id}
            d={pathOf([...l.legs, ...(l.insideTurns.length === l.legs.length - 1 ? [l.crew] : [])].map(px))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={3}
            strokeLinejoin="round"
          />
        ))}
        <circle cx={stump.x} cy={stump.y} r={8} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
        <circle cx={stump.x} cy={stump.y} r={2.5} fill="var(--ink)" />
        {site.lines.map((l, i) => {
          const at = px(l.anchor);
          return (
            <g key={l.id}>
              <rect
                x={at.x - 6}
                y={at.y - 6}
                width={12}
                height={12}
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeWidth={2.5}
              />
              <text
                x={at.x + (at.x > width * 0.7 ? -12 : 12)}
                y={at.y - 9}
                textAnchor={at.x > width * 0.7 ? "end" : "start"}
                fill="var(--ink)"
                className="halo font-tight text-[13px]"
              >
                {plan.lines[i]?.anchor.name ?? "anchor"}
              </text>
            </g>
          );
        })}
        {plan.site.mark && <Mark at={px(plan.site.mark)} />}
        {plan.site.mark && plan.site.markName !== undefined && (
          <text
            x={px(plan.site.mark).x}
            y={px(plan.site.mark).y + 24}
            textAnchor="middle"
            fill="var(--ink)"
            className="halo font-tight text-[13px]"
          >
            mark: {plan.site.markName}
          </text>
        )}
        {people.map((p, i) => {
          const at = discs[i] ?? px(p.place);
          return (
            <g key={p.name} data-person-at={p.name}>
              <circle cx={at.x} cy={at.y} r={disc} fill="var(--ink)" data-block />
              <text
                x={at.x}
                y={at.y + 4.5}
                textAnchor="middle"
                fill="var(--sheet)"
                data-fixed
                className="font-tight text-[13px] font-semibold"
              >
                {p.letter}
              </text>
            </g>
          );
        })}
        {people.map((p, i) => {
          const at = discs[i] ?? px(p.place);
          const end = at.x > width * 0.7;
          return (
            <text
              key={p.name}
              x={at.x + (end ? -15 : 15)}
              y={at.y + 5}
              textAnchor={end ? "end" : "start"}
              fill="var(--ink)"
              data-first
              data-near
              className="halo font-tight text-[14px] font-semibold"
            >
              {p.name}
            </text>
          );
        })}
        <g data-fixed>
          <North x={30} y={40} />
          <g transform={`translate(${width - 30 - bar * scale.perMetre * foot} ${height - 14})`} data-scale-bar>
            <path
              d={`M0 -5v10M0 0H${bar * scale.perMetre * foot}m0 -5v10`}
              stroke="var(--ink)"
              strokeWidth={2}
              fill="none"
            />
            <text
              x={bar * scale.perMetre * foot}
              y={-9}
              textAnchor="end"
              fill="var(--ink)"
              className="halo font-tight text-[13px]"
            >
              {bar} {units === "us" ? "ft" : "m"}
            </text>
          </g>
        </g>
      </g>
    </svg>
  );
}

/** What the crew must see: the fall, the lines, the ways out and everybody; what lies farther off is cut at the edge. */
function boundsOf(analysis: Analysis): Bounds {
  const { site } = analysis;
  const places = [
    ...site.footprint,
    ...site.lines.flatMap((l) => [...l.legs, l.crew]),
    ...site.people.map((p) => p.place),
    ...site.retreats.map((r) => placeAt(11, r.bearingDeg)),
  ];
  const east = places.map((p) => p.eastM);
  const north = places.map((p) => p.northM);
  return { minX: Math.min(...east), maxX: Math.max(...east), minY: Math.min(...north), maxY: Math.max(...north) };
}

function middled(bounds: Bounds, width: number, height: number): Scale {
  const scale = fit(bounds, width, height, margin);
  const middle = margin.top + (height - margin.top - margin.bottom) / 2;
  return { ...scale, bottom: middle + ((bounds.minY + bounds.maxY) / 2) * scale.perMetre };
}

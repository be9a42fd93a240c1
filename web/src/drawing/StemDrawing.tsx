import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { useRef } from "react";
import type { Plan, StemProfile } from "../api/types";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";
import { useStem } from "./useStem";

/** Bending along the height, of the lines and of the weight, against what the wood carries. */
export function StemDrawing({ plan }: { plan: Plan }) {
  const [box, size] = useSize<HTMLDivElement>();
  const at = useView((s) => s.line);
  const profile = useStem(Math.min(at, plan.lines.length - 1));
  return (
    <div ref={box} className="h-full w-full overflow-hidden">
      {profile && size.width > 0 && <Drawing plan={plan} profile={profile} width={size.width} height={size.height} />}
    </div>
  );
}

function Drawing({
  plan,
  profile,
  width,
  height,
}: {
  plan: Plan;
  profile: StemProfile;
  width: number;
  height: number;
}) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const units = useSettings((s) => s.units);
  const bottom = height - 56;
  const top = 30;
  const y = scaleLinear([0, plan.tree.heightM], [bottom, top]);
  const stemX = 150;
  // The stem is drawn wider than to scale, so that its taper can be seen; its height is to scale.
  const thickest = Math.max(...profile.slices.map((s) => s.diameterM));
  const half = (d: number) => (d / thickest) * 34;
  const left = 300;
  const { worst } = profile;
  const most = Math.max(
    profile.allowedMPa * 1.15,
    worst.lineMPa,
    ...profile.slices.map((s) => Math.max(s.weightMPa, s.togetherMPa)),
  );
  const x = scaleLinear([0, most], [left, width - 60]);
  const curve = (of: (s: StemProfile["slices"][number]) => number) =>
    line<StemProfile["slices"][number]>(
      (s) => x(of(s)),
      (s) => y(s.heightM),
    )(profile.slices) ?? "";
  const over = worst.lineMPa > profile.allowedMPa;
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="img"
      aria-label={`Bending along the stem: by the lines at most ${written(worst.lineMPa * 1e6, "stress", units)} at ${written(worst.heightM, "length", units)}, allowed ${written(profile.allowedMPa * 1e6, "stress", units)}`}
      className="block select-none"
    >
      <path d={`M40 ${bottom}H${width - 40}`} stroke="var(--ink)" strokeWidth={1.6} />
      <path
        d={
          [
            ...profile.slices.map((s, i) => `${i === 0 ? "M" : "L"}${stemX - half(s.diameterM)} ${y(s.heightM)}`),
            ...[...profile.slices].reverse().map((s) => `L${stemX + half(s.diameterM)} ${y(s.heightM)}`),
          ].join("") + "Z"
        }
        fill="var(--wood)"
        stroke="var(--bark)"
        strokeWidth={1.3}
      />
      {plan.lines.map((l) => (
        <g key={l.id}>
          <path d={`M${stemX} ${y(l.seat.heightM)}h92`} stroke="var(--loaded)" strokeWidth={2.4} />
          <circle cx={stemX} cy={y(l.seat.heightM)} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
          <text x={stemX + 14} y={y(l.seat.heightM) - 7} fill="var(--ink)" className="halo font-tight text-[13px]">
            {plan.lines.length > 1 ? l.id : "seat"} {written(l.seat.heightM, "length", units)}
          </text>
        </g>
      ))}
      <path d={`M${left} ${bottom}V${top}`} stroke="var(--ink)" strokeWidth={1.2} />
      <path
        d={`M${x(profile.allowedMPa)} ${bottom}V${top}`}
        stroke="var(--ink)"
        strokeWidth={1.4}
        strokeDasharray="8 4"
      />
      <text
        x={x(profile.allowedMPa)}
        y={top - 10}
        textAnchor="end"
        fill="var(--ink)"
        className="font-tight text-[13px]"
      >
        allowed {written(profile.allowedMPa * 1e6, "stress", units)}; the wood carries{" "}
        {written(profile.strengthMPa * 1e6, "stress", units)}
      </text>
      <path d={curve((s) => s.weightMPa)} fill="none" stroke="var(--bark)" strokeWidth={1.6} strokeDasharray="2 4" />
      <path
        d={curve((s) => s.togetherMPa)}
        fill="none"
        stroke="var(--pencil)"
        strokeWidth={1.4}
        strokeDasharray="7 4"
      />
      <path d={curve((s) => s.lineMPa)} fill="none" stroke="var(--loaded)" strokeWidth={2.4} />
      <circle cx={x(worst.lineMPa)} cy={y(worst.heightM)} r={4.5} fill="var(--loaded)" />
      <text
        x={x(worst.lineMPa) + 10}
        y={y(worst.heightM) + 4}
        fill="var(--ink)"
        className="halo font-tight text-[14px] font-semibold"
      >
        {written(worst.lineMPa * 1e6, "stress", units)} at {written(worst.heightM, "length", units)}, where the stem is{" "}
        {written(worst.diameterM, "thickness", units)}
        {over ? ": OVER" : ""}
      </text>
      <g transform={`translate(${left} ${bottom + 24})`} className="font-tight text-[13px]">
        <path d="M0 -4h26" stroke="var(--loaded)" strokeWidth={2.4} />
        <text x={32} fill="var(--ink)">
          lines, planned
        </text>
        <path d="M128 -4h26" stroke="var(--bark)" strokeWidth={1.6} strokeDasharray="2 4" />
        <text x={160} fill="var(--ink)">
          weight, as it leans
        </text>
        <path d="M284 -4h26" stroke="var(--pencil)" strokeWidth={1.4} strokeDasharray="7 4" />
        <text x={316} fill="var(--ink)">
          both
        </text>
      </g>
      <text x={40} y={bottom + 24} fill="var(--ink)" className="font-tight text-[13px]">
        seat moves {written(profile.movesAtFloorM, "thickness", units)} at least pre-tension,
      </text>
      <text x={40} y={bottom + 42} fill="var(--ink)" className="font-tight text-[13px]">
        {written(profile.movesAtPlannedM, "thickness", units)} at planned; twice that: stop
      </text>
    </svg>
  );
}

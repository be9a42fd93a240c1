import type { Plan } from "../api/types";
import type { MemberPath } from "../state/memberPath";
import { setMember } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import type { Flat } from "./projection";
import { labelOf } from "../state/members";

/** The stump on the drawing: where its middle is and how large a metre. The lay runs to the right, so right is down. */
export interface StumpScale {
  x: number;
  y: number;
  perMetre: number;
}

export const onStump = (scale: StumpScale, forwardM: number, rightM: number): Flat => ({
  x: scale.x + forwardM * scale.perMetre,
  y: scale.y + rightM * scale.perMetre,
});

const radians = (deg: number) => (deg * Math.PI) / 180;
const cm = (metres: number) => Math.round(metres * 200) / 200;

/** A flare as a lobe beyond the round, toward a direction. */
function flarePath(scale: StumpScale, radiusM: number, flare: Plan["cut"]["flares"][number]): string {
  const toward = radians(flare.towardDeg);
  const half = Math.min(1.2, flare.widthM / 2 / radiusM);
  const at = (angle: number, out: number) =>
    onStump(scale, (radiusM + out) * Math.cos(toward + angle), (radiusM + out) * Math.sin(toward + angle));
  const [a, b, c, d] = [at(-half, 0), at(-half * 0.4, flare.outM), at(half * 0.4, flare.outM), at(half, 0)];
  return `M${a.x} ${a.y}Q${b.x} ${b.y} ${(b.x + c.x) / 2} ${(b.y + c.y) / 2}Q${c.x} ${c.y} ${d.x} ${d.y}`;
}

/** Flares lie under the stump, so that its round stays whole. */
export function Flares({ plan, scale }: { plan: Plan; scale: StumpScale }) {
  return (
    <g aria-hidden>
      {plan.cut.flares.map((flare, i) => (
        <path
          key={i}
          d={flarePath(scale, plan.cut.stumpDiameterM / 2, flare)}
          fill={flare.trimmed ? "none" : "var(--wood)"}
          stroke="var(--bark)"
          strokeWidth={1.6}
          {...(flare.trimmed ? { strokeDasharray: "4 4" } : {})}
        />
      ))}
    </g>
  );
}

/** The strap of a bored cut: the segment of the round that stays until the last cut. */
export function Strap({ plan, scale }: { plan: Plan; scale: StumpScale }) {
  const { back, strap, stumpDiameterM } = plan.cut;
  if (back !== "bore" || !strap) return null;
  const radius = stumpDiameterM / 2;
  const toward = radians(strap.towardDeg);
  const half = Math.acos(Math.max(-1, Math.min(1, (radius - strap.thicknessM) / radius)));
  const a = onStump(scale, radius * Math.cos(toward - half), radius * Math.sin(toward - half));
  const b = onStump(scale, radius * Math.cos(toward + half), radius * Math.sin(toward + half));
  const r = radius * scale.perMetre;
  return (
    <path
      aria-hidden
      d={`M${a.x} ${a.y}A${r} ${r} 0 0 1 ${b.x} ${b.y}Z`}
      fill="url(#stump-hatch)"
      stroke="var(--ink)"
      strokeWidth={1.6}
    />
  );
}

/** Wedges at the edge of the stump, side by side. */
export function Wedges({ plan, scale }: { plan: Plan; scale: StumpScale }) {
  const { wedges, stumpDiameterM } = plan.cut;
  if (!wedges) return null;
  const radius = stumpDiameterM / 2;
  const shown = Array.from({ length: Math.min(wedges.count, 12) }, (_, i) => i);
  return (
    <g aria-hidden>
      {shown.map((i) => {
        const deg = wedges.fromDeg + (i - (wedges.count - 1) / 2) * Math.min(24, 90 / wedges.count);
        const at = onStump(scale, radius * Math.cos(radians(deg)), radius * Math.sin(radians(deg)));
        return (
          <path
            key={i}
            d="M-12 -6V6L24 3V-3Z"
            transform={`translate(${at.x} ${at.y}) rotate(${deg + 180})`}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
        );
      })}
    </g>
  );
}

/** How far the bar reaches from one side, where it does not reach through. */
export function BarReach({ plan, scale, through }: { plan: Plan; scale: StumpScale; through: boolean | undefined }) {
  const units = useSettings((s) => s.units);
  const { barLengthM: bar, stumpDiameterM } = plan.cut;
  if (bar == null || through !== false) return null;
  const back = -stumpDiameterM / 4;
  const from = onStump(scale, back, stumpDiameterM / 2);
  const to = onStump(scale, back, stumpDiameterM / 2 - bar);
  return (
    <g aria-hidden>
      <path d={`M${from.x} ${from.y + 14}V${to.y}`} stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="6 3" />
      <path d={`M${to.x - 7} ${to.y}h14`} stroke="var(--ink)" strokeWidth={1.6} />
      <text x={from.x - 6} y={from.y + 14} textAnchor="end" fill="var(--pencil)" className="font-tight text-[12px]">
        bar {written(bar, "thickness", units)}
      </text>
    </g>
  );
}

/** Rot and bites, over the hinge that they take wood from. */
export function Taken({ plan, scale }: { plan: Plan; scale: StumpScale }) {
  const { cut } = plan;
  const apex = cut.stumpDiameterM / 2 - cut.notch.depthM;
  return (
    <g aria-hidden>
      {cut.bites.map((bite, i) => {
        const a = onStump(scale, apex - cut.hingeThicknessM * 1.3, bite.rightM - bite.widthM / 2);
        const b = onStump(scale, apex + 0.01, bite.rightM + bite.widthM / 2);
        return (
          <rect
            key={`b${i}`}
            x={a.x}
            y={a.y}
            width={b.x - a.x}
            height={b.y - a.y}
            fill="var(--sheet)"
            stroke="var(--bark)"
            strokeDasharray="4 2"
          />
        );
      })}
      <pattern id="rot-hatch" width={5} height={5} patternUnits="userSpaceOnUse">
        <circle cx={1.5} cy={1.5} r={1.1} fill="var(--ink)" />
        <circle cx={4} cy={4} r={0.8} fill="var(--ink)" />
      </pattern>
      {cut.rot.map((rot, i) => {
        const at = onStump(scale, rot.forwardM, rot.rightM);
        const r = (rot.acrossM / 2) * scale.perMetre;
        return (
          <g key={`r${i}`}>
            <circle cx={at.x} cy={at.y} r={r} fill="var(--sheet)" opacity={0.7} />
            <circle cx={at.x} cy={at.y} r={r} fill="url(#rot-hatch)" stroke="var(--ink)" strokeWidth={1.2} />
            <text
              x={at.x}
              y={at.y + r + 14}
              textAnchor="middle"
              fill="var(--ink)"
              className="halo font-tight text-[12px]"
            >
              rot
            </text>
          </g>
        );
      })}
    </g>
  );
}

interface HandlesProps {
  plan: Plan;
  scale: StumpScale;
  onGrab: () => void;
  onRelease: () => void;
}

/** What can be taken hold of on the stump beside notch and hinge. */
export function StumpHandles({ plan, scale, onGrab, onRelease }: HandlesProps) {
  const units = useSettings((s) => s.units);
  const { cut } = plan;
  const radius = cut.stumpDiameterM / 2;
  const said = (metres: number) => written(metres, "thickness", units);
  const away = (to: Flat) => ({
    forwardM: (to.x - scale.x) / scale.perMetre,
    rightM: (to.y - scale.y) / scale.perMetre,
  });
  const put = (path: MemberPath, value: unknown) => {
    setMember(path, value, path);
  };
  const common = { onGrab, onRelease, min: -radius, max: radius };
  return (
    <>
      {cut.rot.map((rot, i) => {
        const move = (forwardM: number, rightM: number) => {
          const off = Math.hypot(forwardM, rightM);
          const k = off > radius ? radius / off : 1;
          put(`cut.rot[${i}]`, { ...rot, forwardM: cm(forwardM * k), rightM: cm(rightM * k) });
        };
        const size = (acrossM: number) => {
          put(`cut.rot[${i}].acrossM`, Math.min(2 * radius, Math.max(0.01, cm(acrossM))));
        };
        return (
          <g key={`rot${i}`}>
            <Handle
              {...common}
              id={`rot-${i}`}
              name={`Rot ${i + 1}`}
              at={onStump(scale, rot.forwardM, rot.rightM)}
              now={rot.forwardM}
              text={`${said(rot.forwardM)} forward, ${said(rot.rightM)} right`}
              onMove={(to) => {
                const at = away(to);
                move(at.forwardM, at.rightM);
              }}
              onStep={(across, up) => {
                move(rot.forwardM + across * 0.01, rot.rightM - up * 0.01);
              }}
            />
            <Handle
              {...common}
              id={`rot-size-${i}`}
              name={`Rot ${i + 1}, across`}
              at={onStump(scale, rot.forwardM - rot.acrossM / 2, rot.rightM)}
              now={rot.acrossM}
              text={said(rot.acrossM)}
              shape="square"
              onMove={(to) => {
                size(2 * Math.abs(away(to).forwardM - rot.forwardM));
              }}
              onStep={(across, up) => {
                size(rot.acrossM + (up - across) * 0.01);
              }}
            />
          </g>
        );
      })}
      {cut.bites.map((bite, i) => {
        const apex = radius - cut.notch.depthM;
        const move = (rightM: number) => {
          put(`cut.bites[${i}].rightM`, Math.max(-radius, Math.min(radius, cm(rightM))));
        };
        return (
          <g key={`bite${i}`}>
            <Handle
              {...common}
              id={`bite-${i}`}
              name={`Bite ${i + 1}`}
              at={onStump(scale, apex + 0.02, bite.rightM)}
              now={bite.rightM}
              text={`${said(bite.rightM)} right`}
              onMove={(to) => {
                move(away(to).rightM);
              }}
              onStep={(across, up) => {
                move(bite.rightM + (across - up) * 0.01);
              }}
            />
            <Handle
              {...common}
              id={`bite-size-${i}`}
              name={`Bite ${i + 1}, wide`}
              at={onStump(scale, apex - cut.hingeThicknessM / 2, bite.rightM + bite.widthM / 2)}
              now={bite.widthM}
              text={said(bite.widthM)}
              shape="square"
              onMove={(to) => {
                put(`cut.bites[${i}].widthM`, Math.max(0.01, cm(2 * Math.abs(away(to).rightM - bite.rightM))));
              }}
              onStep={(across, up) => {
                put(`cut.bites[${i}].widthM`, Math.max(0.01, cm(bite.widthM + (across - up) * 0.01)));
              }}
            />
          </g>
        );
      })}
      {cut.flares.map((flare, i) => {
        const move = (deg: number, outM: number) => {
          put(`cut.flares[${i}]`, {
            ...flare,
            towardDeg: Math.round((deg + 360) % 360),
            outM: Math.min(0.6, Math.max(0.01, cm(outM))),
          });
        };
        return (
          <Handle
            {...common}
            key={`flare${i}`}
            id={`flare-${i}`}
            name={`Root flare ${i + 1}`}
            at={onStump(
              scale,
              (radius + flare.outM) * Math.cos(radians(flare.towardDeg)),
              (radius + flare.outM) * Math.sin(radians(flare.towardDeg)),
            )}
            now={flare.outM}
            text={`${said(flare.outM)} out`}
            onMove={(to) => {
              const at = away(to);
              move((Math.atan2(at.rightM, at.forwardM) * 180) / Math.PI, Math.hypot(at.forwardM, at.rightM) - radius);
            }}
            onStep={(across, up) => {
              move(flare.towardDeg + across * 5, flare.outM + up * 0.01);
            }}
          />
        );
      })}
      {cut.back === "bore" && cut.strap && (
        <Handle
          {...common}
          id="strap"
          name={labelOf("cut.strap.thicknessM")}
          at={onStump(
            scale,
            (radius - cut.strap.thicknessM) * Math.cos(radians(cut.strap.towardDeg)),
            (radius - cut.strap.thicknessM) * Math.sin(radians(cut.strap.towardDeg)),
          )}
          now={cut.strap.thicknessM}
          text={said(cut.strap.thicknessM)}
          shape="square"
          onMove={(to) => {
            const at = away(to);
            const strap = radians(cut.strap?.towardDeg ?? 180);
            const along = at.forwardM * Math.cos(strap) + at.rightM * Math.sin(strap);
            put("cut.strap.thicknessM", Math.min(radius * 0.9, Math.max(0.005, cm(radius - along))));
          }}
          onStep={(across, up) => {
            put("cut.strap.thicknessM", Math.max(0.005, cm((cut.strap?.thicknessM ?? 0.05) + (across + up) * 0.005)));
          }}
        />
      )}
    </>
  );
}

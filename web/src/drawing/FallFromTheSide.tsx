import type { Fall, Plan } from "../api/types";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { fit, pathOf, toMetres, toPixels, type Flat } from "./projection";

/** A part of a picture. */
export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The fall seen square to the lay: each stage a line of ink, solid while the hinge guides it. */
export function FallFromTheSide({ plan, fall, frame }: { plan: Plan; fall: Fall; frame: Frame }) {
  const units = useSettings((s) => s.units);
  const asked = useView((s) => s.stage);
  const set = useView((s) => s.set);
  const at = Math.min(asked, fall.stages.length - 1);
  const tops = fall.stages.map((s) => ({ x: s.top.forwardM, y: s.top.upM }));
  const ground = -plan.cut.stumpHeightM;
  const bounds = {
    minX: Math.min(-3, ...tops.map((t) => t.x)),
    maxX: Math.max(...tops.map((t) => t.x)) + 1,
    minY: ground,
    maxY: Math.max(...tops.map((t) => t.y)),
  };
  const fitted = fit(bounds, frame.width, frame.height, { top: 44, right: 20, bottom: 64, left: 20 });
  const scale = { ...fitted, left: fitted.left + frame.x, bottom: fitted.bottom + frame.y };
  const px = (flat: Flat) => toPixels(scale, flat);
  const stump = px({ x: 0, y: 0 });
  const taken = fall.stages[at];
  const free = fall.stages.findIndex((s) => !s.held);
  const released = tops[free];
  const centre = taken && px({ x: taken.centre.forwardM, y: taken.centre.upM });
  return (
    <g>
      <path
        d={`M${frame.x} ${px({ x: 0, y: ground }).y}H${frame.x + frame.width}`}
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      {fall.stages.map((s, i) => {
        const tip = px({ x: s.top.forwardM, y: s.top.upM });
        return (
          <path
            key={i}
            d={`M${stump.x} ${stump.y}L${tip.x} ${tip.y}`}
            stroke="var(--bark)"
            strokeWidth={i === at ? 5 : 1.2}
            strokeDasharray={s.held || i === at ? undefined : "6 4"}
            opacity={i === at ? 1 : 0.6}
            data-stage-of-fall={i}
          />
        );
      })}
      <path d={pathOf(tops.map(px))} fill="none" stroke="var(--pencil)" strokeDasharray="2 4" />
      {centre && <circle cx={centre.x} cy={centre.y} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />}
      <text x={frame.x + 20} y={frame.y + 24} fill="var(--ink)" className="halo font-tight text-[15px] font-semibold">
        {Math.round(fall.secondsFromCommit * 10) / 10} s to the ground, tip {written(fall.tipSpeedMps, "speed", units)}
      </text>
      {released && (
        <text x={px(released).x + 12} y={px(released).y - 6} fill="var(--ink)" className="halo font-tight text-[13px]">
          hinge lets go, {written(fall.hingeLetsGoDeg, "angle", units)}
        </text>
      )}
      <text
        x={frame.x + 20}
        y={frame.y + frame.height - 34}
        fill="var(--pencil)"
        className="halo font-tight text-[13px]"
      >
        line slack at {written(fall.lineSlackDeg, "angle", units)} · dashed: free of the hinge
      </text>
      {taken && (
        <>
          <text
            x={frame.x + 20}
            y={frame.y + frame.height - 16}
            fill="var(--ink)"
            className="halo font-tight text-[13px]"
          >
            stage {at + 1} of {fall.stages.length}: {Math.round(taken.s * 10) / 10} s,{" "}
            {written(taken.deg, "angle", units)}
          </text>
          <Handle
            id="fall"
            at={px({ x: taken.top.forwardM, y: taken.top.upM })}
            name="Stage of the fall"
            now={at + 1}
            min={1}
            max={fall.stages.length}
            text={`${Math.round(taken.s * 10) / 10} s from commit, ${written(taken.deg, "angle", units)}`}
            onMove={(to) => {
              set({ stage: nearest(tops, toMetres(scale, to)) });
            }}
            onStep={(across, up) => {
              set({ stage: Math.min(Math.max(at + Math.sign(across - up), 0), fall.stages.length - 1) });
            }}
            onRelease={() => undefined}
            shape="bar"
          />
        </>
      )}
    </g>
  );
}

function nearest(points: Flat[], to: Flat): number {
  let best = 0;
  points.forEach((p, i) => {
    const b = points[best] ?? p;
    if (Math.hypot(p.x - to.x, p.y - to.y) < Math.hypot(b.x - to.x, b.y - to.y)) best = i;
  });
  return best;
}

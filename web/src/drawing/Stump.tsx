import type { MemberPath } from "../state/memberPath";
import { useRef, useState } from "react";
import type { Analysis, Plan } from "../api/types";
import { setMember, startMember, useSheet } from "../state/store";
import { Button } from "../ui/controls";
import { pointIn } from "./pinch";
import { useLitLink } from "../state/lit";
import { written } from "../units/units";
import { useSettings } from "../ui/settings";
import { Handle } from "./Handle";
import { perMetreAt, roundRatio, usePaper } from "./paper";
import { PaperBar } from "./PaperBar";
import { useLaidOut } from "./useLaidOut";
import { BarReach, Flares, StumpHandles, Strap, Taken, Wedges, type StumpScale } from "./StumpMarks";
import { useSize } from "./useSize";
import { labelOf, rangeOf } from "../state/members";

/** The cut from above and from the side: notch, hinge and back cut, with the lay to the right. */
export function Stump({ plan, analysis }: { plan: Plan; analysis: Analysis }) {
  const [box, size] = useSize<HTMLDivElement>();
  const [held, setHeld] = useState<number | null>(null);
  const [arm, setArm] = useState<Mark | null>(null);
  const paper = usePaper();
  // Two views side by side, each a stump wide, with room for their dimensions.
  const fitted =
    held ??
    Math.min(
      (size.width - 190) / (2.25 * plan.cut.stumpDiameterM),
      (size.height - 190) / (1.15 * plan.cut.stumpDiameterM),
    );
  const perMetre = paper ? perMetreAt(roundRatio(Math.max(fitted, 20))) : fitted;
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden">
      {size.width > 0 && (
        <Drawing
          plan={plan}
          analysis={analysis}
          perMetre={Math.max(perMetre, 20)}
          width={size.width}
          height={size.height}
          hold={(on) => {
            setHeld(on ? perMetre : null);
          }}
          arm={arm}
          onPlaced={() => {
            setArm(null);
          }}
        />
      )}
      {!paper && (
        <div className="absolute top-2 left-2 flex items-center gap-1.5">
          {(["rot", "bite", "flare"] as const).map((mark) => (
            <Button
              key={mark}
              aria-pressed={arm === mark}
              strong={arm === mark}
              onClick={() => {
                setArm(arm === mark ? null : mark);
              }}
            >
              {markNames[mark]}
            </Button>
          ))}
          {arm && (
            <span role="status" className="bg-sheet px-1 font-tight text-[13px]">
              now touch the stump where it is
            </span>
          )}
        </div>
      )}
    </div>
  );
}

type Mark = "rot" | "bite" | "flare";
const markNames: Record<Mark, string> = { rot: "Rot", bite: "Bite", flare: "Root flare" };

/** Puts a mark on the stump where it was touched. */
function placeMark(mark: Mark, plan: Plan, forwardM: number, rightM: number): void {
  const { cut } = plan;
  const [forward, right] = [forwardM, rightM].map((v) => Math.round(v * 200) / 200) as [number, number];
  const radius = cut.stumpDiameterM / 2;
  if (mark === "rot") {
    if (Math.hypot(forward, right) > radius) return;
    startMember("cut.rot", [...cut.rot, { forwardM: forward, rightM: right, acrossM: Math.round(radius * 80) / 200 }]);
  } else if (mark === "bite") {
    startMember("cut.bites", [
      ...cut.bites,
      { rightM: Math.max(-radius, Math.min(radius, right)), widthM: Math.round(radius * 60) / 200 },
    ]);
  } else {
    startMember("cut.flares", [
      ...cut.flares,
      {
        towardDeg: Math.round(((Math.atan2(right, forward) * 180) / Math.PI + 360) % 360),
        outM: Math.min(0.5, Math.max(0.06, Math.round((Math.hypot(forward, right) - radius) * 200) / 200)),
        widthM: 0.2,
        trimmed: false,
      },
    ]);
  }
}

/** Where the parts of the stump lie on the drawing, pixels: seen from above on the left, from the side on the right. */
function shapeOf(plan: Plan, analysis: Analysis, perMetre: number, width: number, height: number) {
  const { stumpDiameterM: diameter, hingeThicknessM: hinge, notch } = plan.cut;
  const r = (diameter / 2) * perMetre;
  const above = { x: 60 + r, y: (height - 50) / 2 };
  const apex = above.x + r - notch.depthM * perMetre;
  const back = apex - hinge * perMetre;
  const half = (analysis.hinge.lengthM / 2) * perMetre;
  const backHalf = Math.sqrt(Math.max(0, r * r - (back - above.x) ** 2));
  // A tapered hinge: its back edge from the left end, above, to the right end, below.
  const taper = (plan.cut.hingeTaperM / 2) * perMetre;
  const endOf = (x: number) => Math.sqrt(Math.max(0, r * r - (x - above.x) ** 2));
  const [backLeft, backRight] = [back + taper, back - taper];
  const step = analysis.cut.stepM * perMetre;
  const side = { x: width - 70 - r, y: above.y };
  const sideApex = side.x + r - notch.depthM * perMetre;
  const opening = (notch.openingDeg * Math.PI) / 180;
  const reach = notch.depthM * perMetre;
  // An open notch opens both ways from level, a narrow one upward only.
  const up = notch.style === "open" ? opening * 0.6 : opening;
  const down = opening - up;
  const aim = (analysis.aim.offsetDeg * Math.PI) / 180;
  // A bored cut leaves its strap: the kerf begins inside it.
  const kerfFrom = side.x - r - 2 + (plan.cut.back === "bore" ? (plan.cut.strap?.thicknessM ?? 0) * perMetre + 2 : 0);
  const top = side.y - r * 0.95;
  const bottom = side.y + r * 0.62;
  return {
    perMetre,
    r,
    above,
    apex,
    back,
    half,
    backHalf,
    endOf,
    backLeft,
    backRight,
    step,
    side,
    sideApex,
    reach,
    up,
    down,
    aim,
    kerfFrom,
    top,
    bottom,
  };
}

interface ViewProps {
  plan: Plan;
  analysis: Analysis;
  shape: ReturnType<typeof shapeOf>;
}

function FromAbove({ plan, analysis, shape, scale }: ViewProps & { scale: StumpScale }) {
  const units = useSettings((s) => s.units);
  const lit = useLitLink();
  const { stumpDiameterM: diameter, hingeThicknessM: hinge, notch } = plan.cut;
  const { r, above, apex, back, half, backHalf, endOf, backLeft, backRight, aim } = shape;
  return (
    <g aria-hidden>
      <text
        x={above.x}
        y={above.y - r - 34}
        textAnchor="middle"
        fill="var(--pencil)"
        className="font-tight text-[13px]"
      >
        from above
      </text>
      <circle cx={above.x} cy={above.y} r={r} fill="var(--wood)" stroke="var(--bark)" strokeWidth={2} />
      {[0.72, 0.46, 0.2].map((k) => (
        <circle
          key={k}
          cx={above.x}
          cy={above.y}
          r={r * k}
          fill="none"
          stroke="var(--bark)"
          strokeWidth={0.5}
          opacity={0.5}
        />
      ))}
      <path
        d={`M${apex} ${above.y - half}A${r} ${r} 0 0 1 ${apex} ${above.y + half}Z`}
        fill="var(--sheet)"
        stroke="var(--bark)"
        strokeWidth={1.4}
      />
      <path
        d={`M${backLeft} ${above.y - endOf(backLeft)}A${r} ${r} 0 0 1 ${apex} ${above.y - half}V${above.y + half}A${r} ${r} 0 0 1 ${backRight} ${above.y + endOf(backRight)}Z`}
        fill="url(#stump-hatch)"
        stroke="var(--ink)"
        strokeWidth={lit?.mark === "hinge" ? 4 : 2}
      />
      <Strap plan={plan} scale={scale} />
      <Taken plan={plan} scale={scale} />
      <Wedges plan={plan} scale={scale} />
      <BarReach plan={plan} scale={scale} through={analysis.cut.bar?.fromOneSide} />
      <path
        d={`M${above.x - r - 26} ${above.y}H${above.x + r + 52}`}
        stroke="var(--pencil)"
        strokeWidth={1}
        strokeDasharray="10 4 2 4"
      />
      <path d={`M${above.x + r + 52} ${above.y}l-12 -5v10Z`} fill="var(--ink)" />
      {Math.abs(analysis.aim.offsetDeg) > 0.3 && (
        <g>
          <path
            d={`M${above.x} ${above.y}l${(r + 44) * Math.cos(aim)} ${(r + 44) * Math.sin(aim)}`}
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
          <text
            x={above.x + (r + 48) * Math.cos(aim)}
            y={above.y + (r + 48) * Math.sin(aim) + (aim > 0 ? 14 : -6)}
            fill="var(--ink)"
            className="halo font-tight text-[13px] font-semibold"
          >
            aim {written(Math.abs(analysis.aim.offsetDeg), "angle", units)} {aim > 0 ? "right" : "left"}
          </text>
        </g>
      )}
      <text x={above.x + r + 20} y={above.y - 10} fill="var(--ink)" className="font-tight text-[13px]">
        lay
      </text>
      <Measure x1={above.x - r} x2={above.x + r} y={above.y + r + 26} text={written(diameter, "thickness", units)} />
      <Measure
        x1={apex}
        x2={above.x + r}
        y={above.y + r + 60}
        text={`face notch ${written(notch.depthM, "thickness", units)}`}
      />
      <text
        x={back - 12}
        y={above.y - backHalf * 0.55}
        textAnchor="end"
        fill="var(--ink)"
        className="halo font-tight text-[14px] font-semibold"
      >
        hinge {written(hinge, "thickness", units)}
      </text>
      <text
        x={back - 12}
        y={above.y - backHalf * 0.55 + 18}
        textAnchor="end"
        fill="var(--pencil)"
        className="font-tight text-[13px]"
      >
        {written(analysis.hinge.lengthM, "thickness", units)} long
      </text>
      <text
        x={back - 12}
        y={above.y + backHalf * 0.6}
        textAnchor="end"
        fill="var(--pencil)"
        className="font-tight text-[13px]"
      >
        back cut
      </text>
    </g>
  );
}

function FromTheSide({ plan, analysis, shape }: ViewProps) {
  const units = useSettings((s) => s.units);
  const { hingeThicknessM: hinge, notch } = plan.cut;
  const { r, above, step, side, sideApex, reach, up, down, kerfFrom, top, bottom, perMetre } = shape;
  return (
    <g aria-hidden>
      <text x={side.x} y={above.y - r - 34} textAnchor="middle" fill="var(--pencil)" className="font-tight text-[13px]">
        from the side
      </text>
      <path
        d={`M${side.x - r} ${bottom}V${top}H${side.x + r}V${side.y - Math.min(reach * Math.tan(Math.min(up, 1.35)), r * 0.9)}L${sideApex} ${side.y}L${side.x + r} ${side.y + Math.min(reach * Math.tan(down), r * 0.55)}V${bottom}Z`}
        fill="var(--wood)"
        stroke="var(--bark)"
        strokeWidth={2}
      />
      <path d={`M${kerfFrom} ${side.y - step}H${sideApex - hinge * perMetre}`} stroke="var(--sheet)" strokeWidth={5} />
      <path
        d={`M${kerfFrom} ${side.y - step - 2.5}H${sideApex - hinge * perMetre}v5H${kerfFrom}`}
        fill="none"
        stroke="var(--bark)"
        strokeWidth={1.2}
      />
      <rect
        x={sideApex - hinge * perMetre}
        y={side.y - Math.max(14, step + 6)}
        width={hinge * perMetre}
        height={14 + Math.max(14, step + 6)}
        fill="url(#stump-hatch)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      <text x={side.x + r + 8} y={side.y + 4} fill="var(--ink)" className="font-tight text-[13px]">
        {written(notch.openingDeg, "angle", units)}
      </text>
      <path
        d={`M${side.x - r - 26} ${bottom}H${side.x + r + 40}`}
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="3 3"
      />
      <text x={side.x} y={bottom + 20} textAnchor="middle" fill="var(--pencil)" className="font-tight text-[13px]">
        holds to {written(analysis.hinge.holdAngleDeg, "angle", units)}; commits at{" "}
        {written(analysis.pull.commitDeg, "angle", units)}
      </text>
    </g>
  );
}

interface DrawingProps {
  plan: Plan;
  analysis: Analysis;
  perMetre: number;
  width: number;
  height: number;
  hold: (on: boolean) => void;
  arm: Mark | null;
  onPlaced: () => void;
}

function Drawing({ plan, analysis, perMetre, width, height, hold, arm, onPlaced }: DrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  const paper = usePaper();
  const units = useSettings((s) => s.units);
  const release = useSheet((s) => s.release);
  const { stumpDiameterM: diameter, hingeThicknessM: hinge, notch } = plan.cut;
  const shape = shapeOf(plan, analysis, perMetre, width, height);
  const { above, r, apex, back, backHalf } = shape;
  const scale: StumpScale = { x: above.x, y: above.y, perMetre };
  const done = () => {
    release();
    hold(false);
  };
  const place = (path: MemberPath, metres: number, most: number) => {
    setMember(path, Math.round(Math.min(Math.max(metres, 0.01), most) * 1000) / 1000, path);
  };
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label="The cut from above and from the side"
      className={`block select-none ${arm ? "cursor-crosshair" : ""}`}
      onClick={(event) => {
        if (!arm || !svg.current) return;
        const at = pointIn(svg.current, event);
        placeMark(arm, plan, (at.x - above.x) / perMetre, (at.y - above.y) / perMetre);
        onPlaced();
      }}
    >
      <Flares plan={plan} scale={scale} />
      <pattern id="stump-hatch" width={8} height={8} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V8" stroke="var(--bark)" strokeWidth={0.8} opacity={0.6} />
      </pattern>
      <FromAbove plan={plan} analysis={analysis} shape={shape} scale={scale} />
      <FromTheSide plan={plan} analysis={analysis} shape={shape} />
      {paper && <PaperBar x={26} y={height - 16} perMetre={perMetre} unit={0.1} text="10 cm" />}
      <StumpHandles
        plan={plan}
        scale={scale}
        onGrab={() => {
          hold(true);
        }}
        onRelease={done}
      />
      <Handle
        id="notch"
        at={{ x: apex, y: above.y }}
        name={labelOf("cut.notch.depthM")}
        now={notch.depthM}
        {...rangeOf("cut.notch.depthM", { high: diameter })}
        text={written(notch.depthM, "thickness", units)}
        onMove={(to) => {
          place("cut.notch.depthM", (above.x + r - to.x) / perMetre, diameter * 0.7);
        }}
        onStep={(across, by) => {
          place("cut.notch.depthM", notch.depthM + (by - across) * 0.005, diameter);
        }}
        onGrab={() => {
          hold(true);
        }}
        onRelease={done}
      />
      <Handle
        id="hinge"
        at={{ x: back, y: above.y + backHalf * 0.3 }}
        name={labelOf("cut.hingeThicknessM")}
        now={hinge}
        {...rangeOf("cut.hingeThicknessM", { high: diameter })}
        text={written(hinge, "thickness", units)}
        onMove={(to) => {
          place("cut.hingeThicknessM", (apex - to.x) / perMetre, diameter * 0.4);
        }}
        onStep={(across, by) => {
          place("cut.hingeThicknessM", hinge + (by - across) * 0.0025, diameter);
        }}
        onGrab={() => {
          hold(true);
        }}
        onRelease={done}
        shape="square"
      />
    </svg>
  );
}

function Measure({ x1, x2, y, text }: { x1: number; x2: number; y: number; text: string }) {
  return (
    <g stroke="var(--ink)" strokeWidth={1}>
      <path d={`M${x1} ${y - 5}v10M${x2} ${y - 5}v10M${x1} ${y}H${x2}`} />
      <text
        x={(x1 + x2) / 2}
        y={y - 6}
        textAnchor="middle"
        fill="var(--ink)"
        stroke="none"
        className="font-tight text-[13px]"
      >
        {text}
      </text>
    </g>
  );
}

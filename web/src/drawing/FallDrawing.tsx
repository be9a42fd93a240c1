import { useRef, useState } from "react";
import type { Analysis, Fall, Plan } from "../api/types";
import { useFall } from "../state/useFall";
import { Button } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { FallFromTheSide, type Frame } from "./FallFromTheSide";
import { Label, Mark, PlanPatterns } from "./PlanMarks";
import { fit, pathOf, toPixels, type Flat } from "./projection";
import { flatOf, placeAt, type SitePlace } from "./sitePlan";
import { TargetShape } from "./TargetShape";
import { useLaidOut } from "./useLaidOut";
import { useSize } from "./useSize";

interface FallDrawingProps {
  plan: Plan;
  analysis: Analysis;
}

/** The fall as still stages of ink, from the side and from above; the tip is taken from stage to stage. */
export function FallDrawing({ plan, analysis }: FallDrawingProps) {
  const [box, size] = useSize<HTMLDivElement>();
  const { fall, problem } = useFall();
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden">
      {problem !== undefined && (
        <p role="alert" className="m-6 max-w-[56ch] border-l-4 border-ink pl-3 leading-snug" data-refused>
          {problem}
        </p>
      )}
      {problem === undefined && fall && size.width > 0 && (
        <Drawing plan={plan} analysis={analysis} fall={fall} width={size.width} height={size.height} />
      )}
    </div>
  );
}

const ignore = () => undefined;

interface DrawingProps extends FallDrawingProps {
  fall: Fall;
  width: number;
  height: number;
}

function Drawing({ plan, analysis, fall, width, height }: DrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  useLaidOut(svg);
  // Side by side; where there is no room, one of them at a time.
  const narrow = width < 560;
  const [fromAbove, setFromAbove] = useState(false);
  const share = narrow ? (fromAbove ? 0 : 1) : 0.55;
  const side = { x: 0, y: 0, width: width * share, height };
  const above = { x: width * share, y: 0, width: width * (1 - share), height };
  const drawing = (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label="The fall, in stages, from the side and from above"
      className="block select-none"
      data-fall
    >
      <PlanPatterns />
      {share > 0 && <FallFromTheSide plan={plan} fall={fall} frame={side} />}
      {!narrow && <path d={`M${above.x} 12V${height - 12}`} stroke="var(--rule)" />}
      {share < 1 && <FromAbove plan={plan} analysis={analysis} fall={fall} frame={above} />}
    </svg>
  );
  return narrow ? (
    <>
      {drawing}
      <Button
        className="absolute bottom-2 right-2"
        onClick={() => {
          setFromAbove(!fromAbove);
        }}
      >
        {fromAbove ? "From the side" : "From above"}
      </Button>
    </>
  ) : (
    drawing
  );
}

function FromAbove({ plan, analysis, fall, frame }: FallDrawingProps & { fall: Fall; frame: Frame }) {
  const units = useSettings((s) => s.units);
  const lay = plan.lay.bearingDeg;
  const turn = (lay * Math.PI) / 180;
  const onSite = (at: { forwardM: number; rightM: number }): SitePlace => ({
    eastM: at.forwardM * Math.sin(turn) + at.rightM * Math.cos(turn),
    northM: at.forwardM * Math.cos(turn) - at.rightM * Math.sin(turn),
  });
  const tips = [...fall.landings, fall.tip, ...(fall.torn ? [fall.torn] : [])].map(onSite);
  const shown = [...tips, ...analysis.site.footprint, placeAt(3, lay + 180)];
  const bounds = {
    minX: Math.min(...shown.map((p) => p.eastM)),
    maxX: Math.max(...shown.map((p) => p.eastM)),
    minY: Math.min(...shown.map((p) => p.northM)),
    maxY: Math.max(...shown.map((p) => p.northM)),
  };
  const fitted = fit(bounds, frame.width, frame.height, { top: 44, right: 30, bottom: 60, left: 30 });
  const scale = { ...fitted, left: fitted.left + frame.x, bottom: fitted.bottom + frame.y };
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const stump = px({ eastM: 0, northM: 0 });
  const { spread, torn } = fall;
  const apart = torn ? Math.hypot(torn.forwardM - fall.tip.forwardM, torn.rightM - fall.tip.rightM) : 0;
  const corner = (along: "low" | "high", aside: "low" | "high"): Flat =>
    px(onSite({ forwardM: spread?.forwardM[along] ?? 0, rightM: spread?.rightM[aside] ?? 0 }));
  return (
    <g>
      {plan.site.targets.map((t, index) => (
        <TargetShape
          key={t.id}
          target={t}
          index={index}
          clearance={analysis.site.targets.find((c) => c.id === t.id)}
          scale={scale}
          taken={false}
          drawing
          onGrab={ignore}
          onRelease={ignore}
        />
      ))}
      <path
        d={pathOf(analysis.site.footprint.map(px), true)}
        fill="none"
        stroke="var(--pencil)"
        strokeDasharray="3 3"
      />
      {fall.landings.map((at, i) => {
        const p = px(onSite(at));
        return <circle key={i} cx={p.x} cy={p.y} r={1.3} fill="var(--ink)" opacity={0.45} />;
      })}
      {spread && (
        <path
          d={pathOf([corner("low", "low"), corner("high", "low"), corner("high", "high"), corner("low", "high")], true)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
          data-spread
        />
      )}
      <path d={pathOf([stump, px(placeAt(plan.tree.heightM, lay))])} stroke="var(--ink)" strokeDasharray="12 4 2 4" />
      <path d={pathOf([stump, px(onSite(fall.tip))])} stroke="var(--bark)" strokeWidth={4} />
      <circle cx={stump.x} cy={stump.y} r={5} fill="var(--wood)" stroke="var(--bark)" strokeWidth={1.5} />
      {torn && apart > 0.5 && (
        <g>
          <path d={pathOf([stump, px(onSite(torn))])} stroke="var(--bark)" strokeWidth={1.4} strokeDasharray="2 4" />
          <Label at={{ x: px(onSite(torn)).x + 8, y: px(onSite(torn)).y }} text="if the hinge tears" />
        </g>
      )}
      {plan.site.mark && <Mark at={px(plan.site.mark)} />}
      <Label
        at={{ x: frame.x + 20, y: frame.y + 24 }}
        strong
        text={`tip ${written(fall.tip.forwardM, "length", units)} out, ${written(Math.abs(fall.tip.rightM), "length", units)} ${fall.tip.rightM >= 0 ? "right" : "left"}`}
      />
      {spread && (
        <Label
          at={{ x: frame.x + 20, y: frame.y + frame.height - 16 }}
          text={`nine in ten in the frame: ${written(spread.rightM.high - spread.rightM.low, "length", units)} across, ${written(spread.forwardM.high - spread.forwardM.low, "length", units)} along`}
        />
      )}
    </g>
  );
}

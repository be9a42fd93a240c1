import type { Analysis, BriefPage, Plan } from "../api/types";

export type CutKind = BriefPage["brief"]["cuts"][number]["kind"];

const order: CutKind[] = ["trim", "lash", "notch", "bite", "tighten", "bore", "backCut", "wedge", "strap", "out"];

interface CutPictureProps {
  plan: Plan;
  analysis: Analysis;
  kind: CutKind;
}

/** One step of the faller's page from above, the lay to the right: what is cut now in ink, what was cut before in outline. */
export function CutPicture({ plan, analysis, kind }: CutPictureProps) {
  const { cut } = plan;
  const r = 40;
  const [cx, cy] = [56, 50];
  const perMetre = (2 * r) / cut.stumpDiameterM;
  const now = order.indexOf(kind);
  const done = (other: CutKind) => order.indexOf(other) < now;
  const apex = cx + r - cut.notch.depthM * perMetre;
  const back = apex - cut.hingeThicknessM * perMetre;
  const taper = (cut.hingeTaperM / 2) * perMetre;
  const half = (analysis.hinge.lengthM / 2) * perMetre;
  const edge = (x: number) => Math.sqrt(Math.max(0, r * r - (x - cx) ** 2));
  const notch = `M${apex} ${cy - half}A${r} ${r} 0 0 1 ${apex} ${cy + half}Z`;
  const [left, right] = [back + taper, back - taper];
  const large = right < cx ? 1 : 0;
  const behind = `M${left} ${cy - edge(left)}A${r} ${r} 0 ${large} 0 ${right} ${cy + edge(right)}Z`;
  const strapAt = cut.back === "bore" && cut.strap ? cx - r + cut.strap.thicknessM * perMetre : cx - r;
  const bored = `M${left} ${cy - edge(left)}A${r} ${r} 0 0 0 ${strapAt} ${cy - edge(strapAt)}V${cy + edge(strapAt)}A${r} ${r} 0 0 0 ${right} ${cy + edge(right)}Z`;
  const strap = `M${strapAt} ${cy - edge(strapAt)}A${r} ${r} 0 0 0 ${strapAt} ${cy + edge(strapAt)}Z`;
  const backDone = done("backCut") || done("bore");
  return (
    <svg viewBox="0 0 150 100" width={150} height={100} aria-hidden className="block shrink-0">
      <circle cx={cx} cy={cy} r={r} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4} />
      {(done("notch") || kind === "notch") && (
        <path d={notch} fill={kind === "notch" ? "var(--ink)" : "none"} stroke="var(--ink)" strokeWidth={1} />
      )}
      {kind === "bite" &&
        cut.bites.map((bite, i) => (
          <rect
            key={i}
            x={back}
            y={cy + (bite.rightM - bite.widthM / 2) * perMetre}
            width={apex - back}
            height={bite.widthM * perMetre}
            fill="var(--ink)"
          />
        ))}
      {(backDone || kind === "backCut" || kind === "bore") && (
        <path
          d={cut.back === "bore" ? bored : behind}
          fill={kind === "backCut" || kind === "bore" ? "var(--ink)" : "none"}
          stroke="var(--ink)"
          strokeWidth={1}
        />
      )}
      {kind === "strap" && <path d={strap} fill="var(--ink)" />}
      {kind === "trim" &&
        cut.flares
          .filter((f) => f.trimmed)
          .map((flare, i) => {
            const toward = (flare.towardDeg * Math.PI) / 180;
            return (
              <circle
                key={i}
                cx={cx + (r + 5) * Math.cos(toward)}
                cy={cy + (r + 5) * Math.sin(toward)}
                r={6}
                fill="var(--ink)"
              />
            );
          })}
      {kind === "lash" && <circle cx={cx} cy={cy} r={r + 4} fill="none" stroke="var(--ink)" strokeWidth={4} />}
      {(kind === "wedge" || done("wedge")) && (
        <path
          d={`M${cx - r - 8} ${cy - 5}v10l22 -3v-4Z`}
          fill={kind === "wedge" ? "var(--ink)" : "var(--sheet)"}
          stroke="var(--ink)"
        />
      )}
      {kind === "tighten" ? (
        <path d={`M${cx} ${cy}H138m-9 -5l9 5l-9 5`} fill="none" stroke="var(--loaded)" strokeWidth={3} />
      ) : (
        <path d={`M${cx + r + 4} ${cy}H136m-8 -4l8 4l-8 4`} fill="none" stroke="var(--pencil)" strokeWidth={1} />
      )}
      {kind === "out" && <WayOut plan={plan} analysis={analysis} cx={cx} cy={cy} r={r} />}
    </svg>
  );
}

/** The first way out that is kept, as an arrow from the stump. */
function WayOut({ plan, analysis, cx, cy, r }: Omit<CutPictureProps, "kind"> & { cx: number; cy: number; r: number }) {
  const kept = analysis.site.retreats.filter((w) => w.givenUpBy == null);
  const way = kept.find((w) => w.clear) ?? kept[0];
  if (!way) return null;
  const off = way.bearingDeg - plan.lay.bearingDeg;
  return (
    <path
      d={`M${r * 0.5} 0H${r + 12}m-7 -5l7 5l-7 5`}
      transform={`translate(${cx} ${cy}) rotate(${off})`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={3}
    />
  );
}

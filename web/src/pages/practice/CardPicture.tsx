import { TackleLegs } from "./TackleLegs";
import type { PracticeCard } from "../../api/types";

const size = 190;
const ink = { stroke: "var(--ink)", fill: "none", strokeWidth: 1.6 } as const;
const radians = (deg: number) => (deg * Math.PI) / 180;

/** The small drawing of a card, true to its angles. */
export function CardPicture({ picture }: { picture: NonNullable<PracticeCard["picture"]> }) {
  if (picture.tackle) return <TackleLegs tackle={picture.tackle} />;
  const f = picture.figures;
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      width={size}
      height={size}
      role="img"
      aria-label="Drawing of the card"
      className="border border-rule bg-paper"
    >
      {picture.kind === "views" && (
        <>
          <Leaning x={52} deg={f["a"] ?? 0} name="from the south" />
          <Leaning x={140} deg={f["b"] ?? 0} name="from the east" />
        </>
      )}
      {picture.kind === "line" && <Line deg={f["deg"] ?? 45} />}
      {picture.kind === "redirect" && <Redirect deg={f["deg"] ?? 90} />}
      {picture.kind === "landing" && <Landing deg={f["deg"] ?? 5} />}
    </svg>
  );
}

function Leaning({ x, deg, name }: { x: number; deg: number; name: string }) {
  const top = { x: x + 120 * Math.tan(radians(deg)), y: 32 };
  return (
    <g>
      <path d={`M${x - 34} 156 H${x + 34}`} {...ink} />
      <path d={`M${x} 156 V30`} {...ink} strokeDasharray="4 3" strokeWidth={1} />
      <path d={`M${x - 4} 156 L${top.x - 1} ${top.y} h2 L${x + 4} 156 Z`} {...ink} fill="var(--tint)" />
      <text x={x} y={174} textAnchor="middle" className="font-tight text-[12px]" fill="var(--ink)">
        {name}
      </text>
    </g>
  );
}

function Line({ deg }: { deg: number }) {
  const drop = Math.min(120, 120 * Math.tan(radians(deg)));
  const out = drop / Math.tan(radians(deg));
  return (
    <g>
      <path d="M20 166 H176" {...ink} />
      <path d="M34 166 V20" {...ink} strokeWidth={5} />
      <path d={`M34 ${166 - drop} l${out} ${drop}`} stroke="var(--loaded)" strokeWidth={2.4} fill="none" />
      <path d={`M34 ${166 - drop} h52`} {...ink} strokeDasharray="4 3" strokeWidth={1} />
    </g>
  );
}

function Redirect({ deg }: { deg: number }) {
  const half = radians(deg / 2);
  const at = { x: 95, y: 50 };
  const leg = (side: number) => `M${at.x} ${at.y} l${side * 120 * Math.sin(half)} ${120 * Math.cos(half)}`;
  return (
    <g>
      <path d={`M${at.x} ${at.y} V14`} {...ink} strokeWidth={3} />
      <path d={leg(-1)} stroke="var(--loaded)" strokeWidth={2.4} fill="none" />
      <path d={leg(1)} stroke="var(--loaded)" strokeWidth={2.4} fill="none" />
      <circle cx={at.x} cy={at.y} r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
    </g>
  );
}

function Landing({ deg }: { deg: number }) {
  const aside = 140 * Math.tan(radians(deg));
  return (
    <g>
      <circle cx={95} cy={166} r={5} {...ink} />
      <path d="M95 161 V20" {...ink} strokeDasharray="8 3 2 3" />
      <path d={`M95 161 L${95 + aside} 26`} {...ink} strokeWidth={3} />
      <path d="M88 20 h14 m-7 -7 v14" {...ink} />
      <text x={82} y={24} textAnchor="end" className="font-tight text-[12px]" fill="var(--ink)">
        mark
      </text>
    </g>
  );
}

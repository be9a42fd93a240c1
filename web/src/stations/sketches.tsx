/** Small sketches of what to measure; they move with the figures. */

const ink = "var(--ink)";
const pencil = "var(--pencil)";

function Tree({ x, ground, tall, lean = 0 }: { x: number; ground: number; tall: number; lean?: number }) {
  const top = { x: x + tall * Math.tan((lean * Math.PI) / 180), y: ground - tall };
  const crown = { x: x + (top.x - x) * 0.68, y: ground - tall * 0.66 };
  return (
    <g>
      <ellipse
        cx={crown.x}
        cy={crown.y}
        rx={tall * 0.2}
        ry={tall * 0.33}
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={1.2}
      />
      <path
        d={`M${x - 3} ${ground}L${top.x} ${top.y}L${x + 3} ${ground}Z`}
        fill="var(--wood)"
        stroke="var(--bark)"
        strokeWidth={1}
      />
    </g>
  );
}

function Person({ x, ground }: { x: number; ground: number }) {
  return (
    <path
      d={`M${x} ${ground - 12}v7l-3 5m3 -5l3 5M${x - 4} ${ground - 9}h8`}
      stroke={ink}
      strokeWidth={1.3}
      fill="none"
      strokeLinecap="round"
    />
  );
}

interface HeightSketchProps {
  method: "angles" | "slope" | "stick";
  upDeg: number;
  downDeg: number;
  slopeDeg: number;
}

/** Where to stand and which angles or lengths to read for a height. */
export function HeightSketch({ method, upDeg, downDeg, slopeDeg }: HeightSketchProps) {
  const width = 270;
  const tree = 210;
  const eye = { x: 52, y: 92 };
  const across = tree - eye.x;
  const rise = (deg: number) => across * Math.tan((Math.min(Math.max(deg, -35), 62) * Math.PI) / 180);
  const scale = Math.min(1, 84 / Math.max(10, rise(upDeg)));
  const top = method === "stick" ? 24 : eye.y - rise(upDeg) * scale;
  const foot = method === "stick" ? 104 : eye.y - rise(downDeg) * scale;
  const feet =
    method === "slope"
      ? Math.min(128, foot + across * Math.tan((slopeDeg * Math.PI) / 180) * 0.6 + 12)
      : Math.max(eye.y + 12, foot);
  return (
    <svg viewBox={`0 0 ${width} 136`} className="my-1 block w-full border border-rule bg-sheet" aria-hidden>
      <path
        d={`M0 ${eye.y + 14}L${eye.x} ${eye.y + 14}L${tree} ${foot}H${width}`}
        stroke={pencil}
        strokeWidth={1}
        fill="none"
      />
      <Tree x={tree} ground={foot} tall={Math.max(12, foot - top)} />
      <Person x={eye.x} ground={eye.y + 14} />
      {method === "stick" ? (
        <>
          <path d={`M${eye.x + 26} ${eye.y - 18}V${eye.y + 4}`} stroke={ink} strokeWidth={3} />
          <path
            d={`M${eye.x} ${eye.y}L${tree} ${top}M${eye.x} ${eye.y}L${tree} ${foot}`}
            stroke={ink}
            strokeWidth={0.9}
            strokeDasharray="4 3"
          />
          <text x={eye.x + 30} y={eye.y - 22} fill={ink} className="font-tight text-[11px]">
            stick
          </text>
          <text x={eye.x + 2} y={eye.y - 5} fill={pencil} className="font-tight text-[11px]">
            arm
          </text>
        </>
      ) : (
        <>
          <path d={`M${eye.x} ${eye.y}H${tree}`} stroke={pencil} strokeWidth={0.8} strokeDasharray="2 3" />
          <path
            d={`M${eye.x} ${eye.y}L${tree} ${top}M${eye.x} ${eye.y}L${tree} ${foot}`}
            stroke={ink}
            strokeWidth={1.1}
          />
          <text
            x={eye.x + 34}
            y={eye.y - rise(upDeg) * scale * 0.3 - 16}
            fill={ink}
            className="font-tight text-[12px] font-semibold"
          >
            up {upDeg}°
          </text>
          <text x={eye.x + 60} y={eye.y + 22} fill={ink} className="font-tight text-[12px] font-semibold">
            down {downDeg}°
          </text>
        </>
      )}
      <text
        x={(eye.x + tree) / 2}
        y={Math.min(132, feet + 26)}
        textAnchor="middle"
        fill={pencil}
        className="font-tight text-[11px]"
      >
        {method === "slope" ? `tape along the slope, ${slopeDeg}°` : "distance, level"}
      </text>
    </svg>
  );
}

/** What one view of the lean shows: plumb line and stem, and from where it is looked at. */
export function LeanSketch({ lookingDeg, leanDeg }: { lookingDeg: number; leanDeg: number }) {
  const turn = (lookingDeg * Math.PI) / 180;
  return (
    <svg viewBox="0 0 270 84" className="my-1 block w-full border border-rule bg-sheet" aria-hidden>
      <path d="M150 8V74" stroke={pencil} strokeWidth={1} strokeDasharray="6 3 1 3" />
      <Tree x={150} ground={74} tall={62} lean={Math.min(Math.max(leanDeg, -40), 40) * 1.6} />
      <text
        x={leanDeg < 0 ? 140 : 160}
        y={16}
        textAnchor={leanDeg < 0 ? "end" : "start"}
        fill={ink}
        className="font-tight text-[12px] font-semibold"
      >
        {Math.abs(leanDeg)}° {leanDeg < 0 ? "left" : "right"}
      </text>
      <g transform="translate(46 44)">
        <circle r={26} fill="none" stroke={pencil} strokeWidth={0.8} />
        <text y={-29} textAnchor="middle" fill={pencil} className="font-tight text-[10px]">
          N
        </text>
        <circle r={4} fill="var(--wood)" stroke="var(--bark)" />
        <path
          d={`M${(-24 * Math.sin(turn)).toFixed(1)} ${(24 * Math.cos(turn)).toFixed(1)}L${(-7 * Math.sin(turn)).toFixed(1)} ${(7 * Math.cos(turn)).toFixed(1)}`}
          stroke={ink}
          strokeWidth={1.6}
        />
        <circle cx={-24 * Math.sin(turn)} cy={24 * Math.cos(turn)} r={3.4} fill={ink} />
      </g>
    </svg>
  );
}

/** A crown of one density, as a picture to choose by. */
export function CrownSketch({ look, conifer, bare }: { look: string; conifer: boolean; bare: boolean }) {
  const lines = { Sparse: 5, Ordinary: 10, Heavy: 20 }[look] ?? 10;
  const outline = conifer ? "M32 6L50 54H14Z" : "M32 6C52 6 56 26 52 40C49 54 15 54 12 40C8 26 12 6 32 6Z";
  return (
    <svg viewBox="0 0 64 72" className="mx-auto block h-14" aria-hidden>
      <clipPath id={`crown-${look}-${String(conifer)}`}>
        <path d={outline} />
      </clipPath>
      <path d="M32 68V20" stroke="var(--bark)" strokeWidth={3} />
      <g
        clipPath={`url(#crown-${look}-${String(conifer)})`}
        stroke={bare ? "var(--bark)" : "var(--leaf)"}
        strokeWidth={bare ? 0.8 : 1.4}
      >
        {Array.from({ length: lines }, (_, i) => {
          const y = 8 + (i * 46) / lines;
          return <path key={i} d={`M32 ${y + 8}L8 ${y - 6}M32 ${y + 8}L56 ${y - 6}`} />;
        })}
      </g>
      <path
        d={outline}
        fill="none"
        stroke={bare ? "var(--bark)" : "var(--leaf)"}
        strokeWidth={bare ? 0.8 : 1.4}
        strokeDasharray={bare ? "3 2" : undefined}
      />
    </svg>
  );
}

/** A stem cut across: sound shell outside, rot inside. */
export function ShellSketch({ shellM, diameterM }: { shellM: number; diameterM: number }) {
  const rot = Math.max(0, 1 - (2 * shellM) / diameterM);
  return (
    <svg viewBox="0 0 84 84" className="my-1 h-20" aria-hidden>
      <circle cx={42} cy={42} r={38} fill="var(--wood)" stroke="var(--bark)" strokeWidth={1.5} />
      <circle cx={42} cy={42} r={38 * rot} fill="var(--ink)" opacity={0.75} />
      <circle cx={42} cy={42} r={38 * 0.7} fill="none" stroke={ink} strokeDasharray="3 3" strokeWidth={0.8} />
    </svg>
  );
}

/** The crown from above with its four reaches, north up. */
export function ReachSketch({
  north,
  east,
  south,
  west,
}: {
  north: number;
  east: number;
  south: number;
  west: number;
}) {
  const most = Math.max(north, east, south, west, 0.5);
  const k = 34 / most;
  const [n, e, s, w] = [north * k, east * k, south * k, west * k];
  return (
    <svg viewBox="0 0 270 92" className="my-1 block w-full border border-rule bg-sheet" aria-hidden>
      <g transform="translate(135 46)">
        <path
          d={`M0 ${-n}A${e} ${n} 0 0 1 ${e} 0A${e} ${s} 0 0 1 0 ${s}A${w} ${s} 0 0 1 ${-w} 0A${w} ${n} 0 0 1 0 ${-n}Z`}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={1.4}
        />
        <path d={`M0 ${-n}V${s}M${-w} 0H${e}`} stroke={ink} strokeWidth={1} />
        <circle r={4} fill="var(--wood)" stroke="var(--bark)" />
        <text x={4} y={-n + 10} fill={ink} className="font-tight text-[11px]">
          N
        </text>
      </g>
      <text x={8} y={84} fill={pencil} className="font-tight text-[11px]">
        from the stem to the drip line, four ways
      </text>
    </svg>
  );
}

/** Where the tape goes round. */
export function GirthSketch() {
  return (
    <svg viewBox="0 0 270 66" className="my-1 block w-full border border-rule bg-sheet" aria-hidden>
      <path d="M0 60H270" stroke={pencil} />
      <path d="M124 60L128 4H142L146 60Z" fill="var(--wood)" stroke="var(--bark)" />
      <path d="M125 32q10 5 20 0" stroke={ink} strokeWidth={2.5} fill="none" />
      <path d="M96 32V60M92 32h8M92 60h8" stroke={ink} strokeWidth={1} />
      <text x={88} y={49} textAnchor="end" fill={pencil} className="font-tight text-[11px]">
        1.3 m, 4.3 ft
      </text>
      <text x={154} y={36} fill={pencil} className="font-tight text-[11px]">
        tape round the stem, level
      </text>
    </svg>
  );
}

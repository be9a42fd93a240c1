import type { Clearing, ClearingAnalysis } from "../../api/types";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { Check } from "../../ui/Check";
import { Optional } from "./GearParts";
import { Name } from "./NameField";
import { labelOf } from "../../state/members";

/** What is to be moved: the own stem by its cut marks, other pieces, brush; and what takes them away. */
export function PiecesFields({ clearing, analysis }: { clearing: Clearing; analysis: ClearingAnalysis }) {
  const starts = useStarts();
  const units = useSettings((s) => s.units);
  return (
    <>
      <p className="font-tight text-sm">
        {analysis.pieces.reduce((n, p) => n + p.count, 0)} pieces, {written(analysis.massKg, "mass", units)} with the
        brush: {analysis.truck.trips} {analysis.truck.trips === 1 ? "load" : "loads"} of the truck, full by{" "}
        {analysis.truck.byMass ? "weight" : "room"}.
      </p>
      <StemMarks clearing={clearing} analysis={analysis} />
      {clearing.pieces.map((p, i) => (
        <Group key={p.id} title={p.name === "" ? p.id : p.name}>
          <Name path={`clearing.pieces[${i}].name`} label="Called" />
          <Member path={`clearing.pieces[${i}].count`} />
          <Member path={`clearing.pieces[${i}].lengthM`} />
          <Member path={`clearing.pieces[${i}].buttM`} />
          <Member path={`clearing.pieces[${i}].topM`} />
          <Member path={`clearing.pieces[${i}].massKg`} />
          {p.place ? (
            <OnPlan index={i} lies={analysis.pieces.find((a) => a.id === p.id)} />
          ) : (
            <Member path={`clearing.pieces[${i}].atM`} />
          )}
          <Button
            className="mt-1"
            onClick={() => {
              setMember(
                "clearing.pieces",
                clearing.pieces.filter((_, at) => at !== i),
              );
            }}
          >
            Take it away
          </Button>
        </Group>
      ))}
      <Button
        className="mt-2"
        onClick={() => {
          startMember("clearing.pieces", [...clearing.pieces, { ...starts.clearing.piece, id: free(clearing.pieces) }]);
        }}
      >
        Add pieces
      </Button>
      <Group title="Brush">
        <Optional path="clearing.brush" begin="There is brush" start={starts.clearing.brush} away="No brush">
          <Member path="clearing.brush.volumeM3" />
          <Member path="clearing.brush.massKgM3" />
          <Member path="clearing.brush.bundleKg" />
          <Member path="clearing.brush.atM" />
        </Optional>
      </Group>
      <Group title="Truck or chipper">
        <Member path="clearing.truck.carriesKg" />
        <Member path="clearing.truck.roomM3" />
        <Check
          label={labelOf("clearing.truck.chipped")}
          checked={clearing.truck.chipped}
          onChange={(on) => {
            setMember("clearing.truck.chipped", on);
          }}
        />
      </Group>
    </>
  );
}

/** Where a piece lies that was put on the plan, along the section and aside of it. */
function OnPlan({ index, lies }: { index: number; lies: ClearingAnalysis["pieces"][number] | undefined }) {
  const units = useSettings((s) => s.units);
  const path = `clearing.pieces[${index}].place` as const;
  return (
    <>
      <p className="py-1 text-[13px] leading-snug">
        On the plan
        {lies &&
          `: ${written(lies.atM, "length", units)} along, ${written(Math.abs(lies.asideM), "length", units)} to the ${lies.asideM < 0 ? "left" : "right"}`}
      </p>
      <Member path={`${path}.eastM`} />
      <Member path={`${path}.northM`} />
      <Button
        className="mt-1 mr-2"
        onClick={() => {
          if (lies) setMember(`clearing.pieces[${index}].atM`, Math.max(0, Math.round(lies.atM * 10) / 10));
          setMember(path, undefined);
        }}
      >
        Off the plan
      </Button>
    </>
  );
}

function free(pieces: Clearing["pieces"]): string {
  let n = pieces.length + 1;
  while (pieces.some((p) => p.id === `log-${n}`)) n++;
  return `log-${n}`;
}

/** The own stem with its cut marks: drag them along it, or give them. */
function StemMarks({ clearing, analysis }: { clearing: Clearing; analysis: ClearingAnalysis }) {
  const units = useSettings((s) => s.units);
  const starts = useStarts();
  if (clearing.stemAtM === undefined)
    return (
      <Button
        className="my-1"
        onClick={() => {
          startMember("clearing.stemAtM", starts.clearing.whole.stemAtM);
        }}
      >
        Cut up this plan&apos;s own tree
      </Button>
    );
  const own = analysis.pieces.filter((p) => p.fromM !== undefined);
  return (
    <Group title="Own stem">
      <Member path="clearing.stemAtM" />
      <StemRuler clearing={clearing} lengthM={analysis.stemLengthM} />
      {clearing.stemCutsM.map((_, i) => (
        <Member key={i} path={`clearing.stemCutsM[${i}]`} of={`mark ${i + 1}`} />
      ))}
      <div className="flex gap-2">
        <Button
          className="my-1"
          onClick={() => {
            const last = Math.max(0, ...clearing.stemCutsM);
            const next = last + 2.5 < analysis.stemLengthM ? last + 2.5 : (last + analysis.stemLengthM) / 2;
            startMember("clearing.stemCutsM", [...clearing.stemCutsM, Math.round(next * 10) / 10]);
          }}
        >
          Add a mark
        </Button>
        {clearing.stemCutsM.length > 0 && (
          <Button
            className="my-1"
            onClick={() => {
              setMember("clearing.stemCutsM", clearing.stemCutsM.slice(0, -1));
            }}
          >
            Take the last away
          </Button>
        )}
      </div>
      <table className="w-full font-tight text-[13px]">
        <caption className="sr-only">Pieces of the own stem</caption>
        <tbody>
          {own.map((p) => (
            <tr key={p.id} className="border-b border-rule">
              <td className="py-0.5">{p.name}</td>
              <td className="text-right">{written(p.lengthM, "length", units)}</td>
              <td className="text-right">
                {written(p.buttM, "thickness", units)} to {written(p.topM, "thickness", units)}
              </td>
              <td className="text-right font-semibold">{written(p.massKg, "mass", units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button
        className="mt-1"
        onClick={() => {
          setMember("clearing.stemAtM", undefined);
        }}
      >
        Leave the stem out
      </Button>
    </Group>
  );
}

/** The stem lying down, thinner to the right, with a mark to drag for every cut. */
function StemRuler({ clearing, lengthM }: { clearing: Clearing; lengthM: number }) {
  const units = useSettings((s) => s.units);
  const width = 262;
  return (
    <svg
      viewBox={`0 0 ${width} 40`}
      className="my-1 w-full touch-none"
      role="group"
      aria-label="Cut marks along the stem"
    >
      <path d={`M0 8L${width} 18V22L0 32Z`} fill="var(--wood)" stroke="var(--ink)" strokeWidth={1} />
      {clearing.stemCutsM.map((mark, i) => {
        const x = (mark / lengthM) * width;
        const set = (to: number) => {
          setMember(
            `clearing.stemCutsM[${i}]`,
            Math.round(Math.min(Math.max(to, 0.1), lengthM - 0.1) * 10) / 10,
            `mark-${i}`,
          );
        };
        return (
          <g
            key={i}
            role="slider"
            tabIndex={0}
            data-mark={i}
            aria-label={`Cut mark ${i + 1}`}
            aria-valuenow={mark}
            aria-valuemin={0}
            aria-valuemax={Math.round(lengthM * 10) / 10}
            aria-valuetext={written(mark, "length", units)}
            transform={`translate(${x} 20)`}
            className="cursor-grab outline-none focus-visible:[&_path]:stroke-[4]"
            onKeyDown={(e) => {
              const by = { ArrowLeft: -0.1, ArrowRight: 0.1 }[e.key];
              if (by === undefined) return;
              e.preventDefault();
              set(mark + by * (e.shiftKey ? 10 : 1));
            }}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
            }}
            onPointerMove={(e) => {
              if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
              const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect();
              if (box) set(((e.clientX - box.left) / box.width) * lengthM);
            }}
          >
            <rect x={-12} y={-20} width={24} height={40} fill="transparent" />
            <path d="M0 -16V16" stroke="var(--ink)" strokeWidth={2.5} strokeDasharray="4 2" />
          </g>
        );
      })}
    </svg>
  );
}

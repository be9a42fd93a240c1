import type { JobLog, LogStart } from "../../api/types";
import { Refused } from "../../ui/Refused";
import { Question, Taps, tapsOf } from "./Question";
import { undoneNames } from "./words";

type Said = JobLog["knots"][number];

/** How each knot of the plan came undone. */
export function KnotsQuestion({
  tied,
  knots,
  problem,
  onChange,
}: {
  tied: LogStart["knots"];
  knots: Said[];
  problem: string | undefined;
  onChange: (knots: Said[]) => void;
}) {
  if (tied.length === 0) return null;
  return (
    <Question title="How did the knots come undone?">
      {tied.map((k) => {
        const isIt = (x: Said) => x.knotId === k.knotId && x.itemId === k.itemId;
        const itself = { knotId: k.knotId, ...(k.itemId === undefined ? {} : { itemId: k.itemId }) };
        return (
          <div key={`${k.knotId}-${k.where}`} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
            <p className="w-[190px] text-sm leading-tight">
              {k.name}
              <span className="block text-[13px] text-pencil">{k.where}</span>
            </p>
            <Taps
              label={`${k.name} ${k.where}`}
              value={knots.find(isIt)?.undone}
              choices={tapsOf(undoneNames)}
              onChange={(undone) => {
                const others = knots.filter((x) => !isIt(x));
                onChange(undone ? [...others, { ...itself, undone }] : others);
              }}
            />
          </div>
        );
      })}
      <Refused>{problem}</Refused>
    </Question>
  );
}

import type { MemberPath } from "../state/memberPath";
import { useStarts } from "../state/starts";
import { useState } from "react";
import type { Catalogue, Composed, Line } from "../api/types";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { figure } from "../units/units";
import { movedStage, turnsOf, withKind, withoutStage, withStage, withTurn, type StageKind } from "./compose";
import { Member, useMember, useProblem } from "./fields";
import { useComposed } from "../state/useTackle";
import { type PartProps, Small, contactOptions } from "./ComposerParts";
import { Kept, KeepTackle } from "./KeptTackles";
import { Ropes } from "./ComposerRopes";

interface ComposerProps {
  at: number;
  catalogue: Catalogue;
}

/** A tackle of one's own: stages that haul one another, or points and ropes for who wants all of it. */
export function Composer({ at, catalogue }: ComposerProps) {
  const path = `lines[${at}].tackle` as const;
  const tackle = useMember(path) as Line["tackle"];
  const starts = useStarts();
  const own = tackle.composed ?? starts.composed;
  const [keeping, setKeeping] = useState(false);
  const made = useComposed(own, tackle.contactId);
  const problem = useProblem(
    `${path}.composed.stages`,
    `${path}.composed.ropes`,
    `${path}.composed.points`,
    `${path}.composed`,
  );
  const put = (next: Composed) => {
    setMember(`${path}.composed`, next);
  };
  const staged = own.stages.length > 0 || own.points.length === 0;
  return (
    <div className="my-1 border-l-2 border-rule pl-2" data-composer>
      {made.data ? (
        <p className="font-tight text-sm" role="status" data-composed>
          <span className="font-semibold">{made.data.name}</span>:{" "}
          {figure(made.data.solution.idealAdvantage, "ratio", "metric")} before friction,{" "}
          {figure(made.data.solution.actualAdvantage, "ratio", "metric")} with it.
          {made.data.peopleSay !== undefined && <span className="block">{made.data.peopleSay}</span>}
        </p>
      ) : null}
      {problem && (
        <p role="alert" className="my-1 border-l-4 border-ink pl-2 text-[13px] leading-snug">
          {problem}
        </p>
      )}
      {staged ? (
        <Stages path={path} own={own} usual={tackle.contactId} catalogue={catalogue} put={put} />
      ) : (
        <Ropes path={path} own={own} catalogue={catalogue} put={put} />
      )}
      <div className="mt-1 flex flex-wrap gap-1">
        {staged && made.data && (
          <Button
            onClick={() => {
              put(made.data.ropeByRope as Composed);
            }}
          >
            Go on rope by rope
          </Button>
        )}
        {!staged && (
          <Button
            onClick={() => {
              put(starts.composed);
            }}
          >
            Back to stages
          </Button>
        )}
        {made.data && (
          <Button
            onClick={() => {
              setKeeping(true);
            }}
          >
            Keep it for the crew
          </Button>
        )}
      </div>
      <Kept own={own} />
      {keeping && (
        <KeepTackle
          own={own}
          name={made.data?.name ?? ""}
          onKept={(name) => {
            put({ ...own, name });
          }}
          onClose={() => {
            setKeeping(false);
          }}
        />
      )}
    </div>
  );
}

function Stages({ path, own, usual, catalogue, put }: PartProps & { usual: string }) {
  const kinds = catalogue.stages.map((s) => ({ value: s.kind, name: s.name, note: s.note }));
  return (
    <>
      <Note>From the hands to the line; each stage hauls the next.</Note>
      <ol>
        {own.stages.map((stage, i) => (
          <li key={i} className="mt-1 border-t border-rule pt-0.5" data-stage={i}>
            <StageKindChoice
              path={`${path}.composed.stages[${i}].kind`}
              label={`Stage ${i + 1}`}
              value={stage.kind}
              kinds={kinds}
              onChange={(kind) => {
                put(withKind(own, i, kind, turnsOf(catalogue, kind)));
              }}
            />
            {Array.from({ length: turnsOf(catalogue, stage.kind) }, (_, turn) => (
              <Choice
                key={turn}
                label={turnsOf(catalogue, stage.kind) > 1 ? `Turn ${turn + 1} at` : "Turns at"}
                value={stage.contactIds[turn] ?? (stage.kind === "ropeLoop" && turn === 0 ? "rope-on-rope" : usual)}
                options={contactOptions(catalogue)}
                onChange={(id) => {
                  put(withTurn(own, i, turn, id, usual));
                }}
              />
            ))}
            {stage.kind !== "direct" && <Member path={`${path}.composed.stages[${i}].legsApartDeg`} />}
            <div className="flex gap-1">
              <Small
                onClick={() => {
                  put(movedStage(own, i, -1));
                }}
                disabled={i === 0}
                label={`Stage ${i + 1} toward the hands`}
              >
                Toward the hands
              </Small>
              <Small
                onClick={() => {
                  put(movedStage(own, i, 1));
                }}
                disabled={i === own.stages.length - 1}
                label={`Stage ${i + 1} toward the line`}
              >
                Toward the line
              </Small>
              <Small
                onClick={() => {
                  put(withoutStage(own, i));
                }}
                label={`Take stage ${i + 1} out`}
              >
                Take out
              </Small>
            </div>
          </li>
        ))}
      </ol>
      {own.stages.length < 6 && (
        <Choice
          label="Add a stage"
          value=""
          options={[{ value: "", name: "choose" }, ...kinds]}
          onChange={(kind) => {
            if (kind !== "") put(withStage(own, kind as StageKind));
          }}
        />
      )}
    </>
  );
}

function StageKindChoice({
  path,
  label,
  value,
  kinds,
  onChange,
}: {
  path: MemberPath;
  label: string;
  value: StageKind;
  kinds: { value: string; name: string; note: string }[];
  onChange: (kind: StageKind) => void;
}) {
  return (
    <Choice
      label={label}
      value={value}
      options={kinds}
      onChange={(kind) => {
        onChange(kind as StageKind);
      }}
      problem={useProblem(path)}
    />
  );
}

import { useStarts } from "../state/starts";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { Catalogue, Composed, Line } from "../api/types";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { TextField } from "../ui/TextField";
import { figure } from "../units/units";
import {
  idOf,
  movedStage,
  renamed,
  turnsOf,
  withContact,
  withKind,
  withoutContact,
  withoutPoint,
  withoutStage,
  withRope,
  withStage,
  withTraveller,
  withTurn,
  type StageKind,
} from "./compose";
import { Member, useMember, useProblem } from "./fields";
import { useComposed, useOwnTackles } from "../state/useTackle";

interface ComposerProps {
  at: number;
  catalogue: Catalogue;
}

/** A tackle of one's own: stages that haul one another, or points and ropes for who wants all of it. */
export function Composer({ at, catalogue }: ComposerProps) {
  const path = `lines[${at}].tackle`;
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

interface PartProps {
  path: string;
  own: Composed;
  catalogue: Catalogue;
  put: (next: Composed) => void;
}

function Stages({ path, own, usual, catalogue, put }: PartProps & { usual: string }) {
  const kinds = catalogue.stages.map((s) => ({ value: s.kind, name: s.name, note: s.note }));
  return (
    <>
      <Note>From the hands to the line, each stage hauling the next.</Note>
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
            {stage.kind !== "direct" && (
              <Member
                path={`${path}.composed.stages[${i}].legsApartDeg`}
                label="Legs apart"
                quantity="angle"
                step={5}
              />
            )}
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
  path: string;
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

const pointKinds = [
  { value: "fixed", name: "fixed", note: "held by the ground; the one on the plan's anchor is called anchor" },
  { value: "moving", name: "moving", note: "hauled by a rope that starts there" },
  { value: "load", name: "load", note: "where the tackle takes the line" },
  { value: "hand", name: "hand", note: "where it is hauled" },
];

function Ropes({ path, own, catalogue, put }: PartProps) {
  const points = own.points.map((p) => ({ value: p.id, name: p.id }));
  return (
    <>
      <Note>
        Points stand along the haul axis; only their order counts. A rope is followed from its hauling end to where it
        is made fast.
      </Note>
      {own.points.map((point, i) => (
        <div key={i} className="mt-1 border-t border-rule pt-0.5" data-point-row={i}>
          <PointName
            path={`${path}.composed.points[${i}].id`}
            value={point.id}
            onChange={(name) => {
              put(renamed(own, point.id, name));
            }}
          />
          <Choice
            label="is"
            value={point.kind}
            options={pointKinds}
            onChange={(kind) => {
              setMember(`${path}.composed.points[${i}].kind`, kind);
            }}
          />
          <Member path={`${path}.composed.points[${i}].position`} label="Place on the axis" quantity="ratio" step={1} />
          {point.kind === "moving" && (
            <Small
              onClick={() => {
                put(withoutPoint(own, point.id));
              }}
              label={`Take ${point.id} out`}
            >
              Take out, with its rope
            </Small>
          )}
        </div>
      ))}
      {own.ropes.map((rope, r) => (
        <div key={r} className="mt-1.5 border-t border-ink pt-0.5" data-rope-row={r}>
          <RopeFrom
            path={`${path}.composed.ropes[${r}]`}
            label={`Rope ${r + 1} from`}
            value={rope.from}
            points={points}
            onChange={(id) => {
              put(withRope(own, r, (old) => ({ ...old, from: id })));
            }}
          />
          {rope.contacts.map((contact, c) => {
            const last = c === rope.contacts.length - 1;
            const place = `${path}.composed.ropes[${r}].contacts[${c}]`;
            return (
              <div key={c} className="border-l border-rule pl-2">
                <ContactPoint
                  path={`${place}.point`}
                  label={last ? "made fast at" : "to"}
                  value={contact.point}
                  points={points}
                  onChange={(id) => {
                    setMember(`${place}.point`, id);
                  }}
                />
                {!last && (
                  <Choice
                    label="turns at"
                    value={contact.contactId ?? ""}
                    options={[{ value: "", name: "the tackle's own" }, ...contactOptions(catalogue)]}
                    onChange={(id) => {
                      setMember(`${place}.contactId`, id === "" ? undefined : id);
                    }}
                  />
                )}
                <Member path={`${place}.offAxisDeg`} label="Leg off the axis" quantity="angle" step={5} />
                {rope.contacts.length > 1 && (
                  <Small
                    onClick={() => {
                      put(withoutContact(own, r, c));
                    }}
                    label={`Take contact ${c + 1} of rope ${r + 1} out`}
                  >
                    Take out
                  </Small>
                )}
              </div>
            );
          })}
          <Small
            onClick={() => {
              put(withContact(own, r, "anchor"));
            }}
            label={`Lead rope ${r + 1} on`}
          >
            Lead it on
          </Small>
        </div>
      ))}
      <Button
        className="mt-1"
        onClick={() => {
          put(withTraveller(own));
        }}
      >
        Add a moving point with its rope
      </Button>
    </>
  );
}

function PointName({ path, value, onChange }: { path: string; value: string; onChange: (name: string) => void }) {
  return <TextField label="Point" value={value} onChange={onChange} problem={useProblem(path)} />;
}

function RopeFrom({
  path,
  label,
  value,
  points,
  onChange,
}: {
  path: string;
  label: string;
  value: string;
  points: { value: string; name: string }[];
  onChange: (id: string) => void;
}) {
  return (
    <Choice
      label={label}
      value={value}
      options={points}
      onChange={onChange}
      problem={useProblem(path, `${path}.from`, `${path}.contacts`)}
    />
  );
}

function ContactPoint({
  path,
  label,
  value,
  points,
  onChange,
}: {
  path: string;
  label: string;
  value: string;
  points: { value: string; name: string }[];
  onChange: (id: string) => void;
}) {
  return (
    <Choice
      label={label}
      value={value}
      options={points}
      onChange={onChange}
      problem={useProblem(path, path.replace(/\.point$/, ".contactId"))}
    />
  );
}

function Small({
  children,
  label,
  ...rest
}: {
  children: string;
  label: string;
  onClick: () => void;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      title={label}
      className="min-h-7 px-1 font-tight text-[13px] underline underline-offset-2 disabled:opacity-40"
      {...rest}
    >
      {children}
    </button>
  );
}

function contactOptions(catalogue: Catalogue) {
  return catalogue.contacts.map((c) => ({
    value: c.id,
    name: c.name,
    note: `passes ${Math.round(c.nominal * 100)} %`,
  }));
}

/** When this one is kept already, it can be dropped again. */
function Kept({ own }: { own: Composed }) {
  const tackles = useOwnTackles();
  const queries = useQueryClient();
  const kept = tackles.data?.find((t) => t.tackle.name !== undefined && t.tackle.name === own.name);
  if (!kept) return null;
  return (
    <p className="mt-1 text-[13px] leading-snug">
      The crew keeps a tackle of this name.{" "}
      <button
        type="button"
        className="underline underline-offset-2"
        onClick={() => {
          void api.dropTackle(kept.id).then(() => queries.invalidateQueries({ queryKey: ["tackles"] }));
        }}
      >
        Drop it from the crew's list
      </button>
    </p>
  );
}

function KeepTackle({
  own,
  name: suggested,
  onKept,
  onClose,
}: {
  own: Composed;
  name: string;
  onKept: (name: string) => void;
  onClose: () => void;
}) {
  const [name, setName] = useState(own.name ?? suggested);
  const [problem, setProblem] = useState<string | undefined>();
  const queries = useQueryClient();

  async function keep(): Promise<void> {
    try {
      await api.keepTackle({ id: idOf(name), tackle: { ...own, name } });
      await queries.invalidateQueries({ queryKey: ["tackles"] });
      onKept(name);
      onClose();
    } catch (error) {
      setProblem(sayWhy(error));
    }
  }

  return (
    <Modal title="Keep this tackle" onClose={onClose}>
      <Note>
        Other plans can then take it, and the rig finder tries it. One of the same name is replaced; plans that carry it
        keep their own copy.
      </Note>
      <TextField label="Name" value={name} onChange={setName} problem={problem} />
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Not now</Button>
        <Button
          strong
          onClick={() => {
            void keep();
          }}
        >
          Keep it
        </Button>
      </div>
    </Modal>
  );
}

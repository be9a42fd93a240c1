import type { MemberPath } from "../state/memberPath";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { TextField } from "../ui/TextField";
import { renamed, withContact, withoutContact, withoutPoint, withRope, withTraveller } from "./compose";
import { Member, useProblem } from "./fields";
import { type PartProps, Small, contactOptions } from "./ComposerParts";

const pointKinds = [
  { value: "fixed", name: "fixed", note: "held by the ground; the one on the plan's anchor is called anchor" },
  { value: "moving", name: "moving", note: "hauled by a rope that starts there" },
  { value: "load", name: "load", note: "where the tackle takes the line" },
  { value: "hand", name: "hand", note: "where it is hauled" },
];

export function Ropes({ path, own, catalogue, put }: PartProps) {
  const points = own.points.map((p) => ({ value: p.id, name: p.id }));
  return (
    <>
      <Note>
        Points stand along the haul axis; only their order counts. List each rope from its hauling end to where it is
        made fast.
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
          <Member path={`${path}.composed.points[${i}].position`} />
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
          <PointChoice
            paths={[
              `${path}.composed.ropes[${r}]`,
              `${path}.composed.ropes[${r}].from`,
              `${path}.composed.ropes[${r}].contacts`,
            ]}
            label={`Rope ${r + 1} from`}
            value={rope.from}
            points={points}
            onChange={(id) => {
              put(withRope(own, r, (old) => ({ ...old, from: id })));
            }}
          />
          {rope.contacts.map((contact, c) => {
            const last = c === rope.contacts.length - 1;
            const place = `${path}.composed.ropes[${r}].contacts[${c}]` as const;
            return (
              <div key={c} className="border-l border-rule pl-2">
                <PointChoice
                  paths={[`${place}.point`, `${place}.contactId`]}
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
                <Member path={`${place}.offAxisDeg`} />
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

function PointName({ path, value, onChange }: { path: MemberPath; value: string; onChange: (name: string) => void }) {
  return <TextField label="Point" value={value} onChange={onChange} problem={useProblem(path)} />;
}

interface PointChoiceProps {
  /** The members that this decides; a refusal of any stands here. */
  paths: MemberPath[];
  label: string;
  value: string;
  points: { value: string; name: string }[];
  onChange: (id: string) => void;
}

function PointChoice({ paths, label, value, points, onChange }: PointChoiceProps) {
  return <Choice label={label} value={value} options={points} onChange={onChange} problem={useProblem(...paths)} />;
}

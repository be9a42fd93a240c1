import { useStarts } from "../state/starts";
import type { Catalogue, Line } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { setMember, useSheet, withProvenance } from "../state/store";
import { useView } from "../state/view";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { TextField } from "../ui/TextField";
import { written } from "../units/units";
import { AnchorFields } from "./AnchorFields";
import { Group, Member, useMember } from "./fields";
import { Piece } from "./Piece";
import { SlingFields } from "./SlingFields";

/** Where the line turns on its way. A new redirect takes the anchor's place, and the anchor moves aside. */
export function RedirectFields({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const redirects = useMember(`lines[${at}].redirects`) as Line["redirects"];
  const edit = useSheet((s) => s.edit);
  const starts = useStarts();
  const set = useView((s) => s.set);

  function add(): void {
    edit((d) => ({
      ...d,
      plan: {
        ...d.plan,
        lines: d.plan.lines.map((l, i) => {
          if (i !== at) return l;
          const aside: Line["anchor"] = {
            distanceM: Math.round(l.anchor.distanceM * 1.25),
            bearingDeg: (l.anchor.bearingDeg + 325) % 360,
            groundRiseM: l.anchor.groundRiseM,
            heightM: l.anchor.heightM,
            kind: "rated",
          };
          return {
            ...l,
            redirects: [...l.redirects, { at: l.anchor, contactId: starts.redirectContactId }],
            anchor: aside,
          };
        }),
      },
    }));
    set({ drawing: "plan" });
  }

  return (
    <Group title="Redirects">
      {redirects.length === 0 && (
        <Note>
          The line runs straight to its anchor. A redirect lets the crew haul from outside the lay. It costs some of the
          pull and carries more than the line.
        </Note>
      )}
      {redirects.map((r, i) => (
        <Redirect key={i} at={at} number={i} redirect={r} many={redirects.length > 1} catalogue={catalogue} />
      ))}
      {redirects.length < 4 && (
        <Button className="my-1" onClick={add}>
          Add a redirect
        </Button>
      )}
    </Group>
  );
}

function Redirect({
  at,
  number,
  redirect,
  many,
  catalogue,
}: {
  at: number;
  number: number;
  redirect: Line["redirects"][number];
  many: boolean;
  catalogue: Catalogue;
}) {
  const path = `lines[${at}].redirects[${number}]` as const;
  const units = useSettings((s) => s.units);
  const id = useMember(`lines[${at}].id`) as string;
  const force = useFeed((s) => s.analysis?.pull.lines[at]?.redirects[number]);
  const edit = useSheet((s) => s.edit);
  const contact = catalogue.contacts.find((c) => c.id === redirect.contactId);
  return (
    <div className="mt-1 border-l-2 border-rule pl-2" data-redirect={number}>
      <TextField
        label={many ? `Redirect ${number + 1}` : "Redirect"}
        value={redirect.at.name ?? ""}
        onChange={(v) => {
          setMember(`${path}.at.name`, v === "" ? undefined : v, `redirect-name-${number}`);
        }}
      />
      {force && (
        <Figure
          label="Force on it"
          value={force.forceN}
          quantity="force"
          working={`${id}.redirect-${number + 1}`}
          note={`toward ${written(force.towardDeg, "degrees", units)}, ${Math.abs(force.risesDeg) < 1 ? "level" : `${written(Math.abs(force.risesDeg), "degrees", units)} ${force.risesDeg > 0 ? "upward: keep the strap from riding up" : "downward"}`}; legs ${written(force.betweenDeg, "degrees", units)} apart`}
        />
      )}
      <Member path={`${path}.at.distanceM`} />
      <Member path={`${path}.at.bearingDeg`} />
      <Member path={`${path}.at.groundRiseM`} />
      <Member path={`${path}.at.heightM`} />
      <Choice
        label="Turns at"
        value={redirect.contactId}
        options={catalogue.contacts.map((c) => ({
          value: c.id,
          name: c.name,
          note: `passes ${Math.round(c.nominal * 100)} % at a half turn`,
        }))}
        onChange={(v) => {
          setMember(`${path}.contactId`, v);
        }}
      />
      {contact && ["block", "ring", "carabiner"].includes(contact.builtOf) && (
        <>
          <Piece path={path} place="redirectBlock" />
          <Member path={`${path}.hardwareStrengthN`} />
        </>
      )}
      <SlingFields path={`${path}.at.sling`} catalogue={catalogue} name="Sling" />
      <AnchorFields
        path={`${path}.at`}
        catalogue={catalogue}
        holds={(a) => a.pull.lines[at]?.redirects[number]?.strength}
        load={(a) => a.pull.lines[at]?.redirects[number]?.forceN}
      />
      <Button
        className="my-1"
        onClick={() => {
          edit((d) => ({
            ...d,
            plan: {
              ...withProvenance(d.plan, `lines[${at}].redirects`, undefined),
              lines: d.plan.lines.map((l, i) =>
                i === at ? { ...l, redirects: l.redirects.filter((_, n) => n !== number) } : l,
              ),
            },
          }));
        }}
      >
        Take it away
      </Button>
    </div>
  );
}

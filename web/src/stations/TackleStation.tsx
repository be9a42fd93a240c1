import { useStarts } from "../state/starts";
import { lazy, Suspense } from "react";
import type { Catalogue, Composed, Line } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { setMember, startMember, useSheet } from "../state/store";
import { Note, Segments } from "../ui/controls";
import { Choice } from "../ui/Choice";
import { useSettings } from "../ui/settings";
import { TextField } from "../ui/TextField";
import { written } from "../units/units";
import { AnchorFields } from "./AnchorFields";
import { Group, Member, useProblem } from "./fields";
import { JoinFields } from "./JoinFields";
import { LinePicker, useLine } from "./LinePicker";
import { Piece } from "./Piece";
import { PullerFields } from "./PullerFields";
import { RedirectFields } from "./RedirectFields";
import { schools } from "./schools";
import { SlingFields } from "./SlingFields";
import { useOwnTackles } from "../state/useTackle";
import { labelOf } from "../state/members";

const RigFinder = lazy(() => import("./RigFinder").then((m) => ({ default: m.RigFinder })));
const Composer = lazy(() => import("./Composer").then((m) => ({ default: m.Composer })));
const HoldFields = lazy(() => import("./HoldFields").then((m) => ({ default: m.HoldFields })));

/** What a tackle of one's own offers to choose: it may stand in the line or on a rope of its own, and hangs on the anchor. */
const ofOnesOwn = { id: "composed", inLine: false, usesAnchor: true };

/** The tackle with another system; what sat at a turn of the one before is not known to suit it. */
function withSystem(tackle: Line["tackle"], id: string, first: Composed, kept: Composed | undefined): Line["tackle"] {
  const rest = { ...tackle };
  delete rest.composed;
  delete rest.capture;
  return kept
    ? { ...rest, systemId: "composed", composed: kept }
    : id === "composed"
      ? { ...rest, systemId: "composed", composed: tackle.composed ?? first }
      : { ...rest, systemId: id };
}

/** What the line runs to, the tackle on it and who hauls. */
export function TackleStation({ catalogue }: { catalogue: Catalogue }) {
  const at = useLine();
  const path = `lines[${at}]` as const;
  const line = useSheet((s) => s.document?.plan.lines[at]);
  const systemProblem = useProblem(`${path}.tackle.systemId`);
  const tackles = useOwnTackles();
  const starts = useStarts();
  if (!line) return null;
  const { composed } = line.tackle;
  const system = composed ? ofOnesOwn : catalogue.systems.find((s) => s.id === line.tackle.systemId);
  const keptAs = composed && tackles.data?.find((t) => t.tackle.name !== undefined && t.tackle.name === composed.name);
  const contact = catalogue.contacts.find((c) => c.id === line.tackle.contactId);
  const own = line.tackle.rope !== undefined;
  return (
    <>
      <Note>
        Choose something sound, set low, with room for the fully opened tackle. The anchor may carry more than the pull.
      </Note>
      <LinePicker />
      <TextField
        label={labelOf(`${path}.anchor.name`)}
        value={line.anchor.name ?? ""}
        onChange={(v) => {
          setMember(`${path}.anchor.name`, v === "" ? undefined : v, "anchor-name");
        }}
      />
      <Member path={`${path}.anchor.distanceM`} />
      <Member path={`${path}.anchor.bearingDeg`} />
      <Member path={`${path}.anchor.groundRiseM`} />
      <Member path={`${path}.anchor.heightM`} />
      <AnchorFields
        path={`${path}.anchor`}
        catalogue={catalogue}
        holds={(a) => a.anchors[at]}
        load={(a) => a.links.find((l) => l.kind === "anchor" && l.lineId === line.id)?.loadN}
      />
      <SlingFields path={`${path}.anchor.sling`} catalogue={catalogue} name="Sling" />
      <RedirectFields at={at} catalogue={catalogue} />
      <Group title="Tackle">
        <Choice
          label={labelOf(`${path}.tackle.systemId`)}
          value={composed ? (keptAs ? `own:${keptAs.id}` : "composed") : line.tackle.systemId}
          options={[
            ...catalogue.systems.map((s) => ({ value: s.id, name: s.name, note: s.note })),
            ...(tackles.data ?? []).map((t) => ({
              value: `own:${t.id}`,
              name: t.tackle.name ?? t.id,
              note: "the crew's own",
            })),
            {
              value: "composed",
              name: composed ? (composed.name ?? "Built here") : "Build one",
              note: "stages that haul one another, or rope by rope",
            },
          ]}
          onChange={(id) => {
            setMember(
              `${path}.tackle`,
              withSystem(line.tackle, id, starts.composed, tackles.data?.find((t) => `own:${t.id}` === id)?.tackle),
            );
          }}
          problem={systemProblem}
        />
        {composed && (
          <Suspense>
            <Composer at={at} catalogue={catalogue} />
          </Suspense>
        )}
        {system && system.id !== "direct" && (
          <Choice
            label={composed ? "Other turns at" : "Turns at"}
            value={line.tackle.contactId}
            options={catalogue.contacts.map((c) => ({
              value: c.id,
              name: c.name,
              note: `passes ${Math.round(c.nominal * 100)} % (${Math.round(c.low * 100)}–${Math.round(c.high * 100)})`,
            }))}
            onChange={(id) => {
              setMember(`${path}.tackle.contactId`, id);
            }}
          />
        )}
        {system && !system.inLine && (
          <>
            <Segments
              label="Rope of the tackle"
              value={own ? "own" : "line"}
              onChange={(v) => {
                if (v === "own") startMember(`${path}.tackle.rope`, starts.tackleRope);
                else setMember(`${path}.tackle.rope`, undefined);
              }}
              choices={[
                { value: "own", text: "Rope of its own" },
                { value: "line", text: "In the line" },
              ]}
            />
            <Note>{schools.tackle[own ? "own" : "line"]}</Note>
            {own && <Piece path={`${path}.tackle.rope`} place="tackleRope" />}
            {own && <Member path={`${path}.tackle.rope.breakingStrengthN`} />}
            {own && (
              <Choice
                label={labelOf(`${path}.tackle.rope.endKnotId`)}
                value={line.tackle.rope?.endKnotId ?? ""}
                options={catalogue.knots
                  .filter((k) => k.use === "end-loop")
                  .map((k) => ({ value: k.id, name: k.name, note: `keeps ${Math.round(k.keepsLow * 100)} %` }))}
                onChange={(id) => {
                  setMember(`${path}.tackle.rope.endKnotId`, id);
                }}
              />
            )}
            <JoinFields at={at} catalogue={catalogue} />
          </>
        )}
        {system && !system.inLine && (
          <>
            <Member path={`${path}.tackle.openedM`} />
            <Member path={`${path}.tackle.closedM`} />
            {own && <Member path={`${path}.tackle.rope.lengthM`} />}
            <Suspense>
              <HoldFields at={at} catalogue={catalogue} />
            </Suspense>
          </>
        )}
        {system && contact && system.id !== "direct" && ["block", "ring", "carabiner"].includes(contact.builtOf) && (
          <>
            <Piece path={`${path}.tackle`} place="blocks" label="Blocks from the locker" />
            <Member path={`${path}.tackle.hardwareStrengthN`} />
          </>
        )}
      </Group>
      <PullerFields at={at} catalogue={catalogue} />
      {at === 0 && (
        <Group title="Rig finder">
          <Suspense>
            <RigFinder />
          </Suspense>
        </Group>
      )}
      <Results at={at} anchored={system?.usesAnchor ?? true} />
    </>
  );
}

/** Apart from the fields, so that they are not drawn again with every figure of a drag. */
function Results({ at, anchored }: { at: number; anchored: boolean }) {
  const units = useSettings((s) => s.units);
  const result = useFeed((s) => s.analysis?.pull.lines[at]);
  if (!result) return null;
  return (
    <Group title="What follows">
      <Figure
        label="Hand force"
        value={result.tackle.handForceN}
        quantity="force"
        working={`${result.id}.hand-force`}
        note="all haulers together, at the planned tension"
      />
      <Figure
        label="Advantage"
        value={result.tackle.actualAdvantage}
        quantity="ratio"
        working={`${result.id}.advantage`}
        note={`${result.tackle.idealAdvantage} before friction`}
      />
      <Figure
        label="Rope hauled"
        value={result.tackle.haulLengthM}
        quantity="length"
        working={`${result.id}.haul-length`}
      />
      {result.tackle.sets.linePerSetM !== undefined && (
        <Figure
          label="Sets"
          value={result.tackle.sets.sets}
          quantity="count"
          working={`${result.id}.sets`}
          note={`${written(result.tackle.sets.linePerSetM, "length", units)} of line a set; T draws and plays it`}
        />
      )}
      <Figure
        label="To hold it"
        value={result.tackle.holdForceN}
        quantity="force"
        working={`${result.id}.hold-force`}
        note="friction now helps"
      />
      {anchored && (
        <Figure
          label="Force on the anchor"
          value={result.tackle.anchorForceN}
          quantity="force"
          working={`${result.id}.anchor-force`}
        />
      )}
    </Group>
  );
}

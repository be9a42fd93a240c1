import type { ReactNode } from "react";
import type { Catalogue, Clearing } from "../../api/types";
import type { MemberPath, PathOf } from "../../state/memberPath";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { AnchorFields } from "../../stations/AnchorFields";
import { Group, Member, useMember } from "../../stations/fields";
import { Piece } from "../../stations/Piece";
import { OneRope } from "../../stations/RopeFields";
import { SlingFields } from "../../stations/SlingFields";
import { Choice } from "../../ui/Choice";
import { Button, Segments } from "../../ui/controls";

type SectionPoint = NonNullable<Clearing["low"]>;
type RigBlock = NonNullable<NonNullable<Clearing["high"]>["block"]>;
type Rope = NonNullable<Clearing["line"]>;

const rope: Rope = { breakingStrengthN: 30_000, lengthM: 60, diameterM: 0.013, stretchAtTenPercent: 0.03 };

/** A part of the set-up that need not be there: a button that begins it, or its fields and one that takes it away. */
export function Optional({
  path,
  begin,
  start,
  away,
  children,
}: {
  path: MemberPath;
  /** What the button says that begins it. */
  begin: string;
  start: object;
  /** What the button says that takes it away; without it, it stays. */
  away?: string;
  children: ReactNode;
}) {
  const given = useMember(path) !== undefined;
  if (!given)
    return (
      <Button
        className="my-1 mr-2"
        onClick={() => {
          startMember(path, start);
        }}
      >
        {begin}
      </Button>
    );
  return (
    <>
      {children}
      {away !== undefined && (
        <Button
          className="mt-1"
          onClick={() => {
            setMember(path, undefined);
          }}
        >
          {away}
        </Button>
      )}
    </>
  );
}

export function RopePart({
  path,
  name,
  catalogue,
}: {
  path: "clearing.line" | "clearing.haul" | "clearing.tag" | "clearing.high.guy.rope";
  name: string;
  catalogue: Catalogue;
}) {
  return (
    <Group title={name}>
      <Optional path={path} begin="Say which rope" start={rope} away="Take it away">
        <OneRope path={path} place="rope" catalogue={catalogue} inTree={false} />
      </Optional>
    </Group>
  );
}

export function BlockPart({ path, name, catalogue }: { path: PathOf<RigBlock>; name: string; catalogue: Catalogue }) {
  const block = useMember(path) as RigBlock | undefined;
  return (
    <Optional path={path} begin="Say which block" start={{ contactId: "bushed-block" }}>
      <div className="mt-1 border-l-2 border-rule pl-2">
        <p className="font-tight text-sm font-semibold">{name}</p>
        <Choice
          label="Line turns round"
          value={block?.contactId ?? ""}
          options={catalogue.contacts.map((c) => ({
            value: c.id,
            name: c.name,
            note: `passes on ${Math.round(c.nominal * 100)} % at a half turn`,
          }))}
          onChange={(id) => {
            setMember(`${path}.contactId`, id);
          }}
        />
        <Piece path={path} place="rigBlock" />
        <Member path={`${path}.strengthN`} />
        <MetalChoice path={`${path}.metal`} />
        <SlingFields path={`${path}.sling`} catalogue={catalogue} name="Its sling" />
      </div>
    </Optional>
  );
}

export function MetalChoice({
  path,
}: {
  path: `${PathOf<RigBlock>}.metal` | "clearing.carriage.metal" | "clearing.slide.metal";
}) {
  const metal = useMember(path) as "steel" | "alloy" | undefined;
  return (
    <Segments
      label="Metal"
      value={metal ?? "none"}
      onChange={(m) => {
        setMember(path, m === "none" ? undefined : m);
      }}
      choices={[
        { value: "steel", text: "Steel" },
        { value: "alloy", text: "Alloy" },
        { value: "none", text: "Not looked" },
      ]}
    />
  );
}

export function PointPart({
  path,
  name,
  start,
  catalogue,
}: {
  path: PathOf<SectionPoint>;
  name: string;
  start: "low" | "haulAnchor";
  catalogue: Catalogue;
}) {
  const starts = useStarts();
  return (
    <Group title={name}>
      <Optional path={path} begin="Say what it is" start={starts.clearing[start]}>
        <PointFields path={path} catalogue={catalogue} />
      </Optional>
    </Group>
  );
}

/** An anchor of the section: where it is, what it is, its sling. */
export function PointFields({ path, catalogue }: { path: PathOf<SectionPoint>; catalogue: Catalogue }) {
  return (
    <>
      <Member path={`${path}.atM`} />
      <Member path={`${path}.heightM`} />
      <AnchorFields path={path} catalogue={catalogue} />
      <SlingFields path={`${path}.sling`} catalogue={catalogue} name="Its sling" />
    </>
  );
}

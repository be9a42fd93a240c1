import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { Catalogue, RigLink, WayResult } from "../../api/types";
import type { SectionPanel } from "../../drawing/section";
import { useClearing } from "../../state/feed";
import { withValue } from "../../state/paths";
import { useSheet, withProvenance } from "../../state/store";
import { useView } from "../../state/view";
import { Group, Member } from "../../stations/fields";
import { OwnFigures } from "../../stations/OwnFigures";
import { Button, Note } from "../../ui/controls";
import { ErrorBoundary } from "../../ui/ErrorBoundary";
import { useSettings } from "../../ui/settings";
import { isQuantity, written, type Quantity } from "../../units/units";
import { useLedTo } from "../sheet/useLedTo";
import { GearFields } from "./GearFields";
import { GroundFields } from "./GroundFields";
import { PeopleFields } from "./PeopleFields";
import { PiecesFields } from "./PiecesFields";
import { WayFields } from "./WayFields";
import { span } from "./words";

const titles: Record<Exclude<SectionPanel, "way">, string> = {
  pieces: "Pieces",
  ground: "Ground",
  gear: "Gear",
  people: "People",
};

/** Beside the drawing: the chosen way, or what is put in for all of them. */
export function SideFields({ panel, catalogue }: { panel: SectionPanel; catalogue: Catalogue }) {
  const clearing = useSheet((s) => s.document?.plan.clearing);
  const analysis = useClearing((s) => s.analysis);
  const link = useView((s) => s.link);
  const aside = useRef<HTMLElement>(null);
  useLedTo(aside);
  if (!clearing) return null;
  const way = analysis?.ways.find((w) => w.way === clearing.way);
  const lit = way?.links.find((l) => l.id === link);
  return (
    <aside
      ref={aside}
      data-onward
      tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex -- arrow keys scroll it
      aria-label={panel === "way" ? (way?.name ?? "Way") : titles[panel]}
      className="w-[306px] shrink-0 overflow-y-auto border-l border-rule px-4 pb-4 pt-3 max-lg:w-full max-lg:overflow-visible max-lg:border-l-0 max-lg:border-t max-lg:border-ink"
    >
      <ErrorBoundary key={panel} what="These fields">
        {lit && <LinkDetail link={lit} />}
        {panel !== "way" && <h2 className="font-tight text-lg font-semibold">{titles[panel]}</h2>}
        {panel === "way" && way && analysis && (
          <>
            <h2 className="font-tight text-lg font-semibold">{way.name}</h2>
            <Note>{way.trade}</Note>
            <WayFields clearing={clearing} way={way} pieces={analysis.pieces} catalogue={catalogue} />
            {way.setUp ? (
              <>
                <Figures way={way} />
                <MakesItHold way={way} />
                <Times way={way} />
                <Finder way={way} />
              </>
            ) : (
              <p className="mt-2 border-l-2 border-ink pl-2 text-sm">{way.lacks}</p>
            )}
          </>
        )}
        {panel === "pieces" && analysis && <PiecesFields clearing={clearing} analysis={analysis} />}
        {panel === "ground" && <GroundFields clearing={clearing} catalogue={catalogue} />}
        {panel === "gear" && <GearFields clearing={clearing} catalogue={catalogue} />}
        {panel === "people" && <PeopleFields clearing={clearing} />}
      </ErrorBoundary>
    </aside>
  );
}

/** A figure that the server names with its quantity; one the screen does not know is written plain. */
function figureText(value: number, quantity: string, units: "metric" | "us"): string {
  return isQuantity(quantity) ? written(value, quantity, units) : String(Math.round(value));
}

function Figures({ way }: { way: WayResult }) {
  const units = useSettings((s) => s.units);
  if (way.figures.length === 0) return null;
  return (
    <ul className="mt-2 border-t border-ink">
      {way.figures.map((f) => (
        <Figure key={f.id} figure={f} text={figureText(f.value, f.quantity, units)} />
      ))}
    </ul>
  );
}

/** One figure; a tap opens the sum behind it. */
function Figure({ figure, text }: { figure: WayResult["figures"][number]; text: string }) {
  const [open, setOpen] = useState(false);
  const row = (
    <>
      <span className="min-w-0 flex-1 text-left font-tight text-sm leading-tight">
        {figure.name}
        {figure.note !== "" && <span className="block text-xs text-pencil">{figure.note}</span>}
      </span>
      <span className="whitespace-nowrap font-tight text-[15px] font-semibold">{text}</span>
    </>
  );
  return (
    <li data-figure={figure.id} className="border-b border-rule">
      {figure.how === "" ? (
        <div className="flex items-baseline gap-2 py-1">{row}</div>
      ) : (
        <button
          type="button"
          aria-expanded={open}
          className="flex w-full items-baseline gap-2 py-1 hover:bg-tint"
          onClick={() => {
            setOpen(!open);
          }}
        >
          {row}
        </button>
      )}
      {open && <p className="border-l-2 border-rule pb-1 pl-2 text-[13px] leading-snug">{figure.how}.</p>}
    </li>
  );
}

/** What a link carries, what takes strength away, and what it may. */
function LinkDetail({ link }: { link: RigLink }) {
  const units = useSettings((s) => s.units);
  const set = useView((s) => s.set);
  const say = (value: number) => written(value, link.quantity as Quantity, units);
  return (
    <section className="mb-3 border-2 border-ink p-2.5" data-link-detail={link.id}>
      <h2 className="font-tight text-[15px] font-semibold">{link.name}</h2>
      <p className="mt-1 text-sm leading-snug">
        {link.effort
          ? `Takes ${say(link.loadN)} of ${say(link.strengthN)} that can be kept up.`
          : `Carries ${say(link.loadN)}`}
        {!link.effort && link.worstLoadN > link.loadN * 1.005
          ? `, at the worst ${say(link.worstLoadN)}.`
          : link.effort
            ? ""
            : "."}
      </p>
      {!link.effort && (
        <p className="mt-1 text-sm leading-snug">
          {link.estimate ? "About " : ""}
          {say(link.ratedN)}
          {link.reductions.map((r) => ` × ${r.keeps.toFixed(2)} (${r.name})`).join("")}
          {link.reductions.length > 0 ? ` = ${say(link.strengthN)}` : ""}, ÷ {link.factor} = {say(link.allowed)} it may
          carry.
        </p>
      )}
      <p className="mt-1 text-sm leading-snug">
        {say(link.loadN)} ÷ {say(link.allowed)} = <b className="font-semibold">{link.use.toFixed(2)}</b>; at the careful
        end {link.carefulUse.toFixed(2)}.
      </p>
      <Button
        className="mt-1"
        onClick={() => {
          set({ link: null });
        }}
      >
        Close
      </Button>
    </section>
  );
}

interface Offer {
  text: string;
  changes: { path: string; value?: unknown }[];
  use: number;
  holds: boolean;
}

function applied(offer: Offer): void {
  useSheet.getState().edit((d) => ({
    ...d,
    plan: offer.changes.reduce(
      (p, change) => withValue(withProvenance(p, change.path, undefined), change.path, change.value),
      d.plan,
    ),
  }));
}

function Offers({ offers }: { offers: Offer[] }) {
  return (
    <ul>
      {offers.map((o) => (
        <li key={o.text}>
          <button
            type="button"
            className="flex w-full items-baseline gap-2 border-b border-rule py-1.5 text-left hover:bg-tint"
            onClick={() => {
              applied(o);
            }}
          >
            <span className="min-w-0 flex-1 font-tight text-sm leading-snug">
              {o.text}
              {o.holds ? "" : "; not enough alone"}
            </span>
            <span className="whitespace-nowrap font-tight text-sm text-pencil">use {o.use.toFixed(2)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The least changes that would make the way hold, each applied by a click as one step to undo. */
function MakesItHold({ way }: { way: WayResult }) {
  const fails = way.state === "stop";
  const units = useSettings((s) => s.units);
  const version = useClearing((s) => s.version);
  const remedies = useQuery({
    queryKey: ["clearing-remedies", units, version, way.way],
    queryFn: ({ signal }) => {
      const plan = useClearing.getState().of;
      return plan ? api.clearingRemedies(plan, units, signal) : [];
    },
    enabled: fails,
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
  });
  if (!fails || !remedies.data) return null;
  return (
    <section className="mt-3 border-2 border-ink p-2.5" data-remedies>
      <h3 className="font-tight text-[15px] font-semibold">What would make it hold</h3>
      {remedies.data.length === 0 ? (
        <p className="mt-1 text-[13px] leading-snug">No single change helps. Take lighter pieces, or another way.</p>
      ) : (
        <Offers offers={remedies.data} />
      )}
    </section>
  );
}

/** How long it takes, what it wears and what it does to the ground. */
function Times({ way }: { way: WayResult }) {
  const at = useSheet((s) => s.document?.plan.clearing?.times.findIndex((t) => t.way === way.way) ?? -1);
  const times = useSheet((s) => s.document?.plan.clearing?.times);
  return (
    <Group title="Time and wear">
      <p className="text-sm leading-snug">
        {way.loads} {way.loads === 1 ? "load" : "loads"}, {way.people} people: {span(way.rigMin.nominal)} to rig and{" "}
        {way.eachMin.nominal.toFixed(1)} min each; {span(way.minutes.low)} to {span(way.minutes.high)} for all.
      </p>
      <p className="mt-1 text-sm leading-snug">
        Wears {way.wears}; {way.spoils}
        {way.spoiledM2 > 0 ? `, about ${Math.round(way.spoiledM2)} m² of it` : ""}.
      </p>
      {at >= 0 ? (
        <>
          <Member path={`clearing.times[${at}].rigMin`} />
          <Member path={`clearing.times[${at}].eachMin`} />
        </>
      ) : (
        <Button
          className="mt-1"
          onClick={() => {
            useSheet.getState().edit((d) => ({
              ...d,
              plan: withValue(d.plan, "clearing.times", [...(times ?? []), { way: way.way }]),
            }));
          }}
        >
          Put in our own minutes
        </Button>
      )}
      <OwnFigures of={(path) => path.startsWith("clearing.times")} />
    </Group>
  );
}

/** Which ropes and blocks of the locker it holds with. */
function Finder({ way }: { way: WayResult }) {
  const units = useSettings((s) => s.units);
  const [asked, setAsked] = useState(false);
  const version = useClearing((s) => s.version);
  const found = useQuery({
    queryKey: ["clearing-find", units, version, way.way],
    queryFn: ({ signal }) => {
      const plan = useClearing.getState().of;
      return plan ? api.findClearingGear(plan, units, signal) : [];
    },
    enabled: asked,
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
  });
  return (
    <Group title="From the locker">
      <Button
        className="my-1"
        onClick={() => {
          setAsked(true);
        }}
      >
        What is it best rigged with?
      </Button>
      {asked && found.isFetching && <p className="text-sm text-pencil">Trying what is in the locker.</p>}
      {found.isError && (
        <p role="alert" className="text-sm">
          {sayWhy(found.error, "The locker cannot be read.")}
        </p>
      )}
      {asked && found.data && (
        <Offers
          offers={found.data.map((f) => ({
            text:
              f.names.length > 0 ? `${f.names.join(", ")}; weakest then ${f.weakestName.toLowerCase()}` : "as it is",
            changes: f.changes,
            use: f.use,
            holds: f.holds,
          }))}
        />
      )}
    </Group>
  );
}

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { GearDetail } from "../../api/types";
import { dayOf } from "../../state/words";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { GearForm } from "./GearForm";
import { InspectForm } from "./InspectForm";
import { LifeLine } from "./LifeLine";
import { UseForm } from "./UseForm";
import { findingNames, kindNames, outcomeNames, stateNames } from "./words";

/** One piece with all that was written of it. */
export function GearPanel({ id, onGone }: { id: string; onGone: () => void }) {
  const units = useSettings((s) => s.units);
  const queries = useQueryClient();
  const gear = useQuery({ queryKey: ["gear", id, units], queryFn: () => api.gear(id, units), gcTime: 0, retry: false });
  const [form, setForm] = useState<"change" | "inspect" | "use" | null>(null);
  const [gone, setGone] = useState(false);
  const fresh = () => {
    setForm(null);
    void queries.invalidateQueries({ queryKey: ["gear", id] });
    void queries.invalidateQueries({ queryKey: ["locker"] });
  };
  const frame =
    "w-[372px] shrink-0 overflow-y-auto border-l border-ink bg-sheet px-5 pb-5 pt-4 max-md:w-full max-md:border-l-0";
  if (gear.isError)
    return (
      <aside className={frame} aria-label="Piece">
        <p role="alert">{sayWhy(gear.error)}</p>
      </aside>
    );
  if (!gear.data)
    return (
      <aside className={frame} aria-label="Piece">
        <p className="text-pencil">Opening.</p>
      </aside>
    );
  const { entry, inspections, uses } = gear.data;
  const { item, strength, flags } = entry;

  if (gone) {
    return (
      <aside className={frame} aria-label="Piece">
        <p role="status">“{item.name}” is off the list.</p>
        <div className="mt-2 flex gap-2">
          <Button
            onClick={() => {
              void api.restoreGear(id, units).then(() => {
                setGone(false);
                fresh();
              });
            }}
          >
            Undo
          </Button>
          <Button onClick={onGone}>Close</Button>
        </div>
      </aside>
    );
  }

  const rows: [string, string | undefined][] = [
    ["Kind", kindNames[item.kind]],
    ["Marks", item.marks],
    ["Pieces alike", item.count > 1 ? String(item.count) : undefined],
    ["Length", item.lengthM === undefined ? undefined : written(item.lengthM, "length", units)],
    ["Diameter", item.diameterM === undefined ? undefined : written(item.diameterM, "rope", units)],
    [
      "Breaks at",
      strength.newtons === undefined
        ? undefined
        : `${strength.source === "estimate" ? "about " : ""}${written(strength.newtons, "force", units)}`,
    ],
    ["How that is known", strength.how],
    ["Worn to", item.keeps === undefined ? undefined : written(item.keeps, "percent", units)],
    ["Age", entry.ageYears === undefined ? undefined : `${entry.ageYears.toFixed(1)} years`],
    ["In service since", item.inServiceOn === undefined ? undefined : dayOf(item.inServiceOn)],
    ["Note", item.note],
  ];
  return (
    <aside className={frame} aria-label="Piece" data-piece={id}>
      <h2 className="font-tight text-xl font-semibold leading-tight">{item.name}</h2>
      <p className="mt-1 flex items-center gap-2 font-tight text-[15px]">
        <span
          aria-hidden
          className={`h-5 w-5 border border-ink ${item.state !== "inService" ? "state-fails" : flags.length > 0 ? "state-tight" : "state-holds"}`}
        />
        <b className="font-semibold">{stateNames[item.state]}</b>
      </p>
      {item.reason !== undefined && <p className="mt-1 text-sm leading-snug">{item.reason}</p>}
      {flags.map((f) => (
        <p key={f.kind} data-flag={f.kind} className="mt-1 border-l-4 border-ink pl-2 text-sm leading-snug">
          {f.text}
        </p>
      ))}
      <dl className="mt-3 border-t border-ink">
        {rows
          .filter(([, text]) => text !== undefined)
          .map(([name, text]) => (
            <div key={name} className="flex gap-3 border-b border-rule py-1">
              <dt className="w-[124px] shrink-0 font-tight text-sm text-pencil">{name}</dt>
              <dd className="min-w-0 flex-1 text-sm leading-snug">{text}</dd>
            </div>
          ))}
      </dl>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          strong
          onClick={() => {
            setForm("inspect");
          }}
        >
          Inspect
        </Button>
        <Button
          onClick={() => {
            setForm("use");
          }}
        >
          Log a use
        </Button>
        <Button
          onClick={() => {
            setForm("change");
          }}
        >
          Change
        </Button>
        <Button
          onClick={() => {
            void api.removeGear(id).then(() => {
              setGone(true);
              void queries.invalidateQueries({ queryKey: ["locker"] });
            });
          }}
        >
          Delete
        </Button>
      </div>
      <LifeLine detail={gear.data} />
      {item.flaws.length > 0 && (
        <>
          <h3 className="mt-4 border-t border-ink pt-1.5 font-tight text-sm font-semibold">Flawed spots</h3>
          {item.flaws.map((f, i) => (
            <p key={i} data-flaw className="border-b border-rule py-1 text-sm">
              {written(f.atM, "length", units)} from end a: {f.what}
            </p>
          ))}
        </>
      )}
      <History inspections={inspections} uses={uses} />
      {form === "change" && (
        <GearForm
          entry={entry}
          onClose={() => {
            setForm(null);
          }}
          onKept={fresh}
        />
      )}
      {form === "inspect" && (
        <InspectForm
          entries={[entry]}
          title={`Inspect ${item.name}`}
          onClose={() => {
            setForm(null);
          }}
          keep={async (inspection) => {
            await api.inspect(item.id, inspection, units);
            fresh();
          }}
        />
      )}
      {form === "use" && (
        <UseForm
          entry={entry}
          onClose={() => {
            setForm(null);
          }}
          onKept={fresh}
        />
      )}
    </aside>
  );
}

function History({ inspections, uses }: Pick<GearDetail, "inspections" | "uses">) {
  const units = useSettings((s) => s.units);
  return (
    <>
      <h3 className="mt-4 border-t border-ink pt-1.5 font-tight text-sm font-semibold">Inspections</h3>
      {inspections.length === 0 && <p className="text-[13px] text-pencil">None written down yet.</p>}
      {inspections.map(({ number, open, inspection }) => (
        <div key={number} data-inspection className="border-b border-rule py-1.5 text-sm leading-snug">
          <p className="font-tight">
            <b className="font-semibold">{dayOf(inspection.on)}</b>, {inspection.by}: {outcomeNames[inspection.outcome]}
            {open ? ", still open" : ""}
          </p>
          <p className="text-[13px] text-pencil">
            {[
              inspection.findings.map((f) => findingNames[f]).join(", ") || "nothing found",
              inspection.where,
              inspection.atM === undefined ? undefined : `at ${written(inspection.atM, "length", units)} from end a`,
              inspection.cutFromAM === undefined
                ? undefined
                : `${written(inspection.cutFromAM, "length", units)} cut off end a`,
              inspection.cutFromBM === undefined
                ? undefined
                : `${written(inspection.cutFromBM, "length", units)} cut off end b`,
              inspection.keeps === undefined ? undefined : `worn to ${Math.round(inspection.keeps * 100)} %`,
              inspection.note,
            ]
              .filter((t) => t !== undefined)
              .join("; ")}
          </p>
        </div>
      ))}
      <h3 className="mt-4 border-t border-ink pt-1.5 font-tight text-sm font-semibold">Use log</h3>
      {uses.length === 0 && <p className="text-[13px] text-pencil">No use logged yet.</p>}
      {uses.map(({ number, use }) => (
        <div key={number} data-use className="border-b border-rule py-1.5 text-sm leading-snug">
          <p className="font-tight">
            <b className="font-semibold">{dayOf(use.on)}</b>, {use.job}
          </p>
          <p className="text-[13px] text-pencil">
            {[
              use.peakN === undefined ? "peak not read" : `peak ${written(use.peakN, "force", units)}`,
              use.minutes === undefined ? undefined : `${use.minutes} min loaded`,
              use.knots.length > 0 ? use.knots.map((k) => k.replaceAll("-", " ")).join(", ") : undefined,
              use.shock ? "jerked" : undefined,
              use.jams > 0 ? `${use.jams} ${use.jams === 1 ? "jam" : "jams"}` : undefined,
              use.note,
            ]
              .filter((t) => t !== undefined)
              .join("; ")}
          </p>
        </div>
      ))}
    </>
  );
}

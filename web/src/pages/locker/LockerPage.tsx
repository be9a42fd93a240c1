import { FileButton } from "../../ui/FileButton";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, sayWhy } from "../../api/client";
import { useKit } from "../../state/useKit";
import { dayOf } from "../../state/words";
import { Refused } from "../../ui/Refused";
import type { GearEntry, GearItem } from "../../api/types";
import { Choice } from "../../ui/Choice";
import { Button } from "../../ui/controls";
import { TopBar } from "../../ui/TopBar";
import { CareNote } from "../care/CareNote";
import { useSettings } from "../../ui/settings";
import { GearForm } from "./GearForm";
import { GearList } from "./GearList";
import { GearPanel } from "./GearPanel";
import { SeveralPieces } from "./SeveralPieces";
import { useSeveral } from "../../state/useSeveral";
import { ListImport } from "./ListImport";
import { Proposals } from "./Proposals";
import { RulesForm } from "./RulesForm";
import { filtered, kindNames, type StateFilter } from "./words";

const states: [StateFilter, string][] = [
  ["all", "any state"],
  ["inService", "in service"],
  ["flagged", "flagged"],
  ["quarantined", "quarantined"],
  ["retired", "retired"],
];

/** The crew's real gear: what there is, how it stands, what was done with it. */
export function LockerPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  const units = useSettings((s) => s.units);
  const queries = useQueryClient();
  const locker = useQuery({
    queryKey: ["locker", units],
    queryFn: () => api.locker(units),
    staleTime: 5000,
    retry: false,
  });
  const [query, setQuery] = useState("");
  const [kind, setKind] = useState<GearItem["kind"] | "all">("all");
  const [state, setState] = useState<StateFilter>("all");
  const [adding, setAdding] = useState(false);
  const [ruling, setRuling] = useState(false);
  const [loading, setLoading] = useState(false);
  const kit = useKit();
  const several = useSeveral<GearEntry>(
    (e) => e.item.id,
    (e) => e.item.name,
  );
  const [list, setList] = useState<File | null>(null);
  const asked = useDeferredValue(query);
  useEffect(() => {
    document.title = "Locker · Draklo";
  }, []);
  const items = useMemo(
    () => [...(locker.data?.items ?? [])].sort((a, b) => a.item.name.localeCompare(b.item.name)),
    [locker.data],
  );
  const shown = filtered(items, asked, kind, state);
  const fresh = () => queries.invalidateQueries({ queryKey: ["locker"] });

  return (
    <div className="flex h-full flex-col">
      <TopBar>
        <a
          href="/api/locker/locker.csv"
          download
          className="inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint"
        >
          Save as CSV
        </a>

        <FileButton label="List file" accept=".csv,text/csv" onFile={setList}>
          Read a CSV
        </FileButton>
        <Button
          aria-pressed={several.chosen !== null}
          className={several.chosen ? "bg-ink! text-sheet!" : ""}
          onClick={() => {
            setLoading(false);
            if (several.chosen) several.end();
            else several.begin();
          }}
        >
          Choose several
        </Button>
        <Button
          aria-pressed={loading}
          className={loading ? "bg-ink! text-sheet!" : ""}
          onClick={() => {
            several.end();
            setLoading(!loading);
          }}
        >
          Today&apos;s kit{kit.items.size > 0 ? ` · ${kit.items.size}` : ""}
        </Button>
        <Button
          onClick={() => {
            setRuling(true);
          }}
        >
          Rules
        </Button>
        <Button
          strong
          onClick={() => {
            setAdding(true);
          }}
        >
          Add a piece
        </Button>
      </TopBar>
      <CareNote />
      {locker.data && <Proposals proposals={locker.data.proposals} />}
      <div className="flex min-h-0 flex-1 max-md:flex-col max-md:overflow-auto">
        <main className="flex min-w-0 flex-1 flex-col px-6 pt-4 max-md:min-h-[480px]">
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-3">
            <h1 className="font-tight text-2xl font-semibold">Locker</h1>
            <span className="flex items-baseline gap-2 font-tight text-sm">
              <label htmlFor="gear-search">Search</label>
              <input
                id="gear-search"
                value={query}
                onChange={(e) => {
                  setQuery(e.target.value);
                }}
                type="search"
                autoComplete="off"
                className="min-h-8 w-52 border-b border-pencil bg-transparent text-[15px] outline-none focus:bg-tint"
              />
            </span>
            <div className="w-[190px]">
              <Choice
                label="Kind"
                value={kind}
                options={[
                  { value: "all", name: "all kinds" },
                  ...Object.entries(kindNames).map(([value, name]) => ({ value, name })),
                ]}
                onChange={(next) => {
                  setKind(next as typeof kind);
                }}
              />
            </div>
            <div className="w-[170px]">
              <Choice
                label="State"
                value={state}
                options={states.map(([value, name]) => ({ value, name }))}
                onChange={(next) => {
                  setState(next as StateFilter);
                }}
              />
            </div>
            <Link
              to="/register"
              className="inline-flex items-center font-tight text-sm underline coarse:min-h-11 coarse:min-w-11"
            >
              Register
            </Link>
            <Link
              to="/labels"
              className="inline-flex items-center font-tight text-sm underline coarse:min-h-11 coarse:min-w-11"
            >
              Labels
            </Link>
            <p role="status" className="ml-auto font-tight text-sm text-pencil">
              {locker.data ? `${shown.length} of ${items.length} pieces` : ""}
            </p>
          </div>
          {loading && (
            <div className="mb-3 flex flex-wrap items-center gap-3 border-l-4 border-ink bg-sheet px-3 py-2" data-kit>
              <p className="min-w-0 flex-1 leading-snug">
                Tap what is on the truck today. It is offered first on every plan, and the rig finder looks there first.
              </p>
              {kit.before && (
                <Button
                  onClick={() => {
                    if (kit.before) kit.choose(kit.before.items);
                  }}
                >
                  The same as on {dayOf(kit.before.on)}
                </Button>
              )}
              {kit.items.size > 0 && (
                <Button
                  onClick={() => {
                    kit.choose([]);
                  }}
                >
                  Nothing
                </Button>
              )}
              <Button
                strong
                onClick={() => {
                  setLoading(false);
                }}
              >
                Done
              </Button>
              <Refused>{kit.failed ? sayWhy(kit.failed) : null}</Refused>
            </div>
          )}
          {several.chosen && <SeveralPieces several={several} shown={shown} onChanged={() => void fresh()} />}
          {locker.isError && (
            <p role="alert" className="border-l-4 border-ink bg-sheet px-3 py-2">
              The locker cannot be read: Draklo does not answer. Start it again, then reload this page.
            </p>
          )}
          {locker.isPending && <p className="text-pencil">Reading the locker.</p>}
          {locker.data && items.length === 0 && (
            <div className="max-w-[560px] border border-ink bg-sheet p-5 leading-relaxed">
              <p className="font-tight text-lg font-semibold">Nothing in the locker yet</p>
              <p className="mt-1">
                Add the ropes, blocks and slings you own, with what their labels say, or import a CSV list. Then choose
                them on a plan: strength, age and the last inspection come along, and retired gear can't be used.
              </p>
            </div>
          )}
          {locker.data && items.length > 0 && (
            <GearList
              entries={shown}
              taken={id}
              truck={kit.items}
              ticked={several.chosen ? new Set(several.chosen.keys()) : loading ? kit.items : undefined}
              onTake={(next) => {
                if (several.chosen) {
                  const entry = items.find((e) => e.item.id === next);
                  if (entry) several.toggle(entry);
                  return;
                }
                if (loading) {
                  kit.choose(kit.items.has(next) ? [...kit.items].filter((i) => i !== next) : [...kit.items, next]);
                  return;
                }
                void navigate(`/locker/${next}`);
              }}
            />
          )}
        </main>
        {id !== undefined && (
          <GearPanel
            key={id}
            id={id}
            onGone={() => {
              void navigate("/locker");
              void fresh();
            }}
          />
        )}
      </div>
      {adding && (
        <GearForm
          onClose={() => {
            setAdding(false);
          }}
          onKept={(entry) => {
            setAdding(false);
            void fresh();
            void navigate(`/locker/${entry.item.id}`);
          }}
        />
      )}
      {ruling && locker.data && (
        <RulesForm
          rules={locker.data.rules}
          onClose={() => {
            setRuling(false);
          }}
          onKept={() => {
            setRuling(false);
            void fresh();
          }}
        />
      )}
      {list && (
        <ListImport
          file={list}
          onClose={() => {
            setList(null);
            void fresh();
          }}
        />
      )}
    </div>
  );
}

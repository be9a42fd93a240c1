import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { Catalogue, Job, Plan, Units } from "../../api/types";
import { TopBar } from "../../ui/TopBar";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { KnotDrawing } from "./KnotDrawing";

type Entry = {
  id: string;
  name: string;
  group: string;
  figure: string;
  purpose: string;
  loads: string;
  dress: string;
  wrong: string;
  steps: string[];
  facts: [string, string][];
};

const groups: Record<string, string> = {
  noose: "Round the stem",
  "end-loop": "Loops in an end",
  "midline-loop": "Loops in the middle",
  "joins-ropes": "Joining pull lines",
  "joins-ends": "Joining cord and tape",
  "stem-sling": "Slings to a stem",
  "post-hitch": "To a post",
  "throw-line": "On the throw line",
  "tackle-in-line": "Tackle in the line",
};
const after: Record<string, string> = {
  easy: "comes undone easily",
  stiff: "stiff, comes undone by hand",
  jams: "jams, may need tools",
  slips: "falls apart from the hauling leg",
  none: "stays for good",
};
const percent = (share: number) => `${Math.round(share * 100)} %`;

function entries(catalogue: Catalogue, units: Units): Entry[] {
  return [
    ...Object.keys(groups)
      .flatMap((use) => catalogue.knots.filter((k) => k.use === use))
      .map((k): Entry => ({
        id: k.id,
        name: k.name,
        group: groups[k.use] ?? "",
        figure: `keeps ${percent(k.keepsLow)}`,
        purpose: k.purpose,
        loads: k.loads,
        dress: k.dress,
        wrong: k.wrong,
        steps: k.steps ?? [],
        facts: [
          ["Strength kept", `${percent(k.keepsLow)} used in plans; ${percent(k.keepsNominal)} usual`],
          ["Without an end", k.midline ? "yes, anywhere along the rope" : "no, it takes an end"],
          ["After a hard pull", after[k.after] ?? k.after],
        ],
      })),
    ...catalogue.grips.map((g): Entry => ({
      id: g.id,
      name: g.name,
      group: "Friction hitches on a line",
      figure: `from ${written(g.slipLowN, "force", units)}`,
      purpose: g.purpose,
      loads: g.bothWays ? "From either side." : "From the eyes' side only.",
      dress: g.dress,
      wrong: g.wrong,
      steps: g.steps ?? [],
      facts: [
        ["Made from", g.madeFrom],
        ["Wraps", `${g.wraps}, for a cord of 0.6 to 0.8 of the line`],
        ["Legs that share", String(g.legs)],
        [
          "Creeps from",
          `${written(g.slipLowN, "force", units)}, a low estimate on a 12 to 13 mm line: prove it in pre-tension`,
        ],
        ["After a load it moves", g.movesAfterLoad],
        ["Spreads its bite", g.spreadsLoad],
      ],
    })),
  ];
}

/** What each knot and grip is for, what it keeps, how to dress it and what goes wrong. */
export function KnotsPage() {
  const { id } = useParams();
  const units = useSettings((s) => s.units);
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  useEffect(() => {
    document.title = "Knots and hitches · Draklo";
  }, []);
  const all = catalogue.data ? entries(catalogue.data, units) : [];
  const shown = all.find((e) => e.id === id);
  const names = [...new Set(all.map((e) => e.group))];
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <div className="flex min-h-0 flex-1 max-md:flex-col max-md:overflow-auto">
        <nav
          aria-label="Knots and hitches"
          className="w-[250px] shrink-0 overflow-y-auto border-r border-ink px-4 py-3 max-md:w-full max-md:border-r-0"
        >
          {names.map((group) => (
            <section key={group} className="mb-2">
              <h2 className="font-tight text-[13px] text-pencil">{group}</h2>
              <ul>
                {all
                  .filter((e) => e.group === group)
                  .map((e) => (
                    <li key={e.id}>
                      <Link
                        to={`/knots/${e.id}`}
                        aria-current={e.id === shown?.id ? "page" : undefined}
                        className={`flex min-h-8 items-baseline gap-2 px-1.5 py-1 font-tight text-[15px] ${e.id === shown?.id ? "bg-ink text-sheet" : "hover:bg-tint"}`}
                      >
                        <span className="min-w-0 flex-1">{e.name}</span>
                        <span className={`whitespace-nowrap text-xs ${e.id === shown?.id ? "" : "text-pencil"}`}>
                          {e.figure}
                        </span>
                      </Link>
                    </li>
                  ))}
              </ul>
            </section>
          ))}
        </nav>
        <main className="min-w-0 flex-1 overflow-y-auto bg-sheet px-8 py-5">
          {catalogue.isError && <p role="alert">The table of knots cannot be read: Draklo does not answer.</p>}
          {id !== undefined && catalogue.data && !shown && (
            <p role="alert">There is no knot or hitch of this name. Choose one on the left.</p>
          )}
          {id === undefined && (
            <>
              <h1 className="font-tight text-2xl font-semibold">Knots and hitches</h1>
              <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] border-l border-t border-ink">
                {all.map((e) => (
                  <li key={e.id} className="relative border-b border-r border-ink p-3 hover:bg-tint">
                    <KnotDrawing id={e.id} name={e.name} />
                    <Link
                      to={`/knots/${e.id}`}
                      className="mt-2 block font-tight text-[15px] font-medium leading-tight after:absolute after:inset-0"
                    >
                      {e.name}
                    </Link>
                    <p className="text-[13px] text-pencil">{e.figure}</p>
                  </li>
                ))}
              </ul>
            </>
          )}
          {shown && (
            <article data-entry={shown.id} className="mx-auto max-w-[860px]">
              <h1 className="font-tight text-2xl font-semibold">{shown.name}</h1>
              <p className="mt-1 text-[15px] leading-snug">{shown.purpose}</p>
              <div className="mt-4 flex gap-8 max-md:flex-col">
                <div className="w-[400px] shrink-0 self-start border border-ink p-4 max-md:w-full">
                  <KnotDrawing id={shown.id} name={shown.name} large />
                </div>
                <div className="min-w-0 flex-1">
                  <dl className="border-t border-ink">
                    {shown.facts.map(([name, text]) => (
                      <div key={name} className="border-b border-rule py-1.5">
                        <dt className="font-tight text-[13px] text-pencil">{name}</dt>
                        <dd className="text-[15px] leading-snug">{text}</dd>
                      </div>
                    ))}
                  </dl>
                  <OnThePlan knot={shown.id} />
                  <section className="mt-3" data-steps>
                    <h2 className="font-tight text-sm font-semibold">Tie it</h2>
                    {shown.steps.length === 0 ? (
                      <p className="text-[15px] leading-snug">
                        No words for this one have been checked yet: have somebody show you.
                      </p>
                    ) : (
                      <ol className="list-decimal pl-5 text-[15px] leading-snug">
                        {shown.steps.map((step) => (
                          <li key={step}>{step}</li>
                        ))}
                      </ol>
                    )}
                  </section>
                  <Part title="May carry" text={shown.loads} />
                  <Part title="Dress and check" text={shown.dress} />
                  <Part title="Goes wrong when" text={shown.wrong} />
                </div>
              </div>
              <p className="mt-5 text-[13px] leading-snug text-pencil">
                Fractions of a new rope's strength, rounded from published pull tests; checks use the lower one. Wet,
                worn or slick rope holds less. If in doubt about a knot, tie it again.
              </p>
              <Link to="/knots" className="mt-3 inline-block min-h-6 font-tight text-sm underline">
                All knots and hitches
              </Link>
            </article>
          )}
        </main>
      </div>
    </div>
  );
}

/** Where the line of this plan has the knot, and the link of its load path that it is. */
function placesOf(plan: Plan, knot: string): { line: number; kind: string; where: string }[] {
  return plan.lines.flatMap((line, n) => [
    ...(line.knotId === knot ? [{ line: n, kind: "seatKnot", where: "At the seat" }] : []),
    ...(line.tackle?.joinKnotId === knot ? [{ line: n, kind: "tackleKnot", where: "At the tackle" }] : []),
    ...(line.joined?.knotId === knot ? [{ line: n, kind: "joiningKnot", where: "Where the ropes are joined" }] : []),
  ]);
}

/** Beside the knot, what the plan that led here asks of it. */
function OnThePlan({ knot }: { knot: string }) {
  const id = useSearchParams()[0].get("job");
  const units = useSettings((s) => s.units);
  const found = useQuery({
    queryKey: ["knot-on", id, units],
    enabled: id !== null,
    queryFn: async () => {
      const job: Job = await api.job(id ?? "");
      return { job, analysis: await api.analyse(job.plan, units, false) };
    },
  });
  if (id === null) return null;
  if (found.isError) return <p role="alert">The plan that led here cannot be read or does not compute as saved.</p>;
  if (!found.data) return null;
  const { job, analysis } = found.data;
  const rows = placesOf(job.plan, knot).flatMap(({ line, kind, where }) => {
    const lineId = analysis.pull.lines[line]?.id;
    const link = analysis.links.find((l) => l.kind === kind && l.lineId === lineId);
    return link ? [{ key: `${line}-${kind}`, where, link }] : [];
  });
  return (
    <section className="mt-3 border-l-2 border-ink pl-3" data-on-plan>
      <h2 className="font-tight text-sm font-semibold">
        On{" "}
        <Link to={`/jobs/${job.id}`} className="underline">
          {job.name}
        </Link>
      </h2>
      {rows.length === 0 && <p className="text-[15px] leading-snug">This plan as saved does not use this knot.</p>}
      {rows.map(({ key, where, link }) => (
        <p key={key} className="text-[15px] leading-snug">
          {where}: this rope keeps {written(link.strengthN, "force", units)} with this knot; your line carries{" "}
          {written(link.loadN, "force", units)}.
        </p>
      ))}
    </section>
  );
}

function Part({ title, text }: { title: string; text: string }) {
  return (
    <section className="mt-3">
      <h2 className="font-tight text-sm font-semibold">{title}</h2>
      <p className="text-[15px] leading-snug">{text}</p>
    </section>
  );
}

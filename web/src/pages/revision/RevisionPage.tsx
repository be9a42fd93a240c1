import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, sayWhy } from "../../api/client";
import { Elevation } from "../../drawing/Elevation";
import { PaperContext } from "../../drawing/paper";
import { Plate } from "../../drawing/Plate";
import { SitePlan } from "../../drawing/SitePlan";
import { momentOf, stateHatch, stateWords } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { Button, Note } from "../../ui/controls";
import { Refused } from "../../ui/Refused";

/** A job as one of its revisions had it: to look at, not to change; it can be brought back. */
export function RevisionPage() {
  const { id = "", number = "" } = useParams();
  const units = useSettings((s) => s.units);
  const navigate = useNavigate();
  const then = useQuery({
    queryKey: ["revision", id, number],
    queryFn: () => api.revision(id, Number(number)),
    staleTime: Infinity,
    retry: false,
  });
  const now = useQuery({ queryKey: ["revisions", id], queryFn: () => api.revisions(id), retry: false });
  const plan = then.data?.plan;
  const analysed = useQuery({
    queryKey: ["revision-analysis", id, number, units],
    enabled: plan !== undefined,
    queryFn: () => (plan ? api.analyse(plan, units, false) : Promise.reject(new Error("no plan"))),
    staleTime: Infinity,
    retry: false,
  });
  const latest = now.data?.[0]?.number;
  const kept = now.data?.find((r) => r.number === Number(number));
  const since = useQuery({
    queryKey: ["revision-changes", id, number, latest, units],
    enabled: latest !== undefined && latest !== Number(number),
    queryFn: () => api.compareRevisions(id, Number(number), latest ?? Number(number), units),
    retry: false,
  });
  const take = useMutation({
    mutationFn: () => api.takeRevision(id, Number(number)),
    onSuccess: () => navigate(`/jobs/${id}`),
  });
  useEffect(() => {
    document.title = `Version ${number} · Draklo`;
  }, [number]);
  const analysis = analysed.data;
  return (
    <div className="min-h-full">
      <header className="flex flex-wrap items-center gap-3 border-b border-ink bg-sheet px-4 py-2">
        <Link
          to={`/jobs/${id}`}
          className="inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11"
        >
          ‹ The sheet
        </Link>
        <p className="min-w-0 flex-1">
          Version {number}
          {kept ? `, ${momentOf(kept.savedAt)}${kept.savedBy ? `, by ${kept.savedBy}` : ""}` : ""}: to look at, not to
          change.
        </p>
        <Button
          strong
          disabled={take.isPending || !then.data}
          onClick={() => {
            take.mutate();
          }}
        >
          Bring it back
        </Button>
      </header>
      <main className="mx-auto max-w-[1100px] px-6 py-4 max-md:px-4">
        <Refused>{then.isError ? sayWhy(then.error) : take.isError ? sayWhy(take.error) : null}</Refused>
        {then.data && (
          <>
            <h1 className="font-tight text-2xl font-semibold">{then.data.name}</h1>
            <Refused>{analysed.isError ? sayWhy(analysed.error) : null}</Refused>
            {analysis && (
              <p className="mt-1 flex items-center gap-2 leading-snug" data-verdict={analysis.verdict.state}>
                <span
                  aria-hidden
                  className={`${stateHatch[analysis.verdict.state]} h-6 w-3 shrink-0 border border-ink`}
                />
                <span>
                  <b className="font-semibold">{stateWords[analysis.verdict.state]}.</b> {analysis.verdict.headline}
                </span>
              </p>
            )}
            {plan && analysis && (
              <PaperContext value>
                <div className="mt-3 grid gap-4 md:grid-cols-2">
                  <div className="h-[420px] border border-ink bg-sheet">
                    <Elevation plan={plan} analysis={analysis} />
                  </div>
                  <div className="h-[420px] border border-ink bg-sheet">
                    <SitePlan plan={plan} analysis={analysis} />
                  </div>
                </div>
                <div className="mt-4 max-w-[420px]">
                  <Plate plate={analysis.plate} windowEmpty={analysis.pretension.empty} />
                </div>
                <Note>{analysis.verdict.caution}</Note>
              </PaperContext>
            )}
            {since.data && (
              <section className="mt-4 border-t border-ink pt-1" data-since>
                <h2 className="font-tight text-lg font-semibold">Since then</h2>
                <ul className="text-sm leading-snug">
                  {since.data.changes.map((c) => (
                    <li key={c.path}>
                      {c.name}: {c.was ?? "nothing"} → <b className="font-semibold">{c.is ?? "nothing"}</b>
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </>
        )}
      </main>
    </div>
  );
}

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, sayWhy } from "../../api/client";
import type { LearnedFigure, Learning } from "../../api/types";
import { dayOf } from "../../state/words";
import { Segments } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { TopBar } from "../../ui/TopBar";
import { HingeChart, LandingChart, PullChart } from "./charts";
import { Trials } from "./Trials";
import { kindTitles, said } from "./words";

/** What the crew's own jobs and trials say where a table's figure stands. */
export function LearningPage() {
  const answer = useQuery({ queryKey: ["learning"], queryFn: api.learning });
  useEffect(() => {
    document.title = "Learning, Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto max-w-[1180px] px-6 py-5 max-md:px-3">
        <div className="flex flex-wrap items-baseline gap-4">
          <h1 className="flex-1 font-tight text-2xl font-semibold">Learning</h1>
          <a href="/api/learning/figures.csv" className="text-sm underline">
            Figures as CSV
          </a>
        </div>
        <p className="max-w-[760px] text-sm leading-snug text-pencil">
          Figures of your own jobs and trials beside those of the table. One that makes a plan ask for more may stand in
          it from two on, one that asks for less only from five. Nothing is used unless you say so; every plan tells
          which of its figures are yours.
        </p>
        {answer.isError && <p role="alert">{sayWhy(answer.error)}</p>}
        {answer.isPending && <p className="mt-3 text-pencil">Reading the logs.</p>}
        {answer.data && <Figures learning={answer.data} />}
        <Trials />
      </main>
    </div>
  );
}

function Figures({ learning }: { learning: Learning }) {
  const kinds = [...new Set(learning.figures.map((f) => f.kind))];
  return (
    <>
      <div className="mt-4 grid grid-cols-3 gap-6 max-lg:grid-cols-1">
        <PullChart jobs={learning.jobs} />
        <LandingChart jobs={learning.jobs} />
        <HingeChart jobs={learning.jobs} figures={learning.figures} />
      </div>
      {learning.figures.length === 0 && (
        <p className="mt-4 border-l-4 border-ink pl-3 leading-relaxed">
          Nothing yet. Look back on a job once its tree is down, or make a trial below.
        </p>
      )}
      {kinds.map((kind) => (
        <section key={kind} aria-label={kindTitles[kind]} className="mt-5">
          <h2 className="border-b border-ink font-tight text-[17px] font-semibold">{kindTitles[kind]}</h2>
          {learning.figures
            .filter((f) => f.kind === kind)
            .map((f) => (
              <Figure key={f.id} figure={f} />
            ))}
        </section>
      ))}
    </>
  );
}

function Figure({ figure }: { figure: LearnedFigure }) {
  const units = useSettings((s) => s.units);
  const who = useSettings((s) => s.who);
  const queries = useQueryClient();
  const [wrong, setWrong] = useState<string | null>(null);
  const [open, setOpen] = useState(false);

  async function use(used: boolean): Promise<void> {
    try {
      await api.useLearned(figure.id, used, who === "" ? "the crew" : who);
      setWrong(null);
      await queries.invalidateQueries({ queryKey: ["learning"] });
    } catch (error) {
      setWrong(sayWhy(error));
    }
  }

  return (
    <article data-figure={figure.id} className="border-b border-rule py-2">
      <div className="grid grid-cols-[minmax(0,1fr)_150px_150px_190px] items-center gap-x-5 gap-y-1 max-md:grid-cols-2">
        <div className="min-w-0 max-md:col-span-2">
          <h3 className="font-tight text-[15px] font-medium leading-tight">{figure.name}</h3>
          <p className="text-[13px] leading-snug text-pencil">{figure.why}</p>
        </div>
        <p className={`border px-2 py-1 ${figure.used ? "border-2 border-ink" : "border-rule"}`}>
          <span className="block text-[12px] leading-tight text-pencil">
            ours, from {figure.count} {figure.count === 1 ? figure.of.replace(/s$/, "") : figure.of}
          </span>
          <span data-ours className="font-tight text-lg font-semibold leading-tight tabular-nums">
            {said(figure.value.nominal, figure.unit, units)}
          </span>
          {figure.deviation !== undefined && (
            <span className="block text-[12px] text-pencil">
              {said(figure.mean, figure.unit, units)} ± {said(figure.deviation, figure.unit, units)}
            </span>
          )}
        </p>
        <p className={`border px-2 py-1 ${figure.used ? "border-rule" : "border-2 border-ink"}`}>
          <span className="block text-[12px] leading-tight text-pencil">the table</span>
          <span className="font-tight text-lg font-semibold leading-tight tabular-nums">
            {said(figure.table.nominal, figure.unit, units)}
          </span>
          {figure.table.low !== figure.table.high && (
            <span className="block text-[12px] text-pencil">
              {said(figure.table.low, figure.unit, units)} to {said(figure.table.high, figure.unit, units)}
            </span>
          )}
        </p>
        <div>
          {figure.mayUse ? (
            <Segments
              label={`New plans use, ${figure.name}`}
              value={figure.used ? "ours" : "table"}
              choices={[
                { value: "ours", text: "use ours" },
                { value: "table", text: "the table" },
              ]}
              onChange={(v) => {
                void use(v === "ours");
              }}
            />
          ) : (
            <p className="text-[13px] text-pencil">not enough for a plan</p>
          )}
          <button
            type="button"
            aria-expanded={open}
            className="min-h-7 text-[13px] underline"
            onClick={() => {
              setOpen(!open);
            }}
          >
            what it rests on
          </button>
        </div>
      </div>
      <Refused>{wrong}</Refused>
      {open && (
        <ul className="mt-1 columns-2 gap-8 max-md:columns-1">
          {figure.from.map((f, i) => (
            <li key={i} className="flex gap-3 text-[13px]">
              <span className="min-w-0 flex-1 truncate">
                {f.jobId === undefined ? (
                  f.name
                ) : (
                  <Link to={`/jobs/${f.jobId}/log`} className="underline">
                    {f.name}
                  </Link>
                )}
                , {dayOf(f.on)}
              </span>
              <span className="font-tight tabular-nums">{said(f.value, figure.unit, units)}</span>
            </li>
          ))}
        </ul>
      )}
    </article>
  );
}

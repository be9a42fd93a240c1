import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, sayWhy } from "../../api/client";
import type { JobStage, YearAnswer } from "../../api/types";
import { dayOf } from "../../state/words";
import { Choice } from "../../ui/Choice";
import { TopBar } from "../../ui/TopBar";
import { stageNames } from "../log/words";
import { JobMap } from "./JobMap";
import { MonthBars } from "./MonthBars";

const order: JobStage[] = ["planned", "briefed", "pulled", "cleared", "done", "calledOff"];

/** A year of jobs: how many, how long, where, and what nearly went wrong. */
export function YearPage() {
  const [year, setYear] = useState(new Date().getFullYear());
  const answer = useQuery({ queryKey: ["year", year], queryFn: () => api.year(year), placeholderData: (b) => b });
  const misses = useQuery({ queryKey: ["near-misses"], queryFn: api.nearMisses });
  useEffect(() => {
    document.title = `${year}, Draklo`;
  }, [year]);
  const years = [...new Set([year, ...(answer.data?.years ?? [])])].sort((a, b) => b - a);
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto max-w-[1080px] px-6 py-5 max-md:px-3">
        <div className="flex flex-wrap items-end gap-4">
          <h1 className="flex-1 font-tight text-2xl font-semibold">The year {year}</h1>
          <div className="w-[140px]">
            <Choice
              label="Year"
              value={String(year)}
              options={years.map((y) => ({ value: String(y), name: String(y) }))}
              onChange={(y) => {
                setYear(Number(y));
              }}
            />
          </div>
          <a href={`/api/years/${year}/jobs.csv`} className="min-h-9 py-1.5 text-sm underline">
            Jobs as CSV
          </a>
          <a href={`/api/years/${year}/where.geojson`} className="min-h-9 py-1.5 text-sm underline">
            Places as GeoJSON
          </a>
        </div>
        {answer.isError && <p role="alert">{sayWhy(answer.error)}</p>}
        {answer.data && <Year answer={answer.data} />}
        <section className="mt-6 border-t border-ink pt-2" aria-label="Near misses">
          <div className="flex items-baseline gap-4">
            <h2 className="flex-1 font-tight text-[17px] font-semibold">Near misses, of every year</h2>
            <a href="/api/near-misses.csv" className="text-sm underline">
              As CSV
            </a>
          </div>
          {misses.data?.length === 0 && (
            <p className="mt-1 text-sm text-pencil">None written down. A log asks for them; nobody is blamed.</p>
          )}
          <ul>
            {misses.data?.map((m, i) => (
              <li key={`${m.jobId}-${i}`} data-miss className="border-b border-rule py-2 text-sm leading-snug">
                <p>{m.what}</p>
                <p className="text-[13px] text-pencil">
                  {dayOf(m.on)},{" "}
                  <Link to={`/jobs/${m.jobId}/log`} className="underline">
                    {m.job}
                  </Link>
                  {m.while === undefined ? "" : `, while: ${m.while}`}
                </p>
                {m.then !== undefined && <p className="text-[13px]">What we do: {m.then}</p>}
              </li>
            ))}
          </ul>
        </section>
      </main>
    </div>
  );
}

function Year({ answer }: { answer: YearAnswer }) {
  return (
    <>
      <dl className="mt-3 grid grid-cols-4 border border-ink bg-sheet max-md:grid-cols-2">
        <Count name="Jobs" text={String(answer.jobs)} />
        <Count name="Trees down" text={String(answer.months.reduce((n, m) => n + m.down, 0))} />
        <Count name="Called off" text={String(answer.months.reduce((n, m) => n + m.calledOff, 0))} />
        <Count name="Hours of work" text={answer.hours === 0 ? "–" : answer.hours.toLocaleString("en-GB")} />
      </dl>
      <div className="mt-4 grid grid-cols-[minmax(0,5fr)_minmax(0,2fr)] gap-8 max-md:grid-cols-1">
        <section aria-label="Month by month">
          <h2 className="font-tight text-[17px] font-semibold">Month by month</h2>
          <MonthBars months={answer.months} />
        </section>
        <section aria-label="Where">
          <h2 className="font-tight text-[17px] font-semibold">Where</h2>
          <JobMap jobs={answer.where} />
        </section>
      </div>
      <div className="mt-4 grid grid-cols-3 gap-8 max-md:grid-cols-1">
        <Table
          name="How far"
          rows={order.filter((s) => answer.byStage[s]).map((s) => [stageNames[s], answer.byStage[s] ?? 0])}
        />
        <Table name="Species" rows={answer.species.map((c) => [c.name, c.count])} />
        <Table name="Places" rows={answer.places.map((c) => [c.name, c.count])} />
      </div>
    </>
  );
}

function Count({ name, text }: { name: string; text: string }) {
  return (
    <div className="border-r border-ink px-4 py-2 last:border-r-0 max-md:border-b">
      <dt className="text-[13px] text-pencil">{name}</dt>
      <dd className="font-tight text-[28px] font-semibold leading-none tabular-nums">{text}</dd>
    </div>
  );
}

function Table({ name, rows }: { name: string; rows: [string, number][] }) {
  return (
    <section aria-label={name}>
      <h2 className="border-b border-ink font-tight text-sm font-semibold">{name}</h2>
      {rows.length === 0 && <p className="text-[13px] text-pencil">Nothing yet.</p>}
      {rows.slice(0, 12).map(([text, count]) => (
        <p key={text} className="flex border-b border-rule py-1 text-sm">
          <span className="flex-1">{text}</span>
          <span className="font-tight font-medium tabular-nums">{count}</span>
        </p>
      ))}
    </section>
  );
}

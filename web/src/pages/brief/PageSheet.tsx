import type { ReactNode } from "react";
import type { BriefPage } from "../../api/types";
import { BriefPlan } from "../../drawing/BriefPlan";
import { BriefStump } from "../../drawing/BriefStump";
import { roleName } from "../../state/roles";
import { dayOf, timeOf } from "../../state/words";

interface PageSheetProps {
  page: BriefPage;
  jobId: string;
  /** How it stands, as in "Brief 3, issued by Runa" or "Not issued". */
  standing: string;
  /** Whether it was issued and stands: only then does it not say what holds it. */
  issued: boolean;
}

/** A cut with its stop; pages issued before the cuts had stops hold plain sentences. */
const textOf = (cut: BriefPage["brief"]["cuts"][number] | string) =>
  typeof cut === "string" ? cut : [cut.text, cut.stop].filter(Boolean).join(" ");

/** The one page for everybody on site: on paper as a page, on a phone from top to bottom. */
export function PageSheet({ page, jobId, standing, issued }: PageSheetProps) {
  const { brief, plan, analysis } = page;
  return (
    <article className="brief-page" data-brief={brief.fingerprint}>
      <header className="flex items-end justify-between gap-x-6 gap-y-1 border-b-2 border-ink pb-1.5 max-sm:flex-wrap">
        <div className="min-w-0">
          <h1 className="font-tight text-[24px] font-semibold leading-tight">{page.name}</h1>
          <p className="text-[13px]">
            {[page.place, page.plannedOn === undefined ? "" : dayOf(page.plannedOn), brief.tree, brief.lay]
              .filter((t) => t !== "")
              .join(" · ")}
          </p>
        </div>
        <p className="shrink-0 text-[13px] leading-snug sm:max-w-[230px] sm:text-right">
          <b className="font-semibold">{standing}</b>
          <br />
          plan {brief.fingerprint} · any change voids the signatures
        </p>
      </header>

      <div className="brief-top mt-2">
        <figure className="self-start border border-ink">
          <BriefPlan plan={plan} analysis={analysis} people={brief.people} />
        </figure>
        <div>
          <dl className="border-2 border-ink">
            {brief.figures.map((f) => (
              <div
                key={f.id}
                className="flex items-baseline justify-between gap-2 border-b border-ink px-2 py-[3px] last:border-b-0"
              >
                <dt className="text-[13px]">{f.name}</dt>
                <dd className="whitespace-nowrap font-tight text-[19px] font-semibold">{f.text}</dd>
              </div>
            ))}
          </dl>
          <Part title="Signs">
            <ul>
              {brief.signals.map((s) => (
                <li key={s.sign} className="flex gap-2 border-b border-rule py-px">
                  <b className="w-[44%] shrink-0 font-semibold">{s.sign}</b>
                  <span>
                    {s.means} ({s.by === "" ? "anybody" : s.by})
                  </span>
                </li>
              ))}
            </ul>
          </Part>
          <div className="mt-2 flex items-center gap-3">
            <img
              src={`/api/jobs/${jobId}/brief/code.svg`}
              alt="Code for the address of this page"
              className="h-[72px] w-[72px]"
            />
            <p className="text-[13px] leading-snug">The same page on a phone, your own card, and what changed since.</p>
          </div>
        </div>
      </div>

      <div className="brief-columns">
        <div>
          <Part title="Cuts, faller">
            <ol className="list-decimal pl-5">
              {brief.cuts.map((c) => (
                <li key={textOf(c)}>{textOf(c)}</li>
              ))}
            </ol>
          </Part>
          <BriefStump plan={plan} analysis={analysis} />
        </div>
        <div>
          <Part title="Stop, whoever sees it">
            <ul className="list-disc pl-5">
              {brief.stops.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ul>
          </Part>
          <Doubts page={page} issued={issued} />
        </div>
        <div>
          <Part title="Gear, out and back">
            <ul>
              {brief.gear.map((g) => (
                <li key={g.key} className="flex items-center gap-1.5 border-b border-rule py-px">
                  <Box />
                  <span className="min-w-0 flex-1 leading-tight">
                    {g.name}
                    {g.count > 1 ? ` × ${g.count}` : ""}
                    {g.trouble !== "" && <b className="font-semibold"> {g.trouble}</b>}
                  </span>
                  <span className="whitespace-nowrap text-[12px]">{g.tag}</span>
                  <Box />
                </li>
              ))}
            </ul>
          </Part>
        </div>
      </div>

      <Part title="If it goes wrong">
        <p>
          {brief.help.join(" ")}
          {brief.helpMissing.length > 0 && (
            <b className="font-semibold"> Not said yet: {brief.helpMissing.join(", ")}.</b>
          )}
        </p>
      </Part>
      <Names page={page} />
      <p className="mt-1.5 text-[11.5px] leading-snug">{brief.caution}</p>
    </article>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-2.5 break-inside-avoid border-t-2 border-ink pt-0.5 text-[13px] leading-[1.3]">
      <h2 className="font-tight text-[14px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}

/** A box for a pencil. */
const Box = () => <span aria-hidden className="inline-block h-3 w-3 shrink-0 border border-ink" />;

/** What is still guessed, what somebody took on, and what is open. */
function Doubts({ page, issued }: { page: BriefPage; issued: boolean }) {
  const { openChecks, guesses, accepted } = page.brief;
  // A page that was issued before plans knew figures of the crew's own has none.
  const ours = (page.analysis.ours as string[] | undefined) ?? [];
  if (openChecks.length + guesses.length + accepted.length + ours.length === 0)
    return (
      <Part title="Guessed or accepted">
        <p>Nothing.</p>
      </Part>
    );
  return (
    <Part title="Guessed or accepted">
      <ul>
        {!issued &&
          openChecks.map((c) => (
            <li key={c.text} className="border-b border-rule py-px">
              <b className="font-semibold">{c.state === "stop" ? "STOP" : "Open"}:</b> {c.text}
            </li>
          ))}
        {guesses.map((g) => (
          <li key={g.text} className="border-b border-rule py-px">
            {g.text}: guessed,{" "}
            {g.by === "" ? <b className="font-semibold">nobody answers for it</b> : `${g.by} takes it on`}
          </li>
        ))}
        {ours.map((text) => (
          <li key={text} data-ours className="border-b border-rule py-px">
            {text}.
          </li>
        ))}
        {accepted.map((a) => (
          <li key={`${a.text}${a.at}`} className="border-b border-rule py-px">
            {a.text}{" "}
            <b className="font-semibold">
              {a.by}, {timeOf(a.at)}: {a.because.replace(/\.$/, "")}.
            </b>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Everybody's name, with the time of their signature or room for one in ink. */
function Names({ page }: { page: BriefPage }) {
  if (page.brief.people.length === 0) return null;
  return (
    <ul className="brief-names mt-2 border-l border-t border-ink" aria-label="Signatures">
      {page.brief.people.map((p) => {
        const signed = page.signatures.find((s) => s.name === p.name);
        return (
          <li key={p.name} className="border-b border-r border-ink px-1.5 pb-1 text-[12px] leading-tight">
            <span className="block">
              {p.letter} <b className="font-semibold">{p.name}</b>, {roleName(p.role).toLowerCase()}
            </span>
            <span className="block min-h-[22px] pt-1">
              {signed
                ? `${timeOf(signed.at)}${signed.way === "by-lead" ? `, by ${signed.enteredBy}` : ""}${signed.clockBack ? ", clock went back" : ""}`
                : ""}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

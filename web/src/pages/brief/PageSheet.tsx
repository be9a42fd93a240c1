import type { ReactNode } from "react";
import type { BriefPage } from "../../api/types";
import { BriefPlan } from "../../drawing/BriefPlan";
import { BriefStump } from "../../drawing/BriefStump";
import { PaperContext } from "../../drawing/paper";
import { roleName } from "../../state/roles";
import { dayOf, timeOf } from "../../state/words";
import { lazily } from "../../ui/lazily";

const ClearAbove = lazily(() => import("../../drawing/ClearAbove").then((m) => m.ClearAbove));
const ClearSection = lazily(() => import("../../drawing/ClearSection").then((m) => m.ClearSection));

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
  const { brief, plan } = page;
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
          <p className="text-[14px] font-semibold leading-snug" data-brief-verdict>
            {/* A page issued before had none. */}
            {(brief.verdict as string | undefined) ?? ""}
          </p>
        </div>
        <p className="shrink-0 text-[13px] leading-snug sm:max-w-[230px] sm:text-right">
          <b className="font-semibold">{standing}</b>
          <br />
          plan {brief.fingerprint} · a change of the plan voids the signatures
        </p>
      </header>

      {plan.clearing?.alone !== true && <PullParts page={page} jobId={jobId} issued={issued} />}
      {brief.clearing && <ClearingPart page={page} clearing={brief.clearing} jobId={jobId} issued={issued} />}

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

/** What speaks of the pull: the plan from above, its figures, its cuts, its gear. */
function PullParts({ page, jobId, issued }: Omit<PageSheetProps, "standing">) {
  const { brief, plan, analysis } = page;
  return (
    <>
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
          <Signs signals={brief.signals} />
          <PageCode jobId={jobId} />
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
          <Gear page={page} />
        </div>
      </div>
    </>
  );
}

function Gear({ page: { brief } }: { page: BriefPage }) {
  return (
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
  );
}

function PageCode({ jobId }: { jobId: string }) {
  return (
    <div className="mt-2 flex items-center gap-3">
      <img
        src={`/api/jobs/${jobId}/brief/code.svg`}
        alt="Code for the address of this page"
        className="h-[72px] w-[72px]"
      />
      <p className="text-[13px] leading-snug">The same page on a phone, your own card, and what changed since.</p>
    </div>
  );
}

function Signs({ signals }: { signals: BriefPage["brief"]["signals"] }) {
  return (
    <Part title="Signs">
      <ul>
        {signals.map((s) => (
          <li key={s.sign} className="flex gap-2 border-b border-rule py-px">
            <b className="w-[44%] shrink-0 font-semibold">{s.sign}</b>
            <span>
              {s.means} ({s.by === "" ? "anybody" : s.by})
            </span>
          </li>
        ))}
      </ul>
    </Part>
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

/** Clearing: the section and the same from above, the way's figures, who does what at each end. */
function ClearingPart({
  page,
  clearing,
  jobId,
  issued,
}: Omit<PageSheetProps, "standing"> & { clearing: NonNullable<BriefPage["brief"]["clearing"]> }) {
  const members = page.plan.clearing;
  const analysis = page.clearing;
  const way = analysis?.ways.find((w) => w.way === members?.way);
  const alone = members?.alone === true;
  return (
    <section data-brief-clearing className="mt-2">
      <h2 className="border-t-2 border-ink pt-0.5 font-tight text-[16px] font-semibold">
        Clearing: {clearing.way.toLowerCase()}
      </h2>
      {!alone && <p className="text-[13px]">{clearing.pieces}</p>}
      <div className="brief-top mt-1">
        <div>
          {members && analysis && way && (
            <PaperContext value={true}>
              <figure className="h-[300px] border border-ink" aria-label="Section">
                <ClearSection clearing={members} analysis={analysis} way={way} panel="way" />
              </figure>
              <figure className="mt-1 h-[210px] border border-ink" aria-label="From above">
                <ClearAbove clearing={members} analysis={analysis} way={way} />
              </figure>
            </PaperContext>
          )}
        </div>
        <div>
          <dl className="border-2 border-ink">
            {clearing.figures.map((f) => (
              <div
                key={f.id}
                className="flex items-baseline justify-between gap-2 border-b border-ink px-2 py-[3px] last:border-b-0"
              >
                <dt className="text-[13px]">{f.name}</dt>
                <dd className="whitespace-nowrap font-tight text-[17px] font-semibold">{f.text}</dd>
              </div>
            ))}
          </dl>
          <Signs signals={clearing.signals} />
          {alone && <PageCode jobId={jobId} />}
        </div>
      </div>
      <div className="brief-columns">
        <div>
          {clearing.ends.map((end) => (
            <Part key={end.name} title={end.name}>
              <ul className="list-disc pl-5">
                {end.lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </Part>
          ))}
          <Part title="Who stands where">
            <ul>
              {clearing.people.map((p) => (
                <li key={p.name} className="border-b border-rule py-px">
                  <b className="font-semibold">{p.name}</b>
                  {p.task === "" ? "" : `, ${p.task}`}: {p.stands}
                </li>
              ))}
              {clearing.people.length === 0 && <li>Nobody has said.</li>}
            </ul>
          </Part>
        </div>
        <div>
          <Part title="Stop, whoever sees it">
            <ul className="list-disc pl-5">
              {clearing.stops.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ul>
          </Part>
          <Part title="Nobody stands here while loads move">
            <ul className="list-disc pl-5">
              {clearing.nobody.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ul>
          </Part>
        </div>
        <div>
          {alone && <Doubts page={page} issued={issued} />}
          {alone && <Gear page={page} />}
        </div>
      </div>
    </section>
  );
}

import { useEffect, useRef } from "react";
import type { Analysis, Working } from "../../api/types";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { byCode, written } from "../../units/units";
import { Remedies } from "./Remedies";
import { useFeed } from "../../state/feed";
import { openWorking, useView } from "../../state/view";

/** The sums behind the numbers: formula, figures put in, method and how sure. */
export function WorkingsPanel() {
  const analysis = useFeed((s) => s.analysis);
  const working = useView((s) => s.working);
  const set = useView((s) => s.set);
  const all = analysis?.workings ?? [];
  const first = all.find((w) => w.id === working);
  const link = analysis?.links.find((l) => `link.${l.id}` === working);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    heading.current?.focus();
  }, [working]);
  return (
    <div>
      <div className="flex items-baseline gap-2">
        <h2 ref={heading} tabIndex={-1} className="flex-1 font-tight text-lg font-semibold outline-none">
          Workings
        </h2>
        <Button
          onClick={() => {
            set({ working: null });
          }}
        >
          Close
        </Button>
      </div>
      {first && (
        <div data-open-working={first.id} className="mt-2 border-2 border-ink p-2.5">
          <Sum working={first} />
        </div>
      )}
      {link && link.state !== "holds" && <Remedies link={link.id} />}
      {all.length === 0 && <p className="mt-3 text-sm text-pencil">Writing out the sums.</p>}
      <h3 className="mt-4 border-t border-ink pt-1.5 font-tight text-sm font-semibold">Every other number</h3>
      <ul>
        {all
          .filter((w) => w.id !== working)
          .map((w) => (
            <li key={w.id}>
              <button
                type="button"
                onClick={() => {
                  openWorking(w.id);
                }}
                className="flex w-full items-baseline gap-2 border-b border-rule py-1 text-left hover:bg-tint"
              >
                <span className="min-w-0 flex-1 font-tight text-sm">
                  {w.name}
                  {lineOf(w, analysis)}
                </span>
                <Value working={w} />
              </button>
            </li>
          ))}
      </ul>
    </div>
  );
}

function Sum({ working }: { working: Working }) {
  return (
    <>
      <p className="flex items-baseline gap-2">
        <span className="min-w-0 flex-1 font-tight text-[15px] font-semibold">{working.name}</span>
        <Value working={working} />
      </p>
      <p className="mt-2 text-[13px] leading-snug text-pencil">
        <Symbols text={working.formula} />
      </p>
      <p className="mt-1.5 text-[13px] font-medium leading-snug">
        <Symbols text={`${working.symbol} = ${working.substituted}`} />
      </p>
      <p className="mt-2 border-t border-rule pt-1.5 text-xs text-pencil">
        Method {working.method} ·{" "}
        {working.estimate ? "an estimate, from table figures or a guess" : "from what was measured"}
      </p>
    </>
  );
}

/** A formula with its indices set low: m_s is m with a small s. */
function Symbols({ text }: { text: string }) {
  const parts = text.split(/_([A-Za-z0-9,]+)/);
  return <>{parts.map((part, i) => (i % 2 === 1 ? <sub key={i}>{part}</sub> : part))}</>;
}

function Value({ working }: { working: Working }) {
  const units = useSettings((s) => s.units);
  const text = written(working.value, byCode[working.unit] ?? "ratio", units);
  return <span className="whitespace-nowrap font-tight text-[15px] font-semibold">{text}</span>;
}

function lineOf(working: Working, analysis: Analysis | null): string {
  if (!analysis || analysis.pull.lines.length < 2) return "";
  const line = analysis.pull.lines.find(
    (l) => working.id.startsWith(`${l.id}.`) || working.id.startsWith(`link.${l.id}.`),
  );
  return line ? `, ${line.id}` : "";
}

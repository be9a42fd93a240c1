import { useEffect, useRef } from "react";
import type { Catalogue } from "../../api/types";
import { openTerm, useView } from "../../state/view";
import { Modal } from "../../ui/Modal";

/** The words of the trade as Draklo uses them, opened at one of them if it was asked for. */
export function GlossaryDialog({ entries }: { entries: Catalogue["glossary"] }) {
  const dialog = useView((s) => s.dialog);
  if (dialog === null || !dialog.startsWith("glossary")) return null;
  const asked = dialog.split(":")[1];
  return (
    <Modal
      title="Glossary"
      wide
      onClose={() => {
        useView.getState().set({ dialog: null });
      }}
    >
      <dl className="space-y-2.5 text-sm leading-snug">
        {entries.map((entry) => (
          <Entry key={entry.id} entry={entry} entries={entries} asked={entry.id === asked} />
        ))}
      </dl>
    </Modal>
  );
}

interface EntryProps {
  entry: Catalogue["glossary"][number];
  entries: Catalogue["glossary"];
  asked: boolean;
}

function Entry({ entry, entries, asked }: EntryProps) {
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (asked) here.current?.scrollIntoView({ block: "center" });
  }, [asked]);
  const related = entry.see.split(" ").flatMap((id) => entries.find((e) => e.id === id) ?? []);
  return (
    <div ref={here} data-term={entry.id} className={asked ? "border-l-4 border-ink bg-tint py-1 pl-2" : "pl-3"}>
      <dt className="font-tight font-semibold">{entry.term}</dt>
      <dd>
        {entry.text}
        {related.map((other, i) => (
          <span key={other.id}>
            {i === 0 ? " See " : ", "}
            <TermLink id={other.id}>{other.term.toLowerCase()}</TermLink>
            {i === related.length - 1 ? "." : ""}
          </span>
        ))}
      </dd>
    </div>
  );
}

/** A word that opens its entry. */
export function TermLink({ id, children }: { id: string; children: string }) {
  return (
    <button
      type="button"
      className="underline decoration-dotted underline-offset-2 hover:bg-tint"
      onClick={() => {
        openTerm(id);
      }}
    >
      {children}
    </button>
  );
}

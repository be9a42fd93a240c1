import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, Refusal, sayWhy } from "../../api/client";
import type { BriefAnswer } from "../../api/types";
import { roleName } from "../../state/roles";
import { timeOf } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { useShelf } from "../../ui/shelf";
import { Check } from "../../ui/Check";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { PinField } from "../../ui/PinField";
import { Refused } from "../../ui/Refused";
import { standingOf } from "./standing";

/** Who has signed this page, what holds it, and the issue. */
export function SignPanel({ brief }: { brief: BriefAnswer }) {
  const [signs, setSigns] = useState<string | null>(null);
  const [issues, setIssues] = useState(false);
  const lead = leadOf(brief);
  const waiting = useShelf((s) => s.waiting).filter(
    (w) => w.jobId === brief.jobId && (w.kind === "sign" || w.kind === "issue"),
  );
  return (
    <section aria-label="Signatures" className="no-print">
      <h2 className="font-tight text-lg font-semibold" data-brief-state={brief.state}>
        {standingOf(brief)}
      </h2>
      {brief.changedSinceIssue.length > 0 && (
        <>
          <p className="mt-1 text-sm">Since brief {brief.number}:</p>
          <Changes changes={brief.changedSinceIssue} />
        </>
      )}
      {waiting.length > 0 && (
        <ul className="mt-1 border-l-4 border-ink pl-2 text-[13px] leading-snug" data-waiting-signatures>
          {waiting.map((w) => (
            <li key={w.number}>
              <b className="font-semibold">
                {w.words}, given {timeOf(w.at)} offline.
              </b>{" "}
              {w.refused === undefined
                ? "It counts once Draklo has checked the PIN."
                : `It was not taken: ${w.refused}`}
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-2 border-t border-ink">
        {brief.signOff.people.map((p) => (
          <li key={p.name} className="border-b border-rule py-1.5" data-signs={p.name}>
            <div className="flex items-center gap-3">
              <span className="min-w-0 flex-1 leading-snug">
                <b className="font-tight text-[16px] font-semibold">{p.name}</b>, {roleName(p.role).toLowerCase()}
                <span className="block text-[13px] text-pencil">
                  {p.hasSigned && p.last
                    ? `signed ${timeOf(p.last.at)}${p.last.way === "by-lead" ? `, by ${p.last.enteredBy} for them` : ""}${p.last.clockBack ? "; the clock stood earlier than at the signature before it" : ""}${p.lacksClearing ? "; the clearing was added since" : ""}`
                    : p.last?.fromArchive === true
                      ? `signed ${timeOf(p.last.at)} where the archive came from: a record, not a signature here`
                      : p.last
                        ? `signed ${timeOf(p.last.at)}, void: signs again`
                        : "has not signed"}
                </span>
              </span>
              {(!p.hasSigned || p.lacksClearing) && (
                <Button
                  strong
                  aria-label={`Sign: ${p.name}`}
                  className="min-h-11 px-5"
                  onClick={() => {
                    setSigns(p.name);
                  }}
                >
                  Sign
                </Button>
              )}
            </div>
            {!p.hasSigned && p.changes.length > 0 && <Changes changes={p.changes} />}
          </li>
        ))}
      </ul>
      {brief.signOff.holds.length > 0 && (
        <div className="mt-3" data-holds>
          <h3 className="font-tight text-sm font-semibold">What holds it</h3>
          <ul className="mt-0.5 text-[13px] leading-snug">
            {brief.signOff.holds.map((h) => (
              <li key={h.text} className="border-b border-rule py-1">
                {h.text}{" "}
                {h.path !== undefined && (
                  <Link
                    to={`/jobs/${brief.jobId}`}
                    state={{ go: h.path }}
                    className="inline-flex items-center whitespace-nowrap underline coarse:min-h-11"
                  >
                    Go there
                  </Link>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="mt-3">
        {brief.lacksClearing && (
          <Note>The pull is signed and issued. The clearing is not: sign for it before a load moves.</Note>
        )}
        {(brief.state !== "issued" || brief.lacksClearing) && (
          <Button
            strong
            className="min-h-11 w-full"
            disabled={
              !brief.signOff.mayIssue || lead === undefined || brief.signOff.people.some((p) => p.lacksClearing)
            }
            onClick={() => {
              setIssues(true);
            }}
          >
            Issue the brief
          </Button>
        )}
        {!brief.signOff.mayIssue && <Note>Clear the items above to issue it.</Note>}
      </div>
      {brief.issued.length > 0 && (
        <div className="mt-3 flex flex-wrap items-center gap-x-3 text-[13px]">
          Kept as issued:
          {brief.issued.map((b) => (
            <Link
              key={b.number}
              to={`/jobs/${brief.jobId}/brief/${b.number}`}
              className="inline-flex items-center underline coarse:min-h-11"
            >
              brief {b.number}, {timeOf(b.issuedAt)}
            </Link>
          ))}
        </div>
      )}
      {signs !== null && (
        <SignDialog
          brief={brief}
          name={signs}
          onClose={() => {
            setSigns(null);
          }}
        />
      )}
      {issues && lead !== undefined && (
        <IssueDialog
          brief={brief}
          lead={lead}
          onClose={() => {
            setIssues(false);
          }}
        />
      )}
    </section>
  );
}

/** The lead of the job; where nobody leads, the faller. */
function leadOf(brief: BriefAnswer): string | undefined {
  const { people } = brief.signOff;
  return (people.find((p) => p.role === "lead") ?? people.find((p) => p.role === "faller"))?.name;
}

const shown = 4;

/** What moved, old and new; a long list begins with the first few. */
function Changes({ changes }: { changes: BriefAnswer["changedSinceIssue"] }) {
  const [all, setAll] = useState(false);
  return (
    <ul className="mt-0.5 border-l-4 border-ink pl-2 text-[13px] leading-snug" data-changes>
      {(all ? changes : changes.slice(0, shown)).map((c) => (
        <li key={c.id}>
          {c.name}: {c.was ?? "nothing"} → <b className="font-semibold">{c.is ?? "nothing"}</b>
        </li>
      ))}
      {changes.length > shown && (
        <li>
          <button
            type="button"
            className="min-h-6 underline"
            onClick={() => {
              setAll(!all);
            }}
          >
            {all ? "fewer" : `${changes.length - shown} more`}
          </button>
        </li>
      )}
    </ul>
  );
}

interface SignDialogProps {
  brief: BriefAnswer;
  name: string;
  onClose: () => void;
}

/** A name under the page: with the person's own PIN, or by the lead for them. */
function SignDialog({ brief, name, onClose }: SignDialogProps) {
  const queries = useQueryClient();
  const units = useSettings((s) => s.units);
  const lead = leadOf(brief);
  const has = brief.peopleWithPin.includes(name);
  const [byLead, setByLead] = useState(!has && lead !== undefined && lead !== name);
  const [pin, setPin] = useState("");
  const [read, setRead] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const signer = byLead ? lead : name;
  const sign = useMutation({
    mutationFn: () =>
      api.sign(brief.jobId, units, {
        name,
        pin,
        fingerprint: brief.page.brief.fingerprint,
        ...(byLead && lead !== undefined ? { lead } : {}),
      }),
    onSuccess: (answer) => {
      queries.setQueryData(["brief", brief.jobId, units], answer);
      onClose();
    },
    onError: (error) => {
      if (error instanceof Refusal && "fingerprint" in error.errors)
        void queries.invalidateQueries({ queryKey: ["brief", brief.jobId] });
    },
  });
  const errors = sign.error instanceof Refusal ? sign.error.errors : {};
  const card = brief.page.brief.cards.find((c) => c.names.includes(name));
  return (
    <Modal title={`${name} signs`} onClose={onClose}>
      {card && <Note>{[...card.stand, ...card.watch].join(" ")}</Note>}
      <Check
        label="Read: the page, the stop list, my own card; asked what was not clear"
        checked={read}
        onChange={(on) => {
          setRead(on);
          setWrong(null);
        }}
      />
      <Refused>{wrong}</Refused>
      {lead !== undefined && lead !== name && (
        <Check
          label={`${lead}, the lead, signs for ${name}`}
          checked={byLead}
          onChange={setByLead}
          note={has ? undefined : `${name} has no PIN of their own`}
        />
      )}
      <PinField label={`PIN of ${signer ?? name}`} value={pin} onChange={setPin} problem={errors["pin"]?.[0]} />
      <Refused>{sign.isError && !("pin" in errors) ? sayWhy(sign.error) : null}</Refused>
      {signer !== undefined && !brief.peopleWithPin.includes(signer) && (
        <Note>
          {signer} has no PIN yet: <Link to="/crew">set one in the crew&apos;s book</Link>.
        </Note>
      )}
      <div className="mt-3 flex gap-2">
        <Button
          strong
          className="min-h-11 px-6"
          disabled={sign.isPending}
          onClick={() => {
            if (read) sign.mutate();
            else setWrong("Read it first, and say so here.");
          }}
        >
          Sign
        </Button>
        <Button className="min-h-11" onClick={onClose}>
          Not yet
        </Button>
      </div>
    </Modal>
  );
}

function IssueDialog({ brief, lead, onClose }: { brief: BriefAnswer; lead: string; onClose: () => void }) {
  const queries = useQueryClient();
  const units = useSettings((s) => s.units);
  const [pin, setPin] = useState("");
  const issue = useMutation({
    mutationFn: () => api.issue(brief.jobId, units, { name: lead, pin, fingerprint: brief.page.brief.fingerprint }),
    onSuccess: (answer) => {
      queries.setQueryData(["brief", brief.jobId, units], answer);
      onClose();
    },
  });
  const errors = issue.error instanceof Refusal ? issue.error.errors : {};
  return (
    <Modal title={`${lead} issues the brief`} onClose={onClose}>
      <Note>It is kept as issued. A change of plan that moves a figure or a place takes it back to “not issued”.</Note>
      <PinField label={`PIN of ${lead}`} value={pin} onChange={setPin} problem={errors["pin"]?.[0]} />
      <Refused>{issue.isError && !("pin" in errors) ? sayWhy(issue.error) : null}</Refused>
      <div className="mt-3 flex gap-2">
        <Button
          strong
          className="min-h-11 px-6"
          disabled={issue.isPending}
          onClick={() => {
            issue.mutate();
          }}
        >
          Issue
        </Button>
        <Button className="min-h-11" onClick={onClose}>
          Not yet
        </Button>
      </div>
    </Modal>
  );
}

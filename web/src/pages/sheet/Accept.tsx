import { useState } from "react";
import type { Analysis } from "../../api/types";
import { accept } from "../../state/store";
import { Check } from "../../ui/Check";
import { NameAndBecause } from "../../ui/NameAndBecause";

type Reason = Analysis["verdict"]["reasons"][number];

const entryOf = (reason: Reason, by: string, because: string): Parameters<typeof accept>[0][number] => ({
  code: reason.code,
  ...(reason.path === undefined ? {} : { path: reason.path }),
  by,
  at: new Date().toISOString(),
  because,
  values: reason.values,
});

/** Takes several checks on in one go, where one reason is good for all of them. */
export function AcceptSeveral({ reasons }: { reasons: Reason[] }) {
  const [chosen, setChosen] = useState<ReadonlySet<Reason> | null>(null);
  if (!chosen) {
    return (
      <button
        type="button"
        className="mt-2 block min-h-6 text-xs underline coarse:min-h-11"
        onClick={() => {
          setChosen(new Set());
        }}
      >
        Accept several for one reason
      </button>
    );
  }
  const taken = reasons.filter((r) => chosen.has(r));
  return (
    <div data-accept-several className="mt-2 border-l-2 border-ink pl-2">
      {reasons.map((reason) => (
        <Check
          key={`${reason.code} ${reason.text}`}
          label={reason.text}
          checked={chosen.has(reason)}
          onChange={(on) => {
            setChosen(new Set(on ? [...taken, reason] : taken.filter((r) => r !== reason)));
          }}
        />
      ))}
      {taken.length > 0 && (
        <NameAndBecause
          button={taken.length === 1 ? "Accept it" : `Accept these ${taken.length}`}
          onDone={(by, because) => {
            accept(taken.map((reason) => entryOf(reason, by, because)));
            setChosen(null);
          }}
          onLeave={() => {
            setChosen(null);
          }}
        />
      )}
    </div>
  );
}

/** Takes a check on by name, with a because. It lapses when its figures change. */
export function Accept({ reason }: { reason: Reason }) {
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <button
        type="button"
        className="block min-h-6 text-xs underline"
        aria-label={`Accept it by name: ${reason.text}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        Accept it by name
      </button>
    );
  }
  return (
    <div data-accept={reason.code} className="mt-1 border-l-2 border-ink pl-2">
      <NameAndBecause
        button="Accept"
        onDone={(by, because) => {
          accept([entryOf(reason, by, because)]);
        }}
        onLeave={() => {
          setOpen(false);
        }}
      />
    </div>
  );
}

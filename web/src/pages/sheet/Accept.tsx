import { useState } from "react";
import type { Analysis } from "../../api/types";
import { accept } from "../../state/store";
import { NameAndBecause } from "../../ui/NameAndBecause";

type Reason = Analysis["verdict"]["reasons"][number];

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
          accept({
            code: reason.code,
            ...(reason.path === undefined ? {} : { path: reason.path }),
            by,
            at: new Date().toISOString(),
            because,
            values: reason.values,
          });
        }}
        onLeave={() => {
          setOpen(false);
        }}
      />
    </div>
  );
}

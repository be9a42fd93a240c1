import { useState } from "react";
import type { Analysis } from "../../api/types";
import { accept } from "../../state/store";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { Refused } from "../../ui/Refused";

type Reason = Analysis["verdict"]["reasons"][number];

/** Takes a check on by name, with a because. It lapses when its figures change. */
export function Accept({ reason }: { reason: Reason }) {
  const [open, setOpen] = useState(false);
  const [because, setBecause] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
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
      <TextField label="Your name" value={who} onChange={setWho} />
      <TextField label="Because" value={because} onChange={setBecause} />
      <Refused>{wrong}</Refused>
      <div className="mt-1 flex gap-2">
        <Button
          strong
          onClick={() => {
            if (who.trim() === "" || because.trim() === "") {
              setWrong(who.trim() === "" ? "Say who accepts it." : "Say why: a sentence will do.");
              return;
            }
            accept({
              code: reason.code,
              ...(reason.path === undefined ? {} : { path: reason.path }),
              by: who.trim(),
              at: new Date().toISOString(),
              because: because.trim(),
              values: reason.values,
            });
          }}
        >
          Accept
        </Button>
        <Button
          onClick={() => {
            setOpen(false);
            setWrong(null);
          }}
        >
          Leave it
        </Button>
      </div>
    </div>
  );
}

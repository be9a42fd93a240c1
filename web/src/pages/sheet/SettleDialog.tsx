import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { Clash, Job, Side } from "../../api/types";
import { Button } from "../../ui/controls";
import { ClashList } from "./ClashList";
import { Modal } from "../../ui/Modal";
import { useSettings } from "../../ui/settings";
import { keepBoth, settle, takeTheirs } from "../../state/autosave";
import { saySettling, type Difference } from "../../state/hands";
import { timeOf } from "../../state/words";

const longest = 200;
const cut = (text: string) => (text.length > longest ? `${text.slice(0, longest - 1)}…` : text);

function inWords({ name, mine, theirs }: Clash): Difference {
  return { name: cut(name), ...(mine != null && { mine: cut(mine) }), ...(theirs != null && { saved: cut(theirs) }) };
}

/** Two people changed the same members of one job apart: each is settled by hand, and nothing is lost. */
export function SettleDialog({ theirs, clashes }: { theirs: Job; clashes: Clash[] }) {
  const [chosen, setChosen] = useState<Record<string, Side>>({});
  const navigate = useNavigate();
  const me = useSettings((s) => s.who).trim() || "You";
  const revisions = useQuery({
    queryKey: ["revisions", theirs.id, theirs.revision],
    queryFn: () => api.revisions(theirs.id),
    retry: false,
  });
  const by = revisions.data?.find((r) => r.number === theirs.revision)?.savedBy ?? "";
  const they = by === "" ? "Somebody" : by;
  useEffect(() => {
    saySettling(clashes.map(inWords));
    return () => {
      saySettling(null);
    };
  }, [clashes]);
  const open = clashes.filter((c) => chosen[c.path] === undefined).length;
  return (
    <Modal title="Changed in two places" onClose={() => undefined} wide>
      <p className="text-sm leading-snug">
        {they} saved this job at {timeOf(theirs.savedAt)}, while you changed it here. What only one of you changed is
        put together already.{" "}
        {clashes.length > 0
          ? `${clashes.length === 1 ? "One figure" : `${clashes.length} figures`} you both changed: choose which holds.`
          : "The two could not be compared just now: take one of them whole."}
      </p>
      {clashes.length > 0 && <ClashList clashes={clashes} me={me} they={they} chosen={chosen} onChoose={setChosen} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {clashes.length > 0 && (
          <Button
            strong
            disabled={open > 0}
            onClick={() => {
              void settle(theirs, chosen);
            }}
          >
            {open > 0 ? `${open} to choose` : "Settle and save"}
          </Button>
        )}
        <Button
          onClick={() => {
            takeTheirs(theirs);
          }}
        >
          Drop my changes
        </Button>
        <Button
          onClick={() => {
            void keepBoth(theirs).then((copy) => {
              if (copy) void navigate(`/jobs/${copy.id}`);
            });
          }}
        >
          Keep both, mine as a copy
        </Button>
      </div>
      <p className="mt-2 text-[13px] text-pencil">Every saved version stays among the job’s revisions.</p>
    </Modal>
  );
}

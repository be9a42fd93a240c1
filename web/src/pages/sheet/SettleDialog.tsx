import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { Clash, Job, Side } from "../../api/types";
import { Button } from "../../ui/controls";
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
  const all = (side: Side) => {
    setChosen(Object.fromEntries(clashes.map((c) => [c.path, side])));
  };
  return (
    <Modal title="Changed in two places" onClose={() => undefined} wide>
      <p className="text-sm leading-snug">
        {they} saved this job at {timeOf(theirs.savedAt)}, while you changed it here. What only one of you changed is
        put together already.{" "}
        {clashes.length > 0
          ? `${clashes.length === 1 ? "One figure" : `${clashes.length} figures`} you both changed: choose which holds.`
          : "The two could not be compared just now: take one of them whole."}
      </p>
      {clashes.length > 0 && (
        <>
          <ul className="mt-3 border-t border-ink" data-clashes>
            {clashes.map((c) => (
              <li key={c.path} data-clash={c.path} className="border-b border-rule py-2">
                <p className="font-tight text-[15px] font-semibold">
                  {c.name}
                  <span className="ml-2 text-[13px] font-normal text-pencil">was {c.was ?? "not there"}</span>
                </p>
                <div className="mt-1 flex flex-wrap gap-2">
                  {(["mine", "theirs"] as const).map((side) => (
                    <button
                      key={side}
                      type="button"
                      aria-pressed={chosen[c.path] === side}
                      className={`min-h-11 min-w-32 flex-1 border border-ink px-3 py-1 text-left leading-tight ${chosen[c.path] === side ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`}
                      onClick={() => {
                        setChosen((before) => ({ ...before, [c.path]: side }));
                      }}
                    >
                      <span className="block text-[12px]">{side === "mine" ? `${me}, here` : `${they}, there`}</span>
                      <span className="font-tight text-[16px] font-medium">
                        {(side === "mine" ? c.mine : c.theirs) ?? "taken out"}
                      </span>
                    </button>
                  ))}
                </div>
              </li>
            ))}
          </ul>
          <p className="mt-2 flex flex-wrap gap-x-4 text-sm">
            <button
              type="button"
              className="min-h-9 underline"
              onClick={() => {
                all("mine");
              }}
            >
              All from here
            </button>
            <button
              type="button"
              className="min-h-9 underline"
              onClick={() => {
                all("theirs");
              }}
            >
              All from there
            </button>
          </p>
        </>
      )}
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

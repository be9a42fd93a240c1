import { useInfiniteQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import { Button, Note } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { kinds } from "./words";
import { momentOf } from "../../state/words";
import { useDoing } from "./useDoing";

/** Who changed what, and when; the last change of each thing can be undone. */
export function HistoryList() {
  const history = useInfiniteQuery({
    queryKey: ["history"],
    queryFn: ({ pageParam }) => api.history(pageParam),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length === 50 ? last[last.length - 1]?.number : undefined),
  });
  const undo = useDoing(api.undo);
  const entries = history.data?.pages.flat() ?? [];
  return (
    <section className="mt-8" data-history>
      <h2 className="font-tight text-[17px] font-semibold">History</h2>
      <Note>
        Changes to gear, rules, species, policies and tackles, and jobs that were added or deleted. Earlier versions of
        a plan are kept with its job. Nothing goes for good.
      </Note>
      <Refused>{undo.problem}</Refused>
      {entries.length === 0 && <p className="mt-2">Nothing was changed yet.</p>}
      <ol className="mt-2">
        {entries.map((e) => (
          <li
            key={e.number}
            data-change={e.number}
            className="flex flex-wrap items-baseline gap-x-4 border-t border-rule py-1.5 text-sm last:border-b"
          >
            <span className="w-[150px] whitespace-nowrap text-pencil">{momentOf(e.at)}</span>
            <span className="min-w-[180px] flex-1">
              {kinds[e.kind]} <strong className="font-semibold">{e.name}</strong> {e.action}
              {e.who ? ` by ${e.who}` : ""}
            </span>
            {e.canUndo && (
              <button
                type="button"
                className="min-h-6 underline"
                disabled={undo.busy}
                onClick={() => {
                  undo.run(e.number);
                }}
              >
                Undo
              </button>
            )}
          </li>
        ))}
      </ol>
      {history.hasNextPage && (
        <div className="mt-3">
          <Button
            onClick={() => {
              void history.fetchNextPage();
            }}
          >
            Earlier changes
          </Button>
        </div>
      )}
    </section>
  );
}

import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Remedy } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { useFeed } from "../../state/feed";
import { withValue } from "../../state/paths";
import { useSheet, withProvenance } from "../../state/store";

/** Puts the changes of a remedy into the plan, as one step to undo. */
export function useApply(): (remedy: Pick<Remedy, "changes">) => void {
  const edit = useSheet((s) => s.edit);
  return (remedy) => {
    edit((d) => ({
      ...d,
      plan: {
        ...remedy.changes.reduce(
          (p, change) => withValue(withProvenance(p, change.path, undefined), change.path, change.value),
          d.plan,
        ),
      },
    }));
  };
}

/** What would make a link hold, each applied by a click as one step to undo. */
export function Remedies({ link }: { link: string }) {
  const units = useSettings((s) => s.units);
  // Of the plan that the shown figures belong to.
  const version = useFeed((s) => s.version);
  const apply = useApply();
  const remedies = useQuery({
    queryKey: ["remedies", link, units, version],
    queryFn: ({ signal }) => {
      const plan = useFeed.getState().of;
      return plan ? api.remedies(plan, link, units, signal) : [];
    },
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
  });
  if (!remedies.data) return <p className="mt-2 text-sm text-pencil">Looking for changes that make it hold.</p>;

  return (
    <section className="mt-3 border-2 border-ink p-2.5" data-remedies>
      <h3 className="font-tight text-[15px] font-semibold">What would make it hold</h3>
      {remedies.data.length === 0 && (
        <p className="mt-1 text-[13px] leading-snug">
          No single change is enough. Two may be: start with one that lowers the needed tension.
        </p>
      )}
      <ul>
        {remedies.data.map((r) => (
          <li key={r.text}>
            <button
              type="button"
              onClick={() => {
                apply(r);
              }}
              className="flex w-full items-baseline gap-2 border-b border-rule py-1.5 text-left hover:bg-tint"
            >
              <span className="min-w-0 flex-1 font-tight text-sm leading-snug">
                {r.text}
                {r.stillFails > 0
                  ? `; ${r.stillFails} other ${r.stillFails === 1 ? "link fails" : "links fail"} still`
                  : ""}
              </span>
              <span className="whitespace-nowrap font-tight text-sm text-pencil">use {r.use.toFixed(2)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

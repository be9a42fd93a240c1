import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import { useFeed } from "../../state/feed";
import { useSettings } from "../../ui/settings";
import { useApply } from "./Remedies";
import type { Reason } from "./VerdictParts";

const shownAtOnce = 3;

/** What takes a stop away, each tried on the whole plan and put in by a click; or that nothing was found. */
export function StopRemedies({ reason, close }: { reason: Reason; close: () => void }) {
  const units = useSettings((s) => s.units);
  const version = useFeed((s) => s.version);
  const apply = useApply();
  const { code, path = "", linkId: link = "" } = reason;
  const remedies = useQuery({
    queryKey: ["stop-remedies", code, path, link, units, version],
    queryFn: ({ signal }) => {
      const plan = useFeed.getState().of;
      return plan ? api.stopRemedies(plan, { code, path, link }, units, signal) : [];
    },
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
  });
  if (remedies.error) return null;
  if (!remedies.data) return <p className="mt-0.5 text-[13px] text-pencil">Looking for what takes it away.</p>;
  if (remedies.data.length === 0)
    return (
      <p className="mt-0.5 text-[13px] text-pencil" data-no-remedy>
        No single change of the plan was found that takes it away.
      </p>
    );
  return (
    <ul className="mt-0.5" data-stop-remedies>
      {remedies.data.slice(0, shownAtOnce).map((r) => (
        <li key={r.text}>
          <button
            type="button"
            className="min-h-8 text-left text-[13px] underline coarse:min-h-11"
            onClick={() => {
              close();
              apply(r);
            }}
          >
            {r.text}
            {r.stopsLeft > 0 ? `; ${r.stopsLeft} other ${r.stopsLeft === 1 ? "stop stays" : "stops stay"}` : ""}
          </button>
        </li>
      ))}
    </ul>
  );
}

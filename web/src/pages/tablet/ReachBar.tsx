import { Link, useLocation } from "react-router";
import { isAnothers } from "../../api/author";
import { useHome } from "../../api/home";
import { useShelf } from "../../ui/shelf";
import { takeUpdate, useUpdate } from "../../ui/update";

/** One line over every page, only while there is something to know: offline, no room, not taken, a newer version. */
export function ReachBar() {
  const { away, old } = useHome();
  const { trouble, waiting } = useShelf();
  // Never in the middle of work: a job's pages say nothing of it.
  const atWork = useLocation().pathname.startsWith("/jobs/");
  const newer = useUpdate((s) => s.waiting) !== null && (!atWork || old);
  const refused = waiting.filter((w) => w.refused !== undefined).length;
  const others = waiting.filter((w) => w.refused === undefined && isAnothers(w.by)).map((w) => w.by);
  if (!away && !newer && refused === 0 && others.length === 0 && trouble !== "full") return null;
  return (
    <aside
      aria-label="This device"
      data-reach={away ? "away" : "there"}
      className="flex flex-wrap items-baseline gap-x-4 border-b border-ink bg-held px-4 py-0.5 text-[13px] leading-snug no-print"
    >
      {away && !old && (
        <p>
          <b className="font-semibold">Offline.</b> Carry on: this device works everything out, keeps it, and sends it
          once Draklo answers.
        </p>
      )}
      {old && (
        <p>
          <b className="font-semibold">This device holds an older Draklo</b> that the yard no longer understands. What
          waits here is kept, and goes home once the newer one is taken.
        </p>
      )}
      {trouble === "full" && (
        <p>
          <b className="font-semibold">This device is full.</b> What you change now is on this page only: free some
          space before you close it.
        </p>
      )}
      {refused > 0 && (
        <p>
          <b className="font-semibold">{refused === 1 ? "One thing was" : `${refused} things were`} not taken</b> when
          it came home.
        </p>
      )}
      {!away && others.length > 0 && (
        <p>
          {others.length === 1 ? "One thing waits" : `${others.length} things wait`} for{" "}
          {[...new Set(others)].join(" and ")} to sign in.
        </p>
      )}
      {newer && <p>A newer Draklo is here. It waits until you take it.</p>}
      <p className="flex gap-4">
        <Link to="/tablet" className="inline-flex items-center underline coarse:min-h-11">
          This device
        </Link>
        {newer && (
          <button type="button" className="underline coarse:min-h-11" onClick={takeUpdate}>
            Take it now
          </button>
        )}
      </p>
    </aside>
  );
}

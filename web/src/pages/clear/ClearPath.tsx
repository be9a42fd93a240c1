import { useClearing } from "../../state/feed";
import { useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { LinkCell } from "../sheet/LinkCell";

/** The load path of the chosen way, from the hands to the ground. */
export function ClearPath() {
  const chosen = useSheet((s) => s.document?.plan.clearing?.way);
  const way = useClearing((s) => s.analysis?.ways.find((w) => w.way === chosen));
  const old = useClearing((s) => Object.keys(s.problems).length > 0);
  const lit = useView((s) => s.link);
  if (!way || way.links.length === 0) return null;
  const weakest = way.links.find((l) => l.id === way.weakestLinkId);
  return (
    <section
      aria-label="Load path"
      className={`border-t border-ink bg-sheet px-4 pb-3 pt-2 ${old ? "old-figures" : ""}`}
    >
      <div className="mb-1.5 flex min-h-8 items-center gap-4 max-md:flex-wrap max-md:gap-y-0">
        <h2 className="font-tight text-sm font-semibold">Load path, hands to ground</h2>
        {weakest && (
          <p className="min-w-0 flex-1 truncate font-tight text-sm text-pencil">
            weakest: <span className="font-semibold text-ink">{weakest.name}</span>
          </p>
        )}
        <p className="font-tight text-sm text-pencil max-md:hidden">
          load to its careful end · mark at what each may carry
        </p>
      </div>
      <ol className="flex overflow-x-auto border border-ink">
        {way.links.map((link) => (
          <LinkCell
            key={link.id}
            link={link}
            weakest={link.id === weakest?.id}
            narrow={way.links.length > 12}
            lit={link.id === lit}
            onPick={pick}
            heaves={false}
          />
        ))}
      </ol>
    </section>
  );
}

function pick(id: string): void {
  const { link, set } = useView.getState();
  set({ link: link === id ? null : id });
}

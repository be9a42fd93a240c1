import { useState } from "react";
import { goTo } from "../../stations/registry";
import { storage } from "../../ui/storage";
import { Button } from "../../ui/controls";
import { useView } from "../../state/view";

const cards: { station: string; title: string; text: string }[] = [
  {
    station: "size",
    title: "Five measures, and a first answer",
    text: "Species, height, girth, lean, anchor, down the column on the right; Enter goes to the next. The row above says at once how it stands. What follows moves along, and a guess wears a dashed line until somebody measures it.",
  },
  {
    station: "walk",
    title: "Walk round it",
    text: "Tick what you have looked at, by name. The plan stays at “check” until every must is ticked; a power line stops it.",
  },
  {
    station: "lay",
    title: "Where it goes",
    text: "On the plan, drag the lay round and draw what stands about the tree. Hatched is where it falls; nobody stands inside the dashed lines.",
  },
  {
    station: "line",
    title: "The drawing is the instrument",
    text: "Take the seat and slide it up the stem, pull the anchor out: the force, the tackle and the verdict follow at once. Any number opens its sum.",
  },
  {
    station: "tackle",
    title: "What is on the truck",
    text: "Choose your own ropes and blocks from the locker; strength, age and inspections come along. The load path at the foot shows the weakest link.",
  },
  {
    station: "people",
    title: "Who, where, and the brief",
    text: "Name everybody, with a place on the plan. “Next”, up beside the verdict, leads from one open point to the one after, until it reads “ready on paper” or says what stands against it. Then “Brief” is one page for all, signed by each.",
  },
];

const seenKey = "draklo.guide";

export const guideSeen = (): boolean => storage.read(seenKey) === "seen";

/** A few cards over the real screen, for the first job; each opens the step that it speaks of. */
export function Guide() {
  const shown = useView((s) => s.guide);
  const [at, setAt] = useState(0);
  const card = cards[at];
  if (!shown || !card) return null;
  const leave = () => {
    storage.write(seenKey, "seen");
    useView.getState().set({ guide: false });
    setAt(0);
  };
  const step = (to: number) => {
    const next = cards[to];
    if (!next) {
      leave();
      return;
    }
    setAt(to);
    goTo(next.station);
  };
  return (
    <section
      role="dialog"
      aria-label="First job"
      aria-modal={false}
      className="fixed bottom-[196px] left-[160px] z-20 w-[360px] border-2 border-ink bg-sheet p-4 max-lg:bottom-16 max-lg:left-2 max-lg:right-2 max-lg:w-auto"
      data-guide={at + 1}
    >
      <p className="font-tight text-[13px] text-pencil">
        {at + 1} of {cards.length}
      </p>
      <h2 className="font-tight text-lg font-semibold">{card.title}</h2>
      <p className="mt-1 leading-snug">{card.text}</p>
      <div className="mt-3 flex gap-2">
        <Button
          strong
          onClick={() => {
            step(at + 1);
          }}
        >
          {at + 1 < cards.length ? "Next" : "Begin"}
        </Button>
        {at > 0 && (
          <Button
            onClick={() => {
              step(at - 1);
            }}
          >
            Before
          </Button>
        )}
        <Button className="ml-auto" onClick={leave}>
          Skip
        </Button>
      </div>
    </section>
  );
}

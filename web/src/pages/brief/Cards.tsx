import type { Brief } from "../../api/types";
import { roleName } from "../../state/roles";

/** A card for a role: where to stand, what to watch, when to shout. */
export function Card({ card }: { card: Brief["cards"][number] }) {
  return (
    <section className="break-inside-avoid border-2 border-ink p-3" data-card={card.role}>
      <h3 className="font-tight text-xl font-semibold leading-tight">{roleName(card.role)}</h3>
      <p className="text-[14px]">{card.names.join(", ")}</p>
      {(
        [
          // A page issued before had none.
          ["In this order", (card.order as string | undefined) === undefined ? [] : [card.order]],
          ["Stand", card.stand],
          ["Watch", card.watch],
          ["Shout", card.shout],
        ] as const
      ).map(([title, lines]) => (
        <div key={title} className="mt-2 border-t border-ink pt-0.5">
          <h4 className="font-tight text-[15px] font-semibold">{title}</h4>
          <ul className="text-[15px] leading-snug">
            {lines.map((l) => (
              <li key={l} className="py-px">
                {l}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

interface CardsProps {
  brief: Brief;
  /** Whose card comes alone; nobody's shows all of them. */
  name: string;
  onName: (name: string) => void;
}

/** One's own card on the phone, chosen once. */
export function Cards({ brief, name, onName }: CardsProps) {
  const own = brief.cards.filter((c) => c.names.includes(name));
  const all = own.length > 0 ? own : brief.cards;
  if (brief.cards.length === 0) return null;
  return (
    <section aria-label="Cards" className="no-print mt-5">
      <h2 className="font-tight text-lg font-semibold">Whose card</h2>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {brief.people.map((p) => (
          <button
            key={p.name}
            type="button"
            aria-pressed={p.name === name}
            className={`min-h-11 border border-ink px-3 font-tight text-[15px] font-medium ${p.name === name ? "bg-ink text-sheet" : "bg-sheet"}`}
            onClick={() => {
              onName(p.name === name ? "" : p.name);
            }}
          >
            {p.name}
          </button>
        ))}
      </div>
      <div className="mt-2 grid gap-3">
        {all.map((c) => (
          <Card key={c.role} card={c} />
        ))}
      </div>
    </section>
  );
}

/** Steps to be put in order, one up or down at a time. */
export function OrderList({
  texts,
  order,
  onChange,
  fixed,
}: {
  texts: string[];
  order: number[];
  onChange: (order: number[]) => void;
  fixed: boolean;
}) {
  const move = (at: number, by: number) => {
    const to = at + by;
    if (to < 0 || to >= order.length) return;
    const next = [...order];
    const [taken] = next.splice(at, 1);
    if (taken !== undefined) next.splice(to, 0, taken);
    onChange(next);
  };
  return (
    <ol>
      {order.map((index, at) => (
        <li key={index} data-order={index} className="flex items-center gap-3 border-b border-rule py-1.5">
          <span className="w-5 font-tight font-semibold">{at + 1}</span>
          <span className="min-w-0 flex-1 text-sm leading-snug">{texts[index]}</span>
          {!fixed &&
            ([-1, 1] as const).map((by) => (
              <button
                key={by}
                type="button"
                aria-label={`Step ${at + 1} ${by < 0 ? "up" : "down"}`}
                disabled={by < 0 ? at === 0 : at === order.length - 1}
                onClick={() => {
                  move(at, by);
                }}
                className="min-h-11 w-11 border border-ink bg-paper font-tight disabled:opacity-30"
              >
                {by < 0 ? "↑" : "↓"}
              </button>
            ))}
        </li>
      ))}
    </ol>
  );
}

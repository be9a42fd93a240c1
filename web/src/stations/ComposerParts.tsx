import type { PathOf } from "../state/memberPath";
import type { Catalogue, Composed, Line } from "../api/types";

export interface PartProps {
  path: PathOf<Line["tackle"]>;
  own: Composed;
  catalogue: Catalogue;
  put: (next: Composed) => void;
}

export function Small({
  children,
  label,
  ...rest
}: {
  children: string;
  label: string;
  onClick: () => void;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      title={label}
      className="min-h-7 px-1 font-tight text-[13px] underline underline-offset-2 disabled:opacity-40"
      {...rest}
    >
      {children}
    </button>
  );
}

export function contactOptions(catalogue: Catalogue) {
  return catalogue.contacts.map((c) => ({
    value: c.id,
    name: c.name,
    note: `passes ${Math.round(c.nominal * 100)} %`,
  }));
}

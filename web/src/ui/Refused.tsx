interface RefusedProps {
  /** The sentence; nothing is shown without one. */
  children: string | null | undefined;
  id?: string;
}

/** Why a field or a form was not taken, under it. */
export function Refused({ children, id }: RefusedProps) {
  return children ? (
    <p id={id} role="alert" className="mt-1 border-l-4 border-ink pl-2 text-[13px] leading-snug">
      {children}
    </p>
  ) : null;
}

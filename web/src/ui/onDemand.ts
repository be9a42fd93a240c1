import { useRef, useState, type KeyboardEvent } from "react";

/** Parts that are fetched when somebody first reaches for them. */
export interface OnDemand<T> {
  /** Undefined until they are here. */
  parts: () => T | undefined;
  fetch: () => Promise<T>;
}

export function onDemand<T>(load: () => Promise<T>): OnDemand<T> {
  let parts: T | undefined;
  let coming: Promise<T> | undefined;
  return {
    parts: () => parts,
    fetch: () =>
      (coming ??= load().then(
        (loaded) => (parts = loaded),
        (error: unknown) => {
          // The next hand that reaches for them tries again.
          coming = undefined;
          throw error;
        },
      )),
  };
}

/**
 * A control that is drawn plainly until somebody opens it: the parts it opens with come then, and take its place and its
 * focus. A hand that comes near has them fetched.
 */
export function useOnDemand<T, E extends HTMLElement>(source: OnDemand<T>) {
  const [parts, setParts] = useState(source.parts);
  const plain = useRef<E | null>(null);
  const [before, setBefore] = useState({ focused: false, opened: false });
  const near = (): void => {
    source.fetch().catch(() => undefined);
  };
  const open = (): void => {
    source.fetch().then(
      (loaded) => {
        setBefore({ focused: plain.current !== null && plain.current === document.activeElement, opened: true });
        setParts(() => loaded);
      },
      () => undefined,
    );
  };
  const openByKey = (event: KeyboardEvent): void => {
    if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
    event.preventDefault();
    open();
  };
  return { parts, plain, before, near, open, openByKey };
}

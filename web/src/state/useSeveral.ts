import { useState } from "react";
import { sayWhy } from "../api/client";
import type { Done } from "../ui/SeveralBar";

/** Choosing several entries of a list, and doing one thing to all of them, one after the other. */
export function useSeveral<T>(idOf: (entry: T) => string, nameOf: (entry: T) => string) {
  const [chosen, setChosen] = useState<ReadonlyMap<string, T> | null>(null);
  const [last, setLast] = useState<Done | null>(null);
  const [busy, setBusy] = useState(false);

  /** Whatever is refused stays chosen and is named with its reason; the others go through all the same. */
  async function each(what: string, act: (entry: T) => Promise<unknown>): Promise<void> {
    setBusy(true);
    const failed: Done["failed"] = [];
    const left = new Map<string, T>();
    let done = 0;
    for (const [id, entry] of chosen ?? []) {
      try {
        await act(entry);
        done++;
      } catch (error) {
        failed.push({ name: nameOf(entry), why: sayWhy(error) });
        left.set(id, entry);
      }
    }
    setLast({ done, what, failed });
    setChosen(failed.length > 0 ? left : new Map());
    setBusy(false);
  }

  return {
    /** Null while single entries are opened, as usual. */
    chosen,
    last,
    busy,
    each,
    begin: () => {
      setLast(null);
      setChosen(new Map());
    },
    end: () => {
      setLast(null);
      setChosen(null);
    },
    toggle: (entry: T) => {
      setChosen((before) => {
        const next = new Map(before);
        if (!next.delete(idOf(entry))) next.set(idOf(entry), entry);
        return next;
      });
    },
    all: (entries: readonly T[]) => {
      setChosen(new Map(entries.map((e) => [idOf(e), e])));
    },
  };
}

/** `id=a&id=b`, as the server takes several ids. */
export const idsAsked = (ids: Iterable<string>): string =>
  [...ids].map((id) => `id=${encodeURIComponent(id)}`).join("&");

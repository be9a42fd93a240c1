import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api } from "../api/client";
import type { TodayKit } from "../api/types";
import { today } from "./words";

interface Kit {
  /** Pieces on the truck today; none while nobody has chosen them today. */
  items: ReadonlySet<string>;
  /** What was on the truck the last time, when that was another day. */
  before: TodayKit | undefined;
  choose: (items: string[]) => void;
  failed: unknown;
}

/** Today's kit: chosen once a day, offered first everywhere. */
export function useKit(): Kit {
  const queries = useQueryClient();
  const kits = useQuery({ queryKey: ["kits"], queryFn: api.kits, staleTime: 30_000, retry: false });
  const keep = useMutation({
    mutationFn: (items: string[]) => api.keepKit({ id: "today", on: today(), items }),
    onMutate: (items) => {
      queries.setQueryData(["kits"], [{ id: "today", on: today(), items }]);
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ["kits"] }),
  });
  const kit = kits.data?.[0];
  const current = kit?.on === today();
  return {
    items: new Set(current ? kit.items : []),
    before: current ? undefined : kit,
    choose: (items) => {
      keep.mutate(items);
    },
    failed: keep.error,
  };
}

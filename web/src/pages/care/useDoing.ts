import { useMutation, useQueryClient } from "@tanstack/react-query";
import { sayWhy } from "../../api/client";

/** Something to do at a button's press; whatever is shown of the data folder is read again afterwards. */
export function useDoing<A, T>(what: (argument: A) => Promise<T>) {
  const queries = useQueryClient();
  const doing = useMutation({ mutationFn: what, onSettled: () => queries.invalidateQueries() });
  return {
    run: doing.mutate as (argument: A) => void,
    busy: doing.isPending,
    done: doing.data,
    problem: doing.isError ? sayWhy(doing.error) : null,
  };
}

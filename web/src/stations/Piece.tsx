import type { MemberPath, OwnerOf } from "../state/memberPath";
import { useStarts } from "../state/starts";
import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import { useKit } from "../state/useKit";
import { useSheet } from "../state/store";
import { Search } from "../ui/Choice";
import { useSettings } from "../ui/settings";
import { figure, written } from "../units/units";
import { useMember, useProblem } from "./fields";
import { fits, hung, kindsAt, unhung, type Place } from "./hang";

/** The crew's gear, asked for once while a sheet is open. */
export function useLocker() {
  const units = useSettings((s) => s.units);
  return useQuery({ queryKey: ["locker", units], queryFn: () => api.locker(units), staleTime: 30_000, retry: false });
}

interface PieceProps {
  /** The group of the plan that the piece stands for. */
  path: OwnerOf<"itemId" | "hardwareItemId">;
  place: Place;
  label?: string;
}

/** Which piece of the locker hangs here. Taking one copies its figures into the plan. */
export function Piece({ path, place, label = "From the locker" }: PieceProps) {
  const units = useSettings((s) => s.units);
  const locker = useLocker();
  const kit = useKit();
  const edit = useSheet((s) => s.edit);
  const starts = useStarts();
  const member = place === "blocks" || place === "redirectBlock" ? "hardwareItemId" : "itemId";
  const item = useMember(`${path}.${member}` as MemberPath) as string | undefined;
  const problem = useProblem(path);
  const all = locker.data?.items.filter((e) => kindsAt[place].includes(e.item.kind)) ?? [];
  if (locker.isError)
    return (
      <p role="alert" className="text-[13px]">
        The locker cannot be read: Draklo does not answer.
      </p>
    );
  const options = [
    { value: "", name: "no piece", note: "figures as put in below" },
    ...onTruckFirst(all, kit.items)
      .filter((e) => e.item.state === "inService" || e.item.id === item)
      .map((e) => ({
        value: e.item.id,
        name: e.item.name,
        note: [
          kit.items.has(e.item.id) ? "on the truck today" : "",
          e.item.state === "inService" ? "" : e.item.state === "retired" ? "RETIRED" : "QUARANTINED",
          e.strength.newtons === undefined
            ? "strength not known: give it in the locker"
            : `${e.strength.source === "estimate" ? "about " : ""}${written(e.strength.newtons, "force", units)}`,
          e.item.lengthM === undefined ? "" : written(e.item.lengthM, "length", units),
          e.item.diameterM === undefined
            ? ""
            : `${figure(e.item.diameterM, "rope", units)} ${units === "us" ? "in" : "mm"}`,
          e.item.marks ?? "",
          ...e.flags.map((f) => f.text),
        ]
          .filter((t) => t !== "")
          .join(" · "),
      })),
  ];

  function choose(id: string): void {
    if (id === "") {
      edit((d) => ({ ...d, plan: unhung(d.plan, path, place) }));
      return;
    }
    const entry = all.find((e) => e.item.id === id);
    if (entry && fits(entry, place)) edit((d) => ({ ...d, plan: hung(d.plan, path, place, entry, starts) }));
  }

  return (
    <Search
      label={label}
      value={item ?? ""}
      options={
        item !== undefined && !options.some((o) => o.value === item)
          ? [...options, { value: item, name: locker.data ? `${item}, not in this locker` : "looking in the locker" }]
          : options
      }
      onChange={choose}
      problem={problem}
      none={all.length === 0 ? "None of this kind in the locker yet." : "None of that name in the locker."}
    />
  );
}

/** Pieces on the truck before those in the yard. */
function onTruckFirst<T extends { item: { id: string } }>(entries: T[], truck: ReadonlySet<string>): T[] {
  return [...entries.filter((e) => truck.has(e.item.id)), ...entries.filter((e) => !truck.has(e.item.id))];
}

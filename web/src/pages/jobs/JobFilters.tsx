import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api } from "../../api/client";
import type { JobAsk } from "../../api/types";
import { Choice } from "../../ui/Choice";
import { stageNames } from "../log/words";

/** What the list first shows: everything that is not over yet, the soonest first. */
export const firstAsk: JobAsk = { text: "", stage: "open", species: "", place: "", crew: "", sort: "day" };

/** Whether anything but the stage narrows the list. */
export const isNarrowed = (asked: JobAsk): boolean =>
  asked.text !== "" ||
  asked.species !== "" ||
  asked.place !== "" ||
  asked.crew !== "" ||
  !["", "open"].includes(asked.stage);

const stages = [
  { value: "open", name: "open jobs" },
  { value: "", name: "all jobs" },
  ...Object.entries(stageNames).map(([value, name]) => ({ value, name })),
];

const sorts = [
  { value: "day", name: "soonest first" },
  { value: "latest", name: "latest first" },
  { value: "name", name: "by name" },
  { value: "place", name: "by place" },
  { value: "species", name: "by species" },
  { value: "stage", name: "by stage" },
];

/** Search, filters and order of the job list. */
export function JobFilters({
  asked,
  total,
  onChange,
}: {
  asked: JobAsk;
  total: number;
  onChange: (asked: JobAsk) => void;
}) {
  const names = useQuery({ queryKey: ["job-names"], queryFn: api.jobNames });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const [text, setText] = useState(asked.text);
  useEffect(() => {
    if (text === asked.text) return;
    const soon = setTimeout(() => {
      onChange({ ...asked, text });
    }, 250);
    return () => {
      clearTimeout(soon);
    };
  }, [text, asked, onChange]);
  const all = (name: string, of: string[] | undefined, called: (v: string) => string = (v) => v) => [
    { value: "", name },
    ...(of ?? []).map((value) => ({ value, name: called(value) })),
  ];
  const species = (id: string) => catalogue.data?.species.find((s) => s.species.id === id)?.species.name ?? id;
  return (
    <div
      role="search"
      aria-label="Jobs"
      className="mt-2 grid grid-cols-[minmax(160px,1.3fr)_repeat(5,minmax(0,1fr))] gap-x-5 max-lg:grid-cols-3 max-sm:grid-cols-2"
    >
      <input
        type="search"
        aria-label="Search jobs"
        placeholder="name, place, person"
        value={text}
        maxLength={200}
        onChange={(e) => {
          setText(e.target.value);
        }}
        className="min-h-9 border-b border-pencil bg-transparent font-tight text-[15px] outline-none placeholder:text-pencil focus:bg-tint"
      />
      <Choice
        label="Stage"
        value={asked.stage}
        options={stages}
        onChange={(stage) => {
          onChange({ ...asked, stage });
        }}
      />
      <Choice
        label="Species"
        value={asked.species}
        options={all("any", names.data?.species, species)}
        onChange={(v) => {
          onChange({ ...asked, species: v });
        }}
      />
      <Choice
        label="Place"
        value={asked.place}
        options={all("any", names.data?.places)}
        onChange={(place) => {
          onChange({ ...asked, place });
        }}
      />
      <Choice
        label="Crew"
        value={asked.crew}
        options={all("any", names.data?.crew)}
        onChange={(crew) => {
          onChange({ ...asked, crew });
        }}
      />
      <Choice
        label="Order"
        value={asked.sort}
        options={sorts}
        onChange={(sort) => {
          onChange({ ...asked, sort });
        }}
      />
      <p role="status" data-total={total} className="col-span-full text-[13px] text-pencil">
        {total === 1 ? "1 job" : `${total} jobs`}
      </p>
    </div>
  );
}

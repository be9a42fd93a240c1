import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { PracticeRecord } from "../../api/types";
import { topicNames } from "./words";

/** One's own record by topic, and everybody's for whoever gives the roles. */
export function Records({ person, mine }: { person: string; mine: PracticeRecord | undefined }) {
  const all = useQuery({ queryKey: ["practice-records"], queryFn: api.practiceRecords });
  return (
    <aside aria-label="Records" className="max-md:mt-2">
      {mine && person !== "" && (
        <section aria-label="Your record">
          <h2 className="border-b border-ink font-tight text-sm font-semibold">{person}</h2>
          {mine.topics.map((t) => (
            <p
              key={t.topic}
              data-record={t.topic}
              className="flex items-center gap-2 border-b border-rule py-1 text-[13px]"
            >
              <span className="min-w-0 flex-1 truncate">{topicNames[t.topic]}</span>
              <Bar share={t.recent} />
              <span className="w-9 text-right font-tight tabular-nums text-pencil">
                {t.answered === 0 ? "–" : `${t.answered} ×`}
              </span>
            </p>
          ))}
        </section>
      )}
      <section aria-label="The crew" className="mt-5">
        <h2 className="border-b border-ink font-tight text-sm font-semibold">The crew, before roles are given</h2>
        {all.data?.length === 0 && <p className="text-[13px] text-pencil">Nobody has practised yet.</p>}
        {all.data?.map((r) => {
          const tried = r.topics.filter((t) => t.recent !== undefined);
          const share = tried.reduce((sum, t) => sum + (t.recent ?? 0), 0) / Math.max(1, tried.length);
          return (
            <p
              key={r.person}
              data-person={r.person}
              className="flex items-center gap-2 border-b border-rule py-1 text-[13px]"
            >
              <span className="min-w-0 flex-1 truncate">
                {r.person}
                <span className="text-pencil">
                  , {tried.length} of {r.topics.length} topics
                </span>
              </span>
              <Bar share={share} />
              <span className="w-9 text-right font-tight tabular-nums">{Math.round(share * 100)} %</span>
            </p>
          );
        })}
      </section>
    </aside>
  );
}

function Bar({ share }: { share: number | undefined }) {
  return (
    <span aria-hidden className="block h-3 w-[72px] border border-ink bg-sheet">
      {share !== undefined && <span className="block h-full bg-ink" style={{ width: `${Math.round(share * 100)}%` }} />}
    </span>
  );
}

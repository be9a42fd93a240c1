import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams } from "react-router";
import { api } from "../../api/client";
import { momentOf } from "../../state/words";
import { BriefBar, NoBrief } from "./BriefPage";
import { PageSheet } from "./PageSheet";

/** A brief as it was issued, whatever the plan says since. */
export function IssuedPage() {
  const { id = "", number = "" } = useParams();
  const issued = useQuery({
    queryKey: ["issued", id, number],
    queryFn: () => api.issuedBrief(id, Number(number)),
    staleTime: Infinity,
    retry: false,
  });
  useEffect(() => {
    document.title = `Brief ${number} · Draklo`;
  }, [number]);
  return (
    <div className="min-h-full">
      <BriefBar jobId={id} />
      {issued.error && <NoBrief jobId={id} error={issued.error} />}
      {issued.data && (
        <main className="on-paper brief-page mx-auto my-4 max-w-[800px] border border-rule p-5 max-md:m-0 max-md:border-0">
          <PageSheet
            page={issued.data.page}
            jobId={id}
            standing={`Brief ${number}, issued by ${issued.data.issued.issuedBy}, ${momentOf(issued.data.issued.issuedAt)}`}
            issued
          />
        </main>
      )}
    </div>
  );
}

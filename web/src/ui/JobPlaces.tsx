import { Link } from "react-router";

/** The places of a job, by their address under it. */
export const places = [
  ["", "Plan"],
  ["brief", "Brief"],
  ["day", "Day"],
  ["clear", "Clear"],
  ["log", "Log"],
] as const;

export type JobPlace = (typeof places)[number][0];

interface JobPlacesProps {
  jobId: string;
  /** The one that is shown; none on a page beside them. */
  here?: JobPlace;
  className?: string;
}

/** The five places of a job as one bar, the same on each of them. */
export function JobPlaces({ jobId, here, className = "" }: JobPlacesProps) {
  return (
    <nav aria-label="This job" className={`flex border border-ink ${className}`} data-places>
      {places.map(([to, name]) => (
        <Link
          key={to}
          to={`/jobs/${jobId}${to && `/${to}`}`}
          aria-current={to === here ? "page" : undefined}
          className={`flex min-h-[34px] flex-1 items-center justify-center border-l border-ink px-3 font-tight text-sm font-medium first:border-l-0 max-sm:px-1 ${
            to === here ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"
          }`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

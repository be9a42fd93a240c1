import { useState } from "react";
import type { Plan } from "../api/types";
import { useFeed } from "../state/feed";
import { setMember } from "../state/store";
import { Button } from "../ui/controls";
import { NameAndBecause } from "../ui/NameAndBecause";
import { Group, Member, useProblem } from "./fields";
import { Refused } from "../ui/Refused";

/** The faller's ways out: each can be turned, and one given up by name. */
export function EscapeRoutes({ plan }: { plan: Plan }) {
  const found = useFeed((s) => s.analysis?.site.retreats);
  const wrong = useProblem("site.escapeRoutes");
  const own = plan.site.escapeRoutes;
  if (own.length === 0) {
    return (
      <Group title="Escape routes">
        <div className="flex items-center gap-2 py-1">
          <p className="flex-1 font-tight text-sm">135° either side of the lay</p>
          <Button
            onClick={() => {
              setMember(
                "site.escapeRoutes",
                [135, 225].map((off) => ({ bearingDeg: (plan.lay.bearingDeg + off) % 360 })),
              );
            }}
          >
            Move them
          </Button>
        </div>
      </Group>
    );
  }
  return (
    <Group title="Escape routes">
      {own.map((route, i) => (
        <div key={i} className="border-b border-rule pb-1">
          <Member path={`site.escapeRoutes[${i}].bearingDeg`} of={`route ${i + 1}`} />
          <p className="text-xs text-pencil">
            {route.givenUpBy === undefined
              ? found?.[i]?.clear === false
                ? `Blocked by ${found[i].blockedBy ?? "something"}.`
                : "Clear on the plan; walk it."
              : `Given up by ${route.givenUpBy}${route.because === undefined ? "" : `: ${route.because}`}`}
          </p>
          <GiveUp index={i} route={route} />
        </div>
      ))}
      <Refused>{wrong}</Refused>
      <Button
        className="mt-1"
        onClick={() => {
          setMember("site.escapeRoutes", []);
        }}
      >
        Back to 135° either side
      </Button>
    </Group>
  );
}

function GiveUp({ index, route }: { index: number; route: Plan["site"]["escapeRoutes"][number] }) {
  const path = `site.escapeRoutes[${index}]` as const;
  const [open, setOpen] = useState(false);
  if (route.givenUpBy !== undefined || !open) {
    return (
      <button
        type="button"
        className="min-h-6 text-xs underline"
        onClick={() => {
          if (route.givenUpBy === undefined) setOpen(true);
          else setMember(path, { bearingDeg: route.bearingDeg });
        }}
      >
        {route.givenUpBy === undefined ? `Give route ${index + 1} up` : "Keep it after all"}
      </button>
    );
  }
  return (
    <NameAndBecause
      button="Give it up"
      onDone={(givenUpBy, because) => {
        setMember(path, { bearingDeg: route.bearingDeg, givenUpBy, because });
        setOpen(false);
      }}
      onLeave={() => {
        setOpen(false);
      }}
    />
  );
}

import { useShallow } from "zustand/react/shallow";
import { JobFiles } from "./JobFiles";
import { Revisions } from "./Revisions";
import { useSheet } from "../../state/store";
import { useSaving } from "../../state/autosave";
import { useHands } from "../../state/hands";
import { useView } from "../../state/view";
import { Button } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { TextField } from "../../ui/TextField";
import { useSettings } from "../../ui/settings";
import { dayOf } from "../../state/words";
import { Refused } from "../../ui/Refused";

/** The job's name, place and day; opens to be changed. */
export function JobTitle() {
  const document = useSheet(
    useShallow((s) =>
      s.document ? { name: s.document.name, place: s.document.place, plannedOn: s.document.plannedOn } : null,
    ),
  );
  const edit = useSheet((s) => s.edit);
  const { state, revision } = useSaving();
  const sun = useSettings((s) => s.sun);
  const setSun = useSettings((s) => s.setSun);
  const open = useView((s) => s.dialog === "job");
  const setOpen = (on: boolean) => {
    useView.getState().set({ dialog: on ? "job" : null });
  };
  if (!document) return null;
  const saved = {
    saved: `saved, revision ${revision}`,
    saving: "saving",
    offline: "not saved yet",
    refused: "not saved",
    conflict: "saved elsewhere too",
  }[state.kind];
  return (
    <>
      <button
        type="button"
        onClick={() => {
          setOpen(true);
        }}
        className="min-w-0 max-w-[310px] text-left hover:underline max-md:flex-1"
        title="Name, place and day"
      >
        <span className="flex items-baseline gap-2">
          <span className="truncate font-tight text-[17px] font-semibold leading-tight">{document.name}</span>
          <Others />
        </span>
        <span className="block truncate text-[13px] text-pencil">
          {document.place || "no place"} · {dayOf(document.plannedOn)} ·{" "}
          <span
            data-save={state.kind}
            className={state.kind === "saved" || state.kind === "saving" ? "" : "font-semibold text-ink"}
          >
            {saved}
          </span>
        </span>
      </button>
      {open && (
        <Modal
          title="This job"
          onClose={() => {
            setOpen(false);
          }}
        >
          <TextField
            label="Name"
            value={document.name}
            problem={document.name.trim() === "" ? "Give the job a name." : undefined}
            onChange={(name) => {
              edit((d) => ({ ...d, name }), "job-name");
            }}
          />
          <TextField
            label="Place"
            value={document.place}
            onChange={(place) => {
              edit((d) => ({ ...d, place }), "job-place");
            }}
          />
          <TextField
            label="Day"
            type="date"
            value={document.plannedOn ?? ""}
            onChange={(day) => {
              edit((d) => ({ ...d, plannedOn: day === "" ? undefined : day }), "job-day");
            }}
          />
          <JobFiles />
          <Revisions />
          {state.kind === "refused" && <Refused>{state.text}</Refused>}
          <div className="mt-4 flex justify-between gap-2">
            <Button
              onClick={() => {
                setSun(!sun);
              }}
              aria-pressed={sun}
            >
              {sun ? "Leave the sun theme" : "Theme for bright sun"}
            </Button>
            <Button
              strong
              onClick={() => {
                setOpen(false);
              }}
            >
              Done
            </Button>
          </div>
        </Modal>
      )}
    </>
  );
}

/** Who else has this job open. */
function Others() {
  const names = useHands((s) => s.names);
  if (names.length === 0) return null;
  return (
    <span
      data-others={names.length}
      title={names.join(", ")}
      className="max-w-[55%] shrink-0 truncate border border-ink px-1.5 font-tight text-[12px] font-medium"
    >
      with {names[0]}
      {names.length > 1 ? ` and ${names.length - 1} more` : ""}
    </span>
  );
}

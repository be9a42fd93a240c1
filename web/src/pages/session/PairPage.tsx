import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, Refusal, sayWhy } from "../../api/client";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { jobOfDraft, left, useShelf } from "../../ui/shelf";
import { TextField } from "../../ui/TextField";

/** Lets this device in by the code that the laptop shows. */
export function PairPage({ forgotten = false, onPaired }: { forgotten?: boolean; onPaired: () => void }) {
  const navigate = useNavigate();
  const [code, setCode] = useState(window.location.hash.slice(1));
  const [device, setDevice] = useState("");
  const pair = useMutation({
    mutationFn: () => api.pair(code, device),
    onSuccess: () => {
      void navigate("/", { replace: true });
      onPaired();
    },
  });
  const errors = pair.error instanceof Refusal ? pair.error.errors : {};
  return (
    <main className="mx-auto max-w-[420px] p-6">
      <p className="font-tight text-lg font-semibold tracking-[0.14em]">DRAKLO</p>
      <h1 className="mt-4 font-tight text-2xl font-semibold">Let this device in</h1>
      {forgotten && <Forgotten />}
      <p className="mt-1 leading-snug">
        At the laptop, on the page Sharing, the lead makes a code. It holds ten minutes.
      </p>
      <form
        className="mt-4 space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          pair.mutate();
        }}
      >
        <TextField label="Code" value={code} onChange={setCode} problem={errors["code"]?.[0]} />
        <TextField
          label="What this device is called"
          value={device}
          onChange={setDevice}
          problem={errors["device"]?.[0]}
        />
        <Refused>{pair.isError && Object.keys(errors).length === 0 ? sayWhy(pair.error) : null}</Refused>
        <Button strong type="submit" className="min-h-11 w-full" disabled={code.trim() === "" || pair.isPending}>
          Let it in
        </Button>
      </form>
    </main>
  );
}

/** What became of this device, and what that does not protect from. */
function Forgotten() {
  const waiting = useShelf((s) => s.waiting.length);
  const things = waiting + jobsLeft();
  return (
    <div className="mt-2 border-l-4 border-held bg-sheet px-3 py-2 text-[15px] leading-snug" data-forgotten>
      <p>
        <b className="font-semibold">The yard forgot this device.</b> The jobs, briefs and pictures that the yard has
        too are deleted here.{" "}
        {things === 0
          ? "Nothing waited to go home."
          : `${things === 1 ? "One thing waits" : `${things} things wait`} to go home: locked until this device is let in again and whoever did it signs in.`}
      </p>
      <p className="mt-1 text-[13px] text-pencil">
        That keeps nobody out who had the device before it heard of this, or who reads the browser’s own files: nothing
        here is encrypted. A device that was lost should be locked and erased by its own maker’s means too.
      </p>
    </div>
  );
}

/** Jobs of which a change, a step of the day or a log is left here. */
const jobsLeft = (): number =>
  new Set((["draft", "day", "log"] as const).flatMap((what) => left.jobs(what).map(jobOfDraft))).size;

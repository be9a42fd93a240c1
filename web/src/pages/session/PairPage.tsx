import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, Refusal, sayWhy } from "../../api/client";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { TextField } from "../../ui/TextField";

/** Lets this device in by the code that the laptop shows. */
export function PairPage({ onPaired }: { onPaired: () => void }) {
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

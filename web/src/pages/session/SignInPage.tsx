import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refusal, sayWhy } from "../../api/client";
import { Button } from "../../ui/controls";
import { PinField } from "../../ui/PinField";
import { Refused } from "../../ui/Refused";

/** Who works at this device today. */
export function SignInPage({ onSignedIn }: { onSignedIn: () => void }) {
  const [person, setPerson] = useState<string | null>(null);
  const [pin, setPin] = useState("");
  const people = useQuery({ queryKey: ["to-sign-in"], queryFn: api.peopleToSignIn, retry: false });
  const signIn = useMutation({
    mutationFn: () => api.signIn(person ?? "", pin),
    onSuccess: onSignedIn,
    onError: () => {
      setPin("");
    },
  });
  const problem = signIn.error instanceof Refusal ? sayWhy(signIn.error) : undefined;
  const name = people.data?.find((p) => p.id === person)?.name ?? "";
  return (
    <main className="mx-auto max-w-[420px] p-6">
      <p className="font-tight text-lg font-semibold tracking-[0.14em]">DRAKLO</p>
      <h1 className="mt-4 font-tight text-2xl font-semibold">Who are you?</h1>
      <p className="mt-1 leading-snug">
        You stay signed in on this device for a working day. What you do is kept under your name.
      </p>
      <div role="group" aria-label="People" className="mt-3 grid grid-cols-2 gap-2">
        {people.data?.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={p.id === person}
            className={`min-h-12 border border-ink px-3 text-left font-tight text-[17px] font-medium ${p.id === person ? "bg-ink text-sheet" : "bg-sheet"}`}
            onClick={() => {
              setPerson(p.id);
              setPin("");
              signIn.reset();
            }}
          >
            {p.name}
          </button>
        ))}
      </div>
      {people.data?.length === 0 && (
        <p className="mt-3">Nobody has a PIN yet: at the laptop, on the page Crew, each person sets one.</p>
      )}
      <Refused>{people.isError ? sayWhy(people.error) : null}</Refused>
      {person !== null && (
        <form
          className="mt-4 space-y-3"
          onSubmit={(event) => {
            event.preventDefault();
            signIn.mutate();
          }}
        >
          <PinField label={`PIN of ${name}`} value={pin} onChange={setPin} problem={problem} />
          <Button strong type="submit" className="min-h-11 w-full" disabled={pin === "" || signIn.isPending}>
            Sign in as {name}
          </Button>
        </form>
      )}
    </main>
  );
}

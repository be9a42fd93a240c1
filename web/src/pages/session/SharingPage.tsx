import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, sayWhy } from "../../api/client";
import type { LetInCode, Sharing } from "../../api/types";
import { momentOf, timeOf } from "../../state/words";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { Choice } from "../../ui/Choice";
import { useSettings } from "../../ui/settings";
import { TopBar } from "../../ui/TopBar";

const mayDo: [role: string, words: string][] = [
  ["lead", "everything, as at this machine"],
  ["faller", "plans, the day, signing, logs, gear and its inspections"],
  ["hauler", "read, try out, sign, tick gear, take part in the day"],
  ["learner", "read, try out, sign"],
  ["guest", "read the brief of one job"],
];

/** Who comes in from the crew's devices, and how. */
export function SharingPage() {
  const sharing = useQuery({ queryKey: ["sharing"], queryFn: api.sharing, refetchInterval: 5000, retry: false });
  useEffect(() => {
    document.title = "Sharing · Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto max-w-[980px] px-6 py-5 max-sm:px-3">
        <h1 className="font-tight text-2xl font-semibold">Sharing with the crew</h1>
        {sharing.isError && <p role="alert">{sayWhy(sharing.error)}</p>}
        {sharing.data && (sharing.data.on ? <Shared sharing={sharing.data} /> : <NotShared />)}
      </main>
    </div>
  );
}

function NotShared() {
  return (
    <p className="mt-2 max-w-[64ch] leading-relaxed">
      Draklo is open to this machine alone. To let the crew’s phones and tablets in over the same network, stop it and
      start it with <code className="border border-rule bg-sheet px-1">./start --share</code>. Nobody comes in without a
      code from this page, and then signs in with a PIN.
    </p>
  );
}

function Shared({ sharing }: { sharing: Sharing }) {
  const queries = useQueryClient();
  const units = useSettings((s) => s.units);
  const [guestOf, setGuestOf] = useState("");
  const jobs = useQuery({
    queryKey: ["jobs-to-brief", units],
    queryFn: () => api.jobs(units, 0, 100, { stage: "open" }),
  });
  const code = useMutation({ mutationFn: () => (guestOf === "" ? api.makeCode() : api.makeCode(guestOf)) });
  const fresh = () => queries.invalidateQueries({ queryKey: ["sharing"] });
  const end = useMutation({ mutationFn: api.endSession, onSuccess: fresh });
  const forget = useMutation({ mutationFn: api.forgetDevice, onSuccess: fresh });
  return (
    <>
      {sharing.withDemoPin.length > 0 && (
        <p className="mt-3 max-w-[72ch] border-l-4 border-held bg-sheet px-3 py-2 leading-snug" data-demo-pins>
          <b className="font-semibold">{sharing.withDemoPin.join(", ")}</b> still{" "}
          {sharing.withDemoPin.length === 1 ? "has" : "have"} the demo’s PIN, which everybody can read. Nobody signs in
          or signs by it while Draklo is shared:{" "}
          <Link to="/crew" className="underline">
            change it in the crew’s book
          </Link>
          .
        </p>
      )}
      <div className="mt-3 grid grid-cols-2 gap-6 max-md:grid-cols-1">
        <section aria-labelledby="once">
          <h2 id="once" className="font-tight text-lg font-semibold">
            1. Once for each device: trust this yard
          </h2>
          {sharing.trustAddress === "" ? (
            <p className="mt-1 leading-snug">
              Devices come in through a proxy, by {sharing.address}. Its certificate is the proxy’s own, and so is what
              they trust.
            </p>
          ) : (
            <Trust sharing={sharing} />
          )}
        </section>
        <section aria-labelledby="in">
          <h2 id="in" className="font-tight text-lg font-semibold">
            2. Let a device in
          </h2>
          {code.data ? (
            <CodeShown code={code.data} />
          ) : (
            <p className="mt-1 leading-snug">
              A code lets one device in, within ten minutes. Then whoever uses it signs in by name and PIN, for a
              working day.
            </p>
          )}
          <Choice
            label="For"
            value={guestOf}
            options={[
              { value: "", name: "a device of the crew" },
              ...(jobs.data?.jobs ?? []).map((j) => ({ value: j.id, name: `a guest, to read ${j.name}` })),
            ]}
            onChange={(value) => {
              setGuestOf(value);
              code.reset();
            }}
          />
          <Button
            strong
            className="mt-2 min-h-11"
            onClick={() => {
              code.mutate();
            }}
          >
            {code.data ? "Make another code" : "Make a code"}
          </Button>
          <Refused>{code.isError ? sayWhy(code.error) : null}</Refused>
          <dl className="mt-4 text-[13px] leading-snug">
            {mayDo.map(([role, words]) => (
              <div key={role} className="flex gap-2 border-b border-rule py-0.5">
                <dt className="w-16 shrink-0 font-semibold">{role}</dt>
                <dd>{words}</dd>
              </div>
            ))}
          </dl>
        </section>
      </div>
      <h2 className="mt-6 font-tight text-lg font-semibold">Devices</h2>
      <ul className="border-t border-ink" data-devices>
        {sharing.devices.map((d) => {
          const signedIn = sharing.sessions.find((s) => s.deviceId === d.id);
          return (
            <li key={d.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5">
              <span className="min-w-0 flex-1">
                <b className="font-tight text-[15px] font-semibold">{d.name}</b>{" "}
                {signedIn
                  ? `${signedIn.name}, ${signedIn.role.toLowerCase()}, since ${timeOf(signedIn.begunAt)}, last ${timeOf(signedIn.seenAt)}`
                  : "nobody signed in"}
              </span>
              {signedIn && (
                <Button
                  aria-label={`Sign ${signedIn.name} out of ${d.name}`}
                  onClick={() => {
                    end.mutate(signedIn.id);
                  }}
                >
                  Sign out
                </Button>
              )}
              <Button
                aria-label={`Forget ${d.name}`}
                onClick={() => {
                  forget.mutate(d.id);
                }}
              >
                Forget
              </Button>
            </li>
          );
        })}
      </ul>
      {sharing.devices.length === 0 && <p className="text-pencil">None yet.</p>}
      <h2 className="mt-6 font-tight text-lg font-semibold">Sign-ins</h2>
      <ul className="border-t border-ink text-[13px]" data-tried>
        {sharing.tried.map((t) => (
          <li key={t.number} className="flex flex-wrap gap-x-3 border-b border-rule py-1">
            <time className="w-28 text-pencil">{momentOf(t.at)}</time>
            <b className="w-44 font-semibold">{t.what}</b>
            <span>{[t.who, t.device, t.address].filter((x) => x !== "").join(" · ")}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Trust({ sharing }: { sharing: Sharing }) {
  return (
    <>
      <Square svg={sharing.trustSquare} label="Square code of the page about trust" />
      <p className="font-tight text-[15px]">{sharing.trustAddress}</p>
      <p className="mt-1 text-[13px] leading-snug">
        The page there says how for each kind of device, and where the device itself shows the fingerprint of what it
        took. Compare that with this one; what the page says of it proves nothing, for it comes without encryption:
      </p>
      <p className="mt-1 border border-rule bg-sheet p-2 font-mono text-[12px] leading-snug" data-fingerprint>
        {sharing.fingerprint}
      </p>
      <p className="mt-1 text-[13px] leading-snug text-pencil">
        Made on {sharing.trustedSince}, for the networks that this machine was in and no other address. It holds until{" "}
        {sharing.trustedUntil}. In a new network it is made anew, and devices trust it once more.
      </p>
      <p className="mt-1 text-[13px] leading-snug text-pencil">
        Its key lies in the data folder, under share, for this machine’s account alone, and not encrypted. Whoever
        copies that folder can pose as the yard in those networks. Backups do not hold it.
      </p>
    </>
  );
}

function CodeShown({ code }: { code: LetInCode }) {
  return (
    <div data-code>
      <Square svg={code.square} label="Square code that lets a device in" />
      <p className="font-tight text-3xl font-semibold tracking-[0.12em]">
        {code.code.slice(0, 4)} {code.code.slice(4)}
      </p>
      <p className="text-[13px] text-pencil">For one device, until {timeOf(code.endsAt)}.</p>
    </div>
  );
}

function Square({ svg, label }: { svg: string; label: string }) {
  return (
    <img
      alt={label}
      src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
      className="my-2 size-52 border border-rule bg-white"
    />
  );
}

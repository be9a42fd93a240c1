import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { CardAnswered, PracticeCard, PracticeTopic } from "../../api/types";
import { Button } from "../../ui/controls";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { TopBar } from "../../ui/TopBar";
import { CardPicture } from "./CardPicture";
import { OrderList } from "./OrderList";
import { Records } from "./Records";
import { markWords, quantityOf, topicNames } from "./words";

/** Cards of two minutes: guess, then see. */
export function PracticePage() {
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
  const [name, setName] = useState(who);
  const [topic, setTopic] = useState<PracticeTopic | null>(null);
  const person = who.trim();
  const record = useQuery({
    queryKey: ["practice", person],
    queryFn: () => api.practiceRecord(person),
    enabled: person !== "",
  });
  useEffect(() => {
    document.title = "Practice, Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto grid max-w-[1080px] grid-cols-[minmax(0,1fr)_300px] gap-8 px-6 py-5 max-md:grid-cols-1 max-md:px-3">
        <div>
          <h1 className="font-tight text-2xl font-semibold">Practice bench</h1>
          <p className="text-sm text-pencil">
            Two minutes a card: guess, then see how it comes about. Numbers are fresh each time.
          </p>
          {person === "" ? (
            <form
              className="mt-4 max-w-[360px] border border-ink bg-sheet p-4"
              onSubmit={(e) => {
                e.preventDefault();
                if (name.trim() !== "") setWho(name.trim());
              }}
            >
              <TextField label="Who practises?" value={name} onChange={setName} />
              <div className="mt-2">
                <Button strong type="submit">
                  Begin
                </Button>
              </div>
            </form>
          ) : topic === null ? (
            record.data && (
              <div className="mt-4 border border-ink bg-sheet p-5">
                <p className="text-[13px] text-pencil">Next for {person}</p>
                <p className="font-tight text-xl font-semibold">{topicNames[record.data.next]}</p>
                <p className="text-sm">{record.data.why}</p>
                <Button
                  strong
                  className="mt-3 min-h-11! px-6!"
                  onClick={() => {
                    setTopic(record.data.next);
                  }}
                >
                  Deal a card
                </Button>
              </div>
            )
          ) : (
            <Card
              key={topic}
              topic={topic}
              person={person}
              onNext={(next) => {
                setTopic(next);
              }}
            />
          )}
          <nav aria-label="Topics" className="mt-5">
            <h2 className="border-b border-ink font-tight text-sm font-semibold">Or choose</h2>
            <div className="mt-2 flex flex-wrap gap-2">
              {(Object.keys(topicNames) as PracticeTopic[]).map((t) => (
                <button
                  key={t}
                  type="button"
                  data-topic={t}
                  disabled={person === ""}
                  aria-pressed={topic === t}
                  onClick={() => {
                    setTopic(t);
                  }}
                  className={`min-h-9 border border-ink px-3 font-tight text-sm font-medium disabled:opacity-40 ${topic === t ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`}
                >
                  {topicNames[t]}
                </button>
              ))}
            </div>
          </nav>
        </div>
        <Records person={person} mine={record.data} />
      </main>
    </div>
  );
}

function Card({
  topic,
  person,
  onNext,
}: {
  topic: PracticeTopic;
  person: string;
  onNext: (topic: PracticeTopic) => void;
}) {
  const units = useSettings((s) => s.units);
  const queries = useQueryClient();
  const [round, setRound] = useState(0);
  const card = useQuery({
    queryKey: ["card", topic, round, units],
    queryFn: () => api.practiceCard(topic, units),
    staleTime: Infinity,
    gcTime: 0,
  });
  const [value, setValue] = useState<number | undefined>();
  // Enter takes the figure and asks in one stroke, before the page is drawn again.
  const guess = useRef<number | undefined>(undefined);
  const [index, setIndex] = useState<number | undefined>();
  const [order, setOrder] = useState<number[] | null>(null);
  const [answered, setAnswered] = useState<CardAnswered | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (card.isError) return <p role="alert">{sayWhy(card.error)}</p>;
  if (!card.data) return <p className="mt-4 text-pencil">Dealing.</p>;
  const now: PracticeCard = card.data;

  async function answer(): Promise<void> {
    setBusy(true);
    try {
      const got = await api.answerCard(
        {
          person,
          topic,
          seed: now.seed,
          ...(guess.current === undefined ? {} : { value: guess.current }),
          ...(index === undefined ? {} : { index }),
          ...(now.kind === "order" ? { order: order ?? now.choices.map((_, i) => i) } : {}),
        },
        units,
      );
      setAnswered(got);
      setWrong(null);
      queries.setQueryData(["practice", person], got.record);
      void queries.invalidateQueries({ queryKey: ["practice-records"] });
    } catch (error) {
      setWrong(sayWhy(error));
    } finally {
      setBusy(false);
    }
  }

  function again(): void {
    setAnswered(null);
    setValue(undefined);
    guess.current = undefined;
    setIndex(undefined);
    setOrder(null);
    setRound((r) => r + 1);
  }

  const quantity = quantityOf(now);
  return (
    <form
      data-card={topic}
      className="mt-4 border-2 border-ink bg-sheet p-5"
      onSubmit={(e) => {
        e.preventDefault();
        if (!answered) void answer();
      }}
    >
      <p className="text-[13px] text-pencil">{topicNames[topic]}</p>
      <h2 className="font-tight text-lg font-semibold leading-snug">{now.question}</h2>
      <div className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] gap-6 max-sm:grid-cols-1">
        <dl>
          {now.facts.map((f) => (
            <div key={f.name} className="flex gap-3 border-b border-rule py-1 text-sm">
              <dt className="w-[150px] shrink-0 text-pencil">{f.name}</dt>
              <dd>{f.text}</dd>
            </div>
          ))}
        </dl>
        {now.picture && <CardPicture picture={now.picture} />}
      </div>
      <div className="mt-3">
        {now.kind === "number" && (
          <div className="max-w-[320px]">
            <NumberField
              label={now.quantity === "%" ? "Your guess, per cent" : "Your guess"}
              value={value}
              quantity={quantity}
              unknown="?"
              onChange={(v) => {
                guess.current = v;
                setValue(v);
              }}
            />
          </div>
        )}
        {now.kind === "choice" && (
          <div role="radiogroup" aria-label="Answers" className="grid gap-2">
            {now.choices.map((c, i) => (
              <button
                key={c}
                type="button"
                role="radio"
                aria-checked={index === i}
                data-choice={i}
                disabled={answered !== null}
                onClick={() => {
                  setIndex(i);
                }}
                className={`min-h-11 border px-4 text-left text-[15px] ${answered?.rightIndex === i ? "border-2 border-ink font-semibold" : "border-ink"} ${index === i ? "bg-ink text-sheet" : "bg-paper hover:bg-tint"}`}
              >
                {c}
              </button>
            ))}
          </div>
        )}
        {now.kind === "order" && (
          <OrderList
            texts={now.choices}
            order={order ?? now.choices.map((_, i) => i)}
            onChange={setOrder}
            fixed={answered !== null}
          />
        )}
      </div>
      <Refused>{wrong}</Refused>
      {answered && (
        <div role="status" data-mark={answered.mark} className="mt-3 border-t border-ink pt-2">
          <p className="font-tight text-lg font-semibold">
            {markWords[answered.mark]} <span className="font-medium">{answered.words}</span>
          </p>
          {answered.workings.map((w, i) => (
            <p key={i} className="text-sm leading-snug">
              {w}
            </p>
          ))}
        </div>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        {answered ? (
          <>
            <Button
              strong
              className="min-h-11! px-6!"
              onClick={() => {
                if (answered.record.next === topic) again();
                else onNext(answered.record.next);
              }}
            >
              Next: {topicNames[answered.record.next].toLowerCase()}
            </Button>
            <Button className="min-h-11!" onClick={again}>
              Another of these
            </Button>
          </>
        ) : (
          <Button strong type="submit" disabled={busy} className="min-h-11! px-6!">
            See
          </Button>
        )}
      </div>
    </form>
  );
}

import { useQueryClient } from "@tanstack/react-query";
import { useEffect, type ReactNode } from "react";
import { useLocation } from "react-router";
import { signedOutEvent } from "../../api/ask";
import { useHome } from "../../api/home";
import { readSession, useSession } from "../../state/session";
import { lazily } from "../../ui/lazily";

const BriefPage = lazily(() => import("../brief/BriefPage").then((m) => m.BriefPage));
const PairPage = lazily(() => import("./PairPage").then((m) => m.PairPage));
const SignInPage = lazily(() => import("./SignInPage").then((m) => m.SignInPage));

/** On the yard's own machine nothing stands here; a device of the crew is let in by a code, and by somebody's PIN. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { session, asked, forgotten } = useSession();
  const away = useHome((s) => s.away);
  const queries = useQueryClient();
  const { pathname } = useLocation();
  useEffect(() => {
    const again = () => void readSession();
    window.addEventListener(signedOutEvent, again);
    return () => {
      window.removeEventListener(signedOutEvent, again);
    };
  }, []);
  const entered = () => {
    // Whoever comes in may leave the network in a minute: what there is to take along is taken at once.
    void readSession()
      .then(() => queries.invalidateQueries())
      .then(() => import("../../state/outbox"))
      .then((outbox) => outbox.goHome())
      .catch(() => undefined);
  };
  useEffect(() => {
    // What this page has read is let go of too.
    if (forgotten) queries.clear();
  }, [forgotten, queries]);
  if (!asked) return null;
  if (forgotten) return <PairPage forgotten onPaired={entered} />;
  // Offline nobody can be let in or turned away: what is on the device goes on.
  if (session === null || session.here || away) return children;
  if (!session.paired || pathname === "/pair") return <PairPage onPaired={entered} />;
  if (session.name === "") return <SignInPage onSignedIn={entered} />;
  if (session.role === "guest") return <BriefPage guestOf={session.jobId ?? ""} />;
  return children;
}

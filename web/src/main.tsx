import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense, useEffect } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Link, Route, Routes } from "react-router";
import "./index.css";
import { ErrorBoundary } from "./ui/ErrorBoundary";
import { readSession } from "./state/session";
import { BusyNote } from "./ui/BusyNote";
import { ReachBar } from "./pages/tablet/ReachBar";
import { SessionGate } from "./pages/session/SessionGate";
import { overlays } from "./ui/overlays";
import { openShelf } from "./ui/shelf";
import { storeApplication } from "./ui/update";
import { onBack } from "./api/reach";
import { useSettings } from "./ui/settings";

const JobListPage = lazy(() => import("./pages/jobs/JobListPage").then((m) => ({ default: m.JobListPage })));
const SheetPage = lazy(() => import("./pages/sheet/SheetPage").then((m) => ({ default: m.SheetPage })));
const LockerPage = lazy(() => import("./pages/locker/LockerPage").then((m) => ({ default: m.LockerPage })));
const CrewPage = lazy(() => import("./pages/crew/CrewPage").then((m) => ({ default: m.CrewPage })));
const BriefPage = lazy(() => import("./pages/brief/BriefPage").then((m) => ({ default: m.BriefPage })));
const BriefsPage = lazy(() => import("./pages/brief/BriefsPage").then((m) => ({ default: m.BriefsPage })));
const IssuedPage = lazy(() => import("./pages/brief/IssuedPage").then((m) => ({ default: m.IssuedPage })));
const PapersPage = lazy(() => import("./pages/papers/PapersPage").then((m) => ({ default: m.PapersPage })));
const RevisionPage = lazy(() => import("./pages/revision/RevisionPage").then((m) => ({ default: m.RevisionPage })));
const DayPage = lazy(() => import("./pages/day/DayPage").then((m) => ({ default: m.DayPage })));
const ClearPage = lazy(() => import("./pages/clear/ClearPage").then((m) => ({ default: m.ClearPage })));
const LogPage = lazy(() => import("./pages/log/LogPage").then((m) => ({ default: m.LogPage })));
const YearPage = lazy(() => import("./pages/year/YearPage").then((m) => ({ default: m.YearPage })));
const LearningPage = lazy(() => import("./pages/learning/LearningPage").then((m) => ({ default: m.LearningPage })));
const PracticePage = lazy(() => import("./pages/practice/PracticePage").then((m) => ({ default: m.PracticePage })));
const RegisterPage = lazy(() => import("./pages/register/RegisterPage").then((m) => ({ default: m.RegisterPage })));
const LabelsPage = lazy(() => import("./pages/register/LabelsPage").then((m) => ({ default: m.LabelsPage })));
const CarePage = lazy(() => import("./pages/care/CarePage").then((m) => ({ default: m.CarePage })));
const SharingPage = lazy(() => import("./pages/session/SharingPage").then((m) => ({ default: m.SharingPage })));
const TabletPage = lazy(() => import("./pages/tablet/TabletPage").then((m) => ({ default: m.TabletPage })));
const KnotsPage = lazy(() => import("./pages/knots/KnotsPage").then((m) => ({ default: m.KnotsPage })));

// Offline everything is asked all the same: this device answers, or says why not.
const queries = new QueryClient({
  defaultOptions: {
    queries: { refetchOnWindowFocus: false, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

/** Lists and notes that open over the page stand in a landmark of their own. */
function Overlays() {
  return (
    <section
      ref={(section) => {
        overlays.current = section;
      }}
      aria-label="Opened over the page"
    >
      {/* Headless UI takes an emptied target out of the page, and React would look for it there. */}
      <span hidden />
    </section>
  );
}

function App() {
  const sun = useSettings((s) => s.sun);
  const paper = useSettings((s) => s.paper);
  useEffect(() => {
    document.documentElement.dataset["sheetSize"] = paper;
  }, [paper]);
  useEffect(() => {
    if (sun) document.documentElement.dataset["theme"] = "sun";
    else delete document.documentElement.dataset["theme"];
  }, [sun]);
  return (
    <Suspense fallback={<main className="p-8 text-pencil">Opening.</main>}>
      <Routes>
        <Route path="/" element={<JobListPage />} />
        <Route path="/jobs/:id" element={<SheetPage />} />
        <Route path="/jobs/:id/brief" element={<BriefPage />} />
        <Route path="/jobs/:id/brief/:number" element={<IssuedPage />} />
        <Route path="/jobs/:id/day" element={<DayPage />} />
        <Route path="/jobs/:id/clear" element={<ClearPage />} />
        <Route path="/jobs/:id/log" element={<LogPage />} />
        <Route path="/jobs/:id/papers" element={<PapersPage />} />
        <Route path="/jobs/:id/revisions/:number" element={<RevisionPage />} />
        <Route path="/crew" element={<CrewPage />} />
        <Route path="/locker" element={<LockerPage />} />
        <Route path="/locker/:id" element={<LockerPage />} />
        <Route path="/register" element={<RegisterPage />} />
        <Route path="/briefs" element={<BriefsPage />} />
        <Route path="/labels" element={<LabelsPage />} />
        <Route path="/year" element={<YearPage />} />
        <Route path="/learning" element={<LearningPage />} />
        <Route path="/practice" element={<PracticePage />} />
        <Route path="/upkeep" element={<CarePage />} />
        <Route path="/sharing" element={<SharingPage />} />
        <Route path="/tablet" element={<TabletPage />} />
        <Route path="/knots" element={<KnotsPage />} />
        <Route path="/knots/:id" element={<KnotsPage />} />
        <Route
          path="*"
          element={
            <main className="p-8">
              <h1 className="font-tight text-xl font-semibold">There is no such page</h1>
              <Link to="/" className="underline">
                To the jobs
              </Link>
            </main>
          }
        />
      </Routes>
    </Suspense>
  );
}

/** What is seen first comes first: what this device takes along is fetched a moment later, and again each minute. */
const alongAfterMs = 8000;
const alongEveryMs = 60_000;

const goHome = () => import("./state/outbox").then((outbox) => outbox.goHome());

function follow(): void {
  const soon = window.location.pathname === "/tablet" ? 0 : alongAfterMs;
  setTimeout(() => {
    void goHome().catch(() => undefined);
    void storeApplication();
  }, soon);
  setInterval(() => {
    if (document.visibilityState === "visible") void goHome().catch(() => undefined);
  }, alongEveryMs);
  // What the pages show is read again once somebody answers.
  // An open job is not: what others saved comes in beside what was changed here.
  onBack(() => void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== "job" }));
}

const root = document.getElementById("root");
if (root) {
  await openShelf();
  void readSession();
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <ReachBar />
          <ErrorBoundary what="This page">
            <SessionGate>
              <App />
            </SessionGate>
          </ErrorBoundary>
          <BusyNote />
          <Overlays />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
  follow();
}

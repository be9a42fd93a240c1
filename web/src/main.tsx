import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { Portal } from "@headlessui/react";
import { StrictMode, useEffect, useRef, type ReactNode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Link, Route, Routes } from "react-router";
import "./index.css";
import { JobListPage } from "./jobs/JobListPage";
import { SheetPage } from "./sheet/SheetPage";
import { useSettings } from "./ui/settings";

const queries = new QueryClient({ defaultOptions: { queries: { refetchOnWindowFocus: false } } });

/** Lists and notes that open over the page stand in a landmark of their own. */
function Overlays({ children }: { children: ReactNode }) {
  const target = useRef<HTMLElement | null>(null);
  return (
    <>
      <Portal.Group target={target}>{children}</Portal.Group>
      <section ref={target} aria-label="Opened over the page" />
    </>
  );
}

function App() {
  const sun = useSettings((s) => s.sun);
  useEffect(() => {
    if (sun) document.documentElement.dataset["theme"] = "sun";
    else delete document.documentElement.dataset["theme"];
  }, [sun]);
  return (
    <Routes>
      <Route path="/" element={<JobListPage />} />
      <Route path="/jobs/:id" element={<SheetPage />} />
      <Route path="*" element={<main className="p-8"><h1 className="font-tight text-xl font-semibold">There is no such page</h1><Link to="/" className="underline">To the jobs</Link></main>} />
    </Routes>
  );
}

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Overlays>
            <App />
          </Overlays>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

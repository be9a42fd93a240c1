import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, useEffect } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Link, Route, Routes } from "react-router";
import "./index.css";
import { JobListPage } from "./jobs/JobListPage";
import { SheetPage } from "./sheet/SheetPage";
import { useSettings } from "./ui/settings";

const queries = new QueryClient({ defaultOptions: { queries: { refetchOnWindowFocus: false } } });

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
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

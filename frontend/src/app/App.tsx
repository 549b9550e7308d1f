// Providers and routes; each page is loaded when it is first opened.
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App as AntApp, ConfigProvider } from "antd";
import { lazy, Suspense } from "react";
import { BrowserRouter, Route, Routes } from "react-router";
import { theme } from "./theme";

const WallPage = lazy(() => import("./pages/WallPage"));
const NewStudyPage = lazy(() => import("./pages/NewStudyPage"));
const ScenesPage = lazy(() => import("./pages/ScenesPage"));
const SubjectPage = lazy(() => import("./pages/SubjectPage"));
const SheetPage = lazy(() => import("./pages/SheetPage"));
const DrawPage = lazy(() => import("./pages/DrawPage"));
const BenchPage = lazy(() => import("./pages/BenchPage"));

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 2_000, refetchOnWindowFocus: true } },
});

export function App() {
  return (
    <ConfigProvider theme={theme}>
      <AntApp component={false}>
        <QueryClientProvider client={client}>
          <BrowserRouter>
            <Suspense fallback={<p role="status">Fetching…</p>}>
              <Routes>
                <Route path="/" element={<WallPage />} />
                <Route path="/new" element={<NewStudyPage />} />
                <Route path="/scenes" element={<ScenesPage />} />
                <Route path="/studies/:id" element={<BenchPage />} />
                <Route path="/studies/:id/subject" element={<SubjectPage />} />
                <Route path="/studies/:id/sheet" element={<SheetPage />} />
                <Route path="/studies/:id/draw" element={<DrawPage />} />
                <Route path="*" element={<WallPage />} />
              </Routes>
            </Suspense>
          </BrowserRouter>
        </QueryClientProvider>
      </AntApp>
    </ConfigProvider>
  );
}

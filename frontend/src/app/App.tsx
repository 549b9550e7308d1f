// Providers and routes; each page is loaded when it is first opened.
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { ConfigProvider } from "antd";
import { Suspense, useEffect } from "react";
import { BrowserRouter, Route, Routes } from "react-router";
import { whileAway, whileBusy } from "../api/asking";
import { Arriving } from "./Arriving";
import { Mishap } from "./Mishap";
import { fetchRooms, PAGES } from "./pages";
import { Skip } from "./Skip";
import { themeFor } from "./theme";
import { useDim, useStill } from "./useDim";
import { Waiting } from "./Waiting";

const client = new QueryClient({
  // The server may run on this very machine: whether there is a network says nothing about it.
  defaultOptions: {
    queries: {
      retry: (count, error) => count < 1 || whileBusy(count, error),
      retryDelay: 700,
      refetchInterval: whileAway,
      staleTime: 2_000,
      refetchOnWindowFocus: true,
      networkMode: "always",
    },
    mutations: { networkMode: "always" },
  },
});

export function App() {
  useEffect(fetchRooms, []);
  return (
    <ConfigProvider theme={themeFor(useDim(), useStill())}>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Skip />
          <Mishap>
            <Suspense fallback={<Arriving what="Fetching the room…" />}>
              <Routes>
                {PAGES.map(({ path, page: Page }) => (
                  <Route key={path} path={path} element={<Page />} />
                ))}
              </Routes>
            </Suspense>
            <Waiting />
          </Mishap>
        </BrowserRouter>
      </QueryClientProvider>
    </ConfigProvider>
  );
}

// The entry: fonts, styles, the application.
import "@fontsource-variable/source-sans-3/wght.css";
import "@fontsource/source-serif-4/500.css";
import "@fontsource/source-serif-4/600.css";
import "antd/dist/reset.css";
import "./app/global.css";
import "./app/print.css";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./app/App";

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}

// Only where the browser trusts the connection: this machine itself, or https.
if (import.meta.env.PROD && "serviceWorker" in navigator) {
  window.addEventListener("load", () => {
    navigator.serviceWorker.register("/offline.js").catch(() => undefined);
  });
}

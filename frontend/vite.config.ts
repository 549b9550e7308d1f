import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

/** The service worker is told what there is to keep: names of what is built hold its content. */
const kept: Plugin = {
  name: "kept-by-the-service-worker",
  apply: "build",
  enforce: "post",
  async generateBundle(_, bundle) {
    const page = bundle["index.html"];
    const worker = bundle["offline.js"];
    if (page?.type !== "asset" || worker?.type !== "chunk") {
      throw new Error("the page or its service worker was not built");
    }
    const content = new TextEncoder().encode(String(page.source));
    const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", content));
    const files: (string | { url: string; revision: string })[] = Object.keys(bundle)
      .filter((name) => name.startsWith("assets/"))
      .map((name) => `/${name}`);
    files.push({ url: "/index.html", revision: digest.slice(0, 8).join(".") });
    worker.code = worker.code.replace("FILES", () => JSON.stringify(files));
  },
};

export default defineConfig({
  plugins: [react(), kept],
  // Into the package itself, so that a wheel carries them as a source tree has them.
  build: {
    target: "es2022",
    chunkSizeWarningLimit: 700,
    outDir: "../src/zirkel/web/pages",
    emptyOutDir: true,
    rolldownOptions: {
      input: { index: "index.html", offline: "src/app/offline.ts" },
      output: {
        entryFileNames: ({ name }) =>
          name === "offline" ? "offline.js" : "assets/[name]-[hash].js",
      },
    },
  },
  // `make dev`: the pages as they are being written, before the real server.
  server: { proxy: { "/api": "http://127.0.0.1:8765" } },
});

import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  // Into the package itself, so that a wheel carries them as a source tree has them.
  build: {
    target: "es2022",
    chunkSizeWarningLimit: 700,
    outDir: "../src/zirkel/web/pages",
    emptyOutDir: true,
  },
  // `make dev`: the pages as they are being written, before the real server.
  server: { proxy: { "/api": "http://127.0.0.1:8765" } },
});

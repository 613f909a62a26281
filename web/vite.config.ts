import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: "../public",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rollupOptions: {
      // The graphs of playback are an entry of their own, under a fixed name, so that tests can measure them.
      input: { index: "index.html", listening: "src/listening.ts" },
      preserveEntrySignatures: "exports-only",
      output: {
        // What never changes between two builds of this application is kept by the browser.
        advancedChunks: {
          groups: [
            { name: "react", test: /node_modules\/(react|react-dom|scheduler)\// },
            { name: "router", test: /node_modules\/react-router\// },
          ],
        },
        entryFileNames: ({ name }) => (name === "listening" ? "assets/[name].js" : "assets/[name]-[hash].js"),
      },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:4567" } },
});

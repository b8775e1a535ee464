import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    {
      // The font's licence goes with it, as those of the packages do.
      name: "font-licence",
      generateBundle() {
        this.emitFile({ type: "asset", fileName: "licences/font.txt", source: readFileSync("src/fonts/LICENSE", "utf8") });
      },
    },
    {
      // Its list of files is told to the service worker: all but pictures of the guide and the view that draws pieces.
      name: "service-worker",
      generateBundle(_, bundle) {
        const files = [...Object.keys(bundle).filter((f) => /\.(js|css|woff2)$/.test(f) && !f.includes("LookStage")), "theme.js", "core.svg", "manifest.webmanifest"].sort();
        const version = createHash("sha256").update(files.join()).digest("hex").slice(0, 12);
        const source = readFileSync("sw.js", "utf8")
          .replace("const files = [];", `const files = ${JSON.stringify(files.map((f) => `/${f}`))};`)
          .replace('const version = "";', `const version = "${version}";`);
        this.emitFile({ type: "asset", fileName: "sw.js", source });
      },
    },
  ],
  // Written over by the host, anew in each answer.
  html: { cspNonce: "nonce-of-this-answer" },
  build: { license: { fileName: "licences/packages.json" }, outDir: "../Lowfell.Web/wwwroot", emptyOutDir: true, target: "es2022", sourcemap: false, chunkSizeWarningLimit: 600 },
  // The guide is one of the documents.
  server: { proxy: { "/api": "http://127.0.0.1:5080" }, fs: { allow: [".", "../../docs"] } },
  // As long as it takes: a host that does something else beside them is slow, not wrong.
  test: { environment: "jsdom", pool: "vmThreads", setupFiles: ["src/test/setup.ts"], css: false, testTimeout: 120_000, hookTimeout: 120_000 },
});

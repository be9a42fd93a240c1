import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import react from "@vitejs/plugin-react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

const core = join(import.meta.dirname, "../artifacts/browser/wwwroot/_framework");

/** The core in the browser lies beside the screens; it is stored on the device with them. */
const coreFiles = existsSync(core)
  ? readdirSync(core).map((name) => ({
      url: `/core/${name}`,
      revision: createHash("sha256")
        .update(readFileSync(join(core, name)))
        .digest("hex")
        .slice(0, 16),
    }))
  : [];

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src",
      filename: "sw.ts",
      registerType: "prompt",
      injectRegister: null,
      manifestFilename: "draklo.webmanifest",
      manifest: {
        name: "Draklo",
        short_name: "Draklo",
        description: "Plans for pulling leaning trees.",
        start_url: "/",
        display: "standalone",
        background_color: "#f5f2e9",
        theme_color: "#f5f2e9",
        icons: [
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
          { src: "/mark.svg", sizes: "any", type: "image/svg+xml" },
        ],
      },
      injectManifest: {
        globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
        globIgnores: ["**/*-vietnamese-*"],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
        additionalManifestEntries: coreFiles,
      },
    }),
  ],
  build: { outDir: "dist", chunkSizeWarningLimit: 700, emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { "/api": "http://127.0.0.1:5080", "/hubs": { target: "http://127.0.0.1:5080", ws: true } } },
});

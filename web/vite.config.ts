import react from "@vitejs/plugin-react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

const everyPage =
  /node_modules\/(react|react-dom|scheduler|react-router|@tanstack\/(query-core|react-query)|zustand|idb)\//;

const widgets = /node_modules\/(@headlessui|@floating-ui|@react-aria|@react-stately|tabbable)\//;

const proxied = { target: "http://127.0.0.1:5080", changeOrigin: false };

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
          // Drawn within the circle that a home screen may cut out.
          { src: "/icon-maskable-192.png", sizes: "192x192", type: "image/png", purpose: "maskable" },
          { src: "/icon-maskable-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
          { src: "/mark.svg", sizes: "any", type: "image/svg+xml" },
        ],
      },
      injectManifest: {
        globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
        globIgnores: ["**/*-vietnamese-*"],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
      },
    }),
  ],
  build: {
    outDir: "dist",
    chunkSizeWarningLimit: 700,
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        // What every page stands on comes as one file, and so do menus and dialogs, and what many share of our own: each
        // file costs a request. The rest is split by who needs it.
        codeSplitting: {
          groups: [
            { name: "base", test: everyPage, priority: 5 },
            { name: "widgets", test: widgets, minShareCount: 2, priority: 4 },
            { name: "common", test: /src\/(units|ui|api|state)\//, minShareCount: 8, priority: 3 },
          ],
        },
      },
    },
  },
  // The page's own host is passed on: the server refuses what comes from a page of another.
  server: { proxy: { "/api": proxied, "/hubs": { ...proxied, ws: true } } },
});

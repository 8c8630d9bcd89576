import tailwind from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  // Addresses of files follow the page's own, which may lie under a path behind a proxy.
  base: "./",
  plugins: [react(), tailwind()],
  build: { target: "es2023", sourcemap: true, assetsInlineLimit: 0 },
  server: {
    host: "127.0.0.1",
    port: 5173,
    proxy: {
      "/api": {
        target: "http://127.0.0.1:4178",
        changeOrigin: true,
        headers: { Origin: "http://127.0.0.1:4178" },
      },
    },
  },
});

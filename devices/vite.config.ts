import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: "src/main.ts",
    target: "node20",
    sourcemap: true,
    minify: false,
    rolldownOptions: { output: { entryFileNames: "[name].js" } },
  },
  ssr: { noExternal: [/^@wide-quilt\//] },
});

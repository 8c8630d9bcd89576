import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: true,
    target: "node20",
    sourcemap: true,
    minify: false,
    rolldownOptions: {
      input: {
        main: "src/main.ts",
        "paint.worker": "src/press/paint.worker.ts",
        "backdrop.worker": "src/photos/backdrop.worker.ts",
        "develop.worker": "src/photos/develop.worker.ts",
        "demo.worker": "src/data/demo.worker.ts",
      },
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
  ssr: { noExternal: [/^@wide-quilt\//] },
});

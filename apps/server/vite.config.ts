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
        "plan.process": "src/press/plan.process.ts",
        "paint.process": "src/press/paint.process.ts",
        "read.process": "src/photos/read.process.ts",
        "demo.worker": "src/data/demo.worker.ts",
      },
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
  ssr: { noExternal: [/^@wide-quilt\//] },
});

import { defineConfig } from "vite";

/** How a program for Node.js is built of one file: our own packages inside, all others beside it. */
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

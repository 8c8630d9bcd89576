import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: true,
    target: "node20",
    minify: false,
    rolldownOptions: {
      input: { main: "src/main.ts", previews: "src/bare/previews.ts", sheet: "src/bare/sheet.ts" },
      output: { entryFileNames: "[name].js" },
    },
  },
  ssr: { noExternal: [/^@wide-quilt\//] },
});

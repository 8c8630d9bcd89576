import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: true,
    target: "node20",
    minify: false,
    rolldownOptions: {
      input: {
        main: "src/main.ts",
        "bare-previews": "src/bare/previews.ts",
        "bare-sheet": "src/bare/sheet.ts",
        "our-sheet": "src/ours/sheet.ts",
        "bare-contact": "src/bare/contact.ts",
        "our-contact": "src/ours/contact.ts",
        "bare-large": "src/bare/large.ts",
        "our-large": "src/ours/large.ts",
        "bare-calendar": "src/bare/calendar.ts",
        "our-calendar": "src/ours/calendar.ts",
        "bare-mural": "src/bare/mural.ts",
        "our-mural": "src/ours/mural.ts",
        "our-pages": "src/ours/pages.ts",
      },
      output: { entryFileNames: "[name].js" },
    },
  },
  ssr: { noExternal: [/^@wide-quilt\//, "maxrects-packer"] },
});

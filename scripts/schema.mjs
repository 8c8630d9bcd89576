/** Writes docs/job.schema.json from the core's own schema: `npm run schema`. */
import { writeFileSync } from "node:fs";
import { createServer } from "vite";

const vite = await createServer({ server: { middlewareMode: true }, appType: "custom", logLevel: "error" });
const { jobJsonSchema } = await vite.ssrLoadModule("/packages/core/src/index.ts");
writeFileSync("docs/job.schema.json", JSON.stringify(jobJsonSchema(), null, 2) + "\n");
await vite.close();

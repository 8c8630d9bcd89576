/** Makes the code that weighs pixels from weigh.wat: `npm run wasm`; with --check it only says whether it is up to date. */
import { createRequire } from "node:module";
import { Buffer } from "node:buffer";
import { readFileSync, writeFileSync } from "node:fs";

const folder = "packages/painters/src/pixels/weigh";
const wabt = await createRequire(import.meta.resolve(`../packages/painters/package.json`))("wabt")();
const module = wabt.parseWat("weigh.wat", readFileSync(`${folder}/weigh.wat`, "utf8"), { simd: true });
const code = Buffer.from(module.toBinary({}).buffer).toString("base64");
const text = `/** weigh.wat as WebAssembly, base64. Made by \`npm run wasm\`. */\nexport const CODE =\n  "${code}";\n`;
if (process.argv.includes("--check")) {
  if (readFileSync(`${folder}/code.ts`, "utf8") !== text) {
    console.error("weigh/code.ts is not made of weigh.wat as it is now. Run: npm run wasm");
    process.exit(1);
  }
} else writeFileSync(`${folder}/code.ts`, text);

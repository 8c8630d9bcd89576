#!/usr/bin/env node
/** `npx wide-quilt`: the shell's way to the same jobs. Builds itself where that was not done yet. */
import { ensureBuilt } from "../../../scripts/house.mjs";

await ensureBuilt(["cli"]);
await import("../dist/main.js");

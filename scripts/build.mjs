import { ensureBuilt, ensureInstalled } from "./house.mjs";

ensureInstalled();
await ensureBuilt();

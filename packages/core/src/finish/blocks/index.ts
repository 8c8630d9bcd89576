export { drawBlock } from "./draw.ts";
export { BLOCK_LIMITS, type Block } from "./schema.ts";

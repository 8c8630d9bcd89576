import type { Style, StyleChange } from "../finish/style/index.ts";
import type { Job } from "./schema.ts";

/** What all cells of a job wear: its own style, and over it the one that is tried on. */
export const styleOfAll = ({ style, worn }: Pick<Job, "style" | "worn">): Style => ({
  ...style,
  ...worn?.style,
});

/** What one cell wears: what was set for it by hand stays whatever is tried on. */
export const styleOfCell = (all: Style, own: StyleChange | undefined): Style =>
  own ? { ...all, ...own } : all;

import type { JobKind } from "../kind.ts";
import { arrangeCopies } from "./arrange.ts";
import { sayCopies } from "./say.ts";
import { sumsOfCopies } from "./sums.ts";

export const copies: JobKind = {
  name: "copies",
  title: "Copies of one photo",
  about:
    "Document photos, badges, prints for everyone: one size, as often as it fits or as often as you say.",
  arrange: arrangeCopies,
  sums: sumsOfCopies,
  say: sayCopies,
};

import type { PatternView } from "@wide-quilt/server/contract";
import { useNavigate } from "react-router";
import { server } from "../../api/client.ts";
import { readJsonFile } from "../../api/jsonFile.ts";
import { failureOf, usePatternsQuery } from "../../api/queries.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useTitle } from "../../app/useTitle.ts";

/** What can be done to a pattern from its card. */
export interface PatternActs {
  start(pattern: PatternView): void;
  change(pattern: PatternView, change: { name?: string; folder?: string }): void;
  remove(pattern: PatternView): void;
}

/** The pattern book and everything that changes it; null while it is on its way. */
export function usePatterns() {
  const { data: patterns = null, error } = usePatternsQuery();
  const failure = failureOf(error);
  useTitle("Pattern book");
  const navigate = useNavigate();
  const doing = useDoing();
  const changing = (work: () => Promise<unknown>, said?: string) =>
    doing(work, { said, changes: "patterns" });
  const act: PatternActs = {
    start: ({ id }) =>
      void doing(async () => {
        const job = await server.startFromPattern(id);
        await navigate(`/jobs/${job.id}`);
      }),
    change: ({ id }, change) => void changing(() => server.changePattern(id, change)),
    remove: ({ id, name }) => void changing(() => server.deletePattern(id), `“${name}” is out of the book.`),
  };
  const importFile = (file: File) =>
    changing(
      async () => server.importPattern(await readJsonFile(file, "pattern")),
      "The pattern is in the book.",
    );
  return { patterns, failure, act, importFile };
}

import { arrange, check, makeFor, sayMade, type Job, type MadeFor } from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import { useMemo } from "react";
import { useNavigate } from "react-router";
import { server } from "../../api/client.ts";
import { failureOf, usePatternsQuery } from "../../api/queries.ts";
import { withFilledEdges } from "../../kinds/artwork/fillEdges.ts";
import { useDoing } from "../../app/useDoing.ts";
import { LOCALE } from "../../app/preferences.ts";
import type { Words } from "../../words/words.ts";

/** A pattern of the book; null while it is on its way, undefined where it is not there. */
export function usePattern(id: string) {
  const { data, error } = usePatternsQuery();
  const pattern = data ? data.find((one) => one.id === id) : null;
  return { pattern, failure: failureOf(error) };
}

/** What is said of a target, the worst first. */
export interface Said {
  level: "wrong" | "look" | "right";
  sentence: string;
}

/** A pattern as it comes out for a target. */
export function useMade(
  pattern: PatternView,
  madeFor: MadeFor,
  corrections: PatternView["targets"][0]["corrections"],
  words: Words,
) {
  return useMemo(() => {
    const made = makeFor(pattern.job, { for: madeFor, corrections });
    const write = { unit: words.unit, locale: LOCALE };
    return {
      ...made,
      said: [...sayMade(made, pattern.job, write), ...spoils(made.job, words, SAID_OF_PAGE)],
    };
  }, [pattern.job, madeFor, corrections, words]);
}

/** What would spoil prints of a layout that has no photos yet. */
export function spoils(job: Job, words: Words, saidAlready: ReadonlySet<string> = NONE): Said[] {
  const findings = check(job, {}, arrange(job, {}), { unit: words.unit, locale: LOCALE });
  return findings.flatMap(({ rule, level, sentence }) =>
    level === "right" || OF_PHOTOS.has(rule) || saidAlready.has(rule) ? [] : [{ level, sentence }],
  );
}

const NONE: ReadonlySet<string> = new Set();

/** Findings that say of an artwork what is said of the whole page. */
const SAID_OF_PAGE: ReadonlySet<string> = new Set(["artwork-cropped", "artwork-short", "artwork-stretched"]);

/** Findings that a layout has for want of photos. */
const OF_PHOTOS: ReadonlySet<string> = new Set(["empty-cell", "missing-photo", "photo-on-no-sheet"]);

/** Everything that can be done to a pattern and its targets; each answers whether it was done. */
export function usePatternActs() {
  const doing = useDoing();
  const navigate = useNavigate();
  const changing = async (work: () => Promise<PatternView>, said: string) => {
    let now: PatternView | null = null;
    await doing(
      async () => {
        now = await work();
      },
      { said, changes: "patterns" },
    );
    return now as PatternView | null;
  };
  return {
    /** To another pattern’s page. */
    go: (id: string) => void navigate(`/patterns/${id}`, { replace: true }),
    /** The same with the artwork’s edges repeated where it would leave some of the page bare; null where that failed. */
    filled: async (job: Job, madeFor: MadeFor): Promise<MadeFor | null> => {
      let filled: MadeFor | null = null;
      await doing(async () => {
        filled = await withFilledEdges(job, madeFor);
      });
      return filled;
    },
    start: (id: string) =>
      void doing(async () => {
        const job = await server.startFromPattern(id);
        await navigate(`/jobs/${job.id}`);
      }),
    add: (id: string, madeFor: MadeFor) =>
      changing(() => server.addTarget(id, madeFor), `It is made for “${madeFor.name}” too.`),
    change: (id: string, target: string, madeFor: MadeFor) =>
      changing(() => server.changeTarget(id, target, madeFor), `“${madeFor.name}” is changed.`),
    uncorrect: (id: string, target: string) =>
      changing(() => server.uncorrectTarget(id, target), "It is as computed again."),
    remove: (id: string, target: string, name: string) =>
      changing(() => server.removeTarget(id, target), `“${name}” is taken out.`),
  };
}

/** What to make a pattern for, to begin with: as it is, for the printer that is asked for. */
export function beginning(pattern: PatternView, printer: MadeFor["printer"]): MadeFor {
  const { sheet, target, impose } = pattern.job;
  return {
    name: printer.name.slice(0, 200),
    printer: { ...printer, bleed: printer.bleed > 0 ? printer.bleed : target.bleed },
    page: { paper: sheet.paper, lie: sheet.lie, trim: sheet.trim },
    onPaper: impose.way === "one" ? null : impose.paper,
    fit: "fill",
    most: 3,
    widened: null,
  };
}

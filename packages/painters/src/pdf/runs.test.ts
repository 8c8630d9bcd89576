import { describe, expect, it } from "vitest";
import { forFont, runsOf } from "./runs.ts";

/** As they are seen from the left, each as it is written; worked out by hand from UAX 9. */
const seen = (line: string) => runsOf(line).map(({ text, leftwards }) => (leftwards ? `<${text}` : text));

describe("the parts of a line", () => {
  it.each([
    ["High water 12:30", ["High water 12:30"]],
    ["مارس", ["<مارس"]],
    // Arabic figures after Arabic letters are read from the left, at the left of what was said before them.
    ["مارس ٢٠٢٧", ["٢٠٢٧", "<مارس "]],
    ["Tide מד end", ["Tide ", "<מד", " end"]],
    ["יום 12 מרץ", ["< מרץ", "12", "<יום "]],
  ])("%s", (line, parts) => expect(seen(line)).toEqual(parts));

  it("have the figures of Arabic turned round for the library that turns them round again", () => {
    expect(runsOf("٢٨").map(forFont)).toEqual(["٨٢"]);
    expect(runsOf("28 مارس").map(forFont)).toEqual(["28 ", "مارس"]);
  });
});

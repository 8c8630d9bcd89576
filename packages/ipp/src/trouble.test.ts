import { describe, expect, it } from "vitest";
import { troubleOf } from "./index.ts";

/** Keywords of printer-state-reasons: RFC 8011, 5.4.12, and PWG 5100.9, with any of their three endings. */
const MEANS = {
  "no paper": ["media-empty", "media-needed", "media-empty-error", "com.maker.media-empty"],
  "paper stuck": ["media-jam", "media-jam-error"],
  "little paper": ["media-low", "media-low-warning"],
  "no ink": [
    "marker-supply-empty",
    "marker-supply-empty-error",
    "marker-supply-missing",
    "toner-empty",
    "ink-cartridge-out",
  ],
  "little ink": ["marker-supply-low", "marker-supply-low-warning", "toner-low-report"],
  open: ["cover-open", "door-open-error", "interlock-open"],
  held: ["paused", "moving-to-paused", "stopped-partly"],
};

describe("what is the matter with a printer", () => {
  it.each(Object.entries(MEANS))("is %s, by each of its keywords", (trouble, keywords) => {
    expect(keywords.map(troubleOf)).toEqual(keywords.map(() => trouble));
  });

  it("is nothing by keywords that say nothing to its owner", () => {
    expect(
      ["none", "fuser-over-temp", "marker-waste-full", "spool-area-full", "job-incoming"].map(troubleOf),
    ).toEqual([null, null, null, null, null]);
  });
});

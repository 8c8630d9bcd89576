import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { NO_EDGES } from "./base/geometry/index.ts";
import { mm, um } from "./base/length/index.ts";
import { printerOfJob, PRINTERS } from "./catalogue/printer/index.ts";
import { ruleById } from "./catalogue/rules/index.ts";
import { applyEdit, type JobEdit } from "./edit/index.ts";
import { isTrue } from "./impose/index.ts";
import type { Job } from "./job/index.ts";
import { freshJob, layOut } from "./kinds/index.ts";
import { evenness } from "./photo/cutout/index.ts";
import { goodStudy, MIDDLE_HEAD } from "./photo/portrait/testing/good.ts";
import type { Photos } from "./photo/record/index.ts";
import { arrange } from "./plan/arrange.ts";
import { check, toCheck } from "./report/check/index.ts";
import { reportPeople } from "./report/people/index.ts";
import { cutPlan } from "./solve/cut/index.ts";

/**
 * Every sentence of the program that claims something about a print, the code that establishes it, a case in which it is
 * said and one in which it must not be. What is said without code that checked it does not belong on the screen.
 */
interface Claim {
  /** As it stands in the source that shows it. */
  says: string;
  shownIn: string;
  establishedBy: string;
  /** What that code says where the claim holds, and where it does not. */
  holds(): boolean;
  fails(): boolean;
}

const job = (kind: Parameters<typeof freshJob>[0], ...edits: JobEdit[]): Job =>
  edits.reduce(applyEdit, freshJob(kind, "Claims"));
const add = (...ids: string[]): JobEdit => ({
  do: "add photos",
  photos: ids.map((id) => ({ id, name: `${id}.jpg` })),
});
const photos: Photos = { a: { width: 4000, height: 3000 }, b: { width: 4000, height: 3000 } };
const rules = (of: Job) => check(of, photos, arrange(of, photos)).map(({ rule }) => rule);

const face = MIDDLE_HEAD;
const behind = ruleById("schengen-visa").background!.colour;
/** How someone stands whose pixels were measured, or whose were not. */
const person = (study: boolean, ...edits: JobEdit[]) => {
  const seen = { heads: [face], by: "found" as const, ...(study && { study: goodStudy(behind) }) };
  const heads: Photos = { a: { width: 3000, height: 4000, seen } };
  const of = job("portraits", add("a"), ...edits);
  return reportPeople(of, heads, arrange(of, heads), { unit: "mm", ppi: 300 })[0]!.state;
};
const sums = (of: Job) => layOut(of, photos).sums;
const copies = (change: object, ...more: JobEdit[]) =>
  job("copies", { do: "ticket", change: { turnPieces: "each", ...change } }, ...more);
const mixed = (quantity: number) =>
  job("mixed", {
    do: "ticket",
    change: {
      pieces: [{ shot: 1, width: mm(50), height: mm(70), quantity, mayTurn: true, photo: null, order: 1 }],
    },
  });
const collage = (height: number) =>
  job(
    "collage",
    { do: "ticket", change: { way: "whole", gap: mm(0), border: mm(0) } },
    {
      do: "sheet",
      change: { paper: { name: "Own", width: mm(90), height: mm(height) }, margins: NO_EDGES },
    },
    add("a"),
  );
const scale = (down: number): JobEdit => ({
  do: "target",
  change: { printer: { ...printerOfJob(PRINTERS[0]!), scale: { across: 1, down } } },
});

const CLAIMS: Claim[] = [
  {
    says: 'passes: { text: "passes"',
    shownIn: "apps/web/src/portraits/StateBadge.tsx",
    establishedBy: "packages/core/src/report/people/report.ts",
    holds: () => person(true) === "passes",
    // The background that the rule states was not measured, nor anything else in the pixels.
    fails: () => person(false) === "passes",
  },
  {
    says: "{passing}",
    shownIn: "apps/web/src/views/people/PeopleView.tsx",
    establishedBy: "packages/core/src/report/people/report.ts",
    holds: () => person(true) === "passes",
    fails: () => person(true, { do: "shot", shot: "1", change: { scale: 3 } }) === "passes",
  },
  {
    says: ", the fewest possible",
    shownIn: "apps/web/src/views/table/SumsLine.tsx",
    establishedBy: "packages/core/src/kinds/packed/layout.ts",
    holds: () => sums(mixed(2)).proved === true,
    // Nine of 50 × 70 mm: by their area three sheets would do for more than the packing finds room for.
    fails: () => {
      const { proved, leastSheets } = sums(mixed(9));
      return proved === true && leastSheets !== arrange(mixed(9), {}).length;
    },
  },
  {
    says: ", the most there can be",
    shownIn: "apps/web/src/views/table/SumsLine.tsx",
    establishedBy: "packages/core/src/solve/fit/most.ts",
    holds: () => sums(copies({ size: { width: mm(50), height: mm(50) }, gap: mm(0) })).proved === true,
    // A plain grid is not said to be the most.
    fails: () => sums(copies({ turnPieces: "never" })).proved === true,
  },
  {
    says: '"nothing" : `${words.number(crop * 100',
    shownIn: "apps/web/src/views/table/SumsLine.tsx",
    establishedBy: "packages/core/src/solve/collage/tree.ts",
    // 4 : 3 on paper of 4 : 3, and on a square.
    holds: () => sums(collage(120)).crop! < 0.0005,
    fails: () => sums(collage(90)).crop! < 0.0005,
  },
  {
    says: 'count === 0 ? "nothing" : count',
    shownIn: "apps/web/src/views/table/CheckList.tsx",
    establishedBy: "packages/core/src/report/check/check.ts",
    holds: () => {
      const fine = job("single", add("a"));
      return toCheck(check(fine, photos, arrange(fine, photos))).length === 0;
    },
    fails: () => {
      const left = job("copies", add("a", "b"));
      return toCheck(check(left, photos, arrange(left, photos))).length === 0;
    },
  },
  {
    says: "exact to the pixel: rounding changes none by more than",
    shownIn: "packages/core/src/report/check/rules/exactSizes.ts",
    establishedBy: "packages/core/src/report/check/rules/exactSizes.ts",
    holds: () => rules(job("copies", add("a"))).includes("exact-sizes"),
    // There is no sheet whose sizes could be exact.
    fails: () =>
      rules(
        job("copies", add("a"), { do: "ticket", change: { size: { width: mm(900), height: mm(900) } } }),
      ).includes("exact-sizes"),
  },
  {
    says: "sheets for it are written so that sizes come out true",
    shownIn: "packages/core/src/report/check/rules/press.ts",
    establishedBy: "packages/core/src/impose/forPrinter.ts",
    holds: () => rules(job("copies", add("a"), scale(0.997))).includes("true-size"),
    fails: () => rules(job("copies", add("a"), scale(1))).includes("true-size"),
  },
  {
    says: "Sheets for it are written so that they come out true.",
    shownIn: "apps/web/src/views/sizes/ScaleFields.tsx",
    establishedBy: "packages/core/src/impose/correct.ts",
    // Shown for a printer whose error was measured and is none of the paper’s.
    holds: () => !isTrue({ across: 0.997, down: 1 }),
    fails: () => !isTrue({ across: 1, down: 1 }),
  },
  {
    says: "plan.ok ? plan.steps.length",
    shownIn: "apps/web/src/views/table/SumsLine.tsx",
    establishedBy: "packages/core/src/solve/cut/plan.ts",
    holds: () => cutPlan(PAPER, [at(0, 0), at(50, 0)]).ok,
    // One over the other: no knife frees both.
    fails: () => cutPlan(PAPER, [at(0, 0), at(20, 20)]).ok,
  },
  {
    says: 'passes ? "passes" : "does not pass"',
    shownIn: "apps/web/src/portraits/BackdropEditor.tsx",
    establishedBy: "packages/core/src/photo/cutout/evenness.ts",
    holds: () => behindSomeone(200, 200) <= 15,
    // Even on the whole, with a shadow in one place.
    fails: () => behindSomeone(200, 90) <= 15,
  },
];

/** The worst deviation from #c8c8c8 of a background of one grey with another in a corner. */
function behindSomeone(grey: number, corner: number): number {
  const side = 64;
  const data = Uint8Array.from({ length: side * side * 3 }, (_, i) => {
    const pixel = Math.floor(i / 3);
    return pixel % side < 8 && pixel < side * 8 ? corner : grey;
  });
  const nobody = { data: new Float32Array(side * side), width: side, height: side };
  return evenness({ data, width: side, height: side, channels: 3 }, nobody, "#c8c8c8")!.worst.deviation;
}

const PAPER = { width: mm(100), height: mm(100) };
const at = (x: number, y: number) => ({ x: um(x * 1000), y: um(y * 1000), width: mm(50), height: mm(50) });

const root = fileURLToPath(new URL("../../..", import.meta.url));
const source = (path: string) => readFileSync(join(root, path), "utf8").replaceAll(/\s+/g, " ");

describe("what the program claims", () => {
  it.each(CLAIMS)("“$says” is said where it is so, and not where it is not", (claim) => {
    expect(source(claim.shownIn)).toContain(claim.says);
    expect(source(claim.establishedBy).length).toBeGreaterThan(0);
    expect([claim.holds(), claim.fails()]).toEqual([true, false]);
  });

  it("is all listed here: no other text of the interface has a word of proof in it", () => {
    const words =
      /\b(proved|passes|fewest|exact to|there can be|come out true|guaranteed|perfect|certified|compliant)\b/;
    const known = [
      ...CLAIMS.map(({ says }) => says),
      // What a person is told to do, or what is worked out beside them.
      ...["does not pass", "and whether that passes", "A crop that passes is there", "passes of the knife"],
      ...[
        "one that passes into another",
        "who passes",
        "Who passes",
        "Farthest from it that passes, CIEDE2000",
      ],
    ];
    const texts = ["apps/web/src", "packages/core/src"].flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true, encoding: "utf8" })
        .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
        .flatMap((name) => textsOf(join(root, folder, name)).map((text) => ({ name, text }))),
    );
    expect(texts.length).toBeGreaterThan(1000);
    const others = texts.filter(
      ({ text }) => words.test(text) && !known.some((one) => one.includes(text) || text.includes(one)),
    );
    expect(others).toEqual([]);
  });
});

/** What a source has of texts that a person may read: more than one word between quotation marks or tags. */
function textsOf(path: string): string[] {
  const file = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, false);
  const texts: string[] = [];
  const walk = (node: ts.Node): void => {
    if (
      ts.isStringLiteralLike(node) ||
      ts.isJsxText(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node)
    )
      texts.push(node.text.replaceAll(/\s+/g, " ").trim());
    ts.forEachChild(node, walk);
  };
  walk(file);
  return texts.filter((text) => text.includes(" "));
}

import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { readTable } from "./index.ts";

describe("a table of text", () => {
  const cell = fc.string({
    unit: fc.constantFrom("a", "é", " ", ",", ";", '"', "\n", "\t", "1"),
    maxLength: 12,
  });
  const table = fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 12 });

  it("is read as it was written, whatever is in its cells", () => {
    fc.assert(
      fc.property(table, fc.constantFrom(",", ";", "\t"), (rows, delimiter) => {
        // Marked, so that no line is empty and none is taken for headings.
        const marked = rows.map(([a, b, c], i) => [`p${i}`, `${a}x`, `${b}y`, `${c}z`]);
        const text = Papa.unparse([["n", "a", "b", "c"], ...marked], {
          delimiter,
          quotes: true,
          newline: "\n",
        });
        const { lines, problems } = readTable(`sep=${delimiter}\n${text}`);
        expect(lines.map(({ cells }) => cells)).toEqual(marked);
        expect(problems.filter((sentence) => !/^Lines \d+ to \d+ were read as one/.test(sentence))).toEqual(
          [],
        );
        // The line of a record is where its mark stands in the file.
        const file = `sep=${delimiter}\n${text}`;
        for (const [i, { line }] of lines.entries())
          expect(line).toBe(file.slice(0, file.indexOf(`"p${i}"${delimiter}`)).split("\n").length);
      }),
      { numRuns: 1500 },
    );
  });

  it("loses no line to quotation marks that stray into it: every line is read or told", () => {
    const strays = fc.array(fc.tuple(fc.nat(), fc.constantFrom('"', '""', '",', ',"')), {
      minLength: 1,
      maxLength: 4,
    });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), strays, (count, marks) => {
        let text = `name,number\n${Array.from({ length: count }, (_, i) => `<${i}> Ringer,R-${i}`).join("\n")}`;
        const head = text.indexOf("\n") + 1;
        for (const [at, mark] of marks) {
          const place = head + (at % (text.length - head + 1));
          text = text.slice(0, place) + mark + text.slice(place);
        }
        const { lines, problems } = readTable(text);
        // A mark may stand inside a name; what the name was is seen without it.
        const bare = (one: string) => one.replaceAll(/[",]/g, "");
        const read = lines.map(({ cells }) => bare(cells.join("")));
        const names = text.split("\n").slice(1);
        names.forEach((line, i) => {
          const told = problems.some((sentence) => {
            const [, from, to = from] = /^Lines? (\d+)(?: to (\d+))? /.exec(sentence) ?? [];
            return i + 2 >= Number(from) && i + 2 <= Number(to);
          });
          const own = /<\d+>/.exec(bare(line))?.[0];
          const alone =
            own !== undefined && read.filter((one) => one.includes(own)).some((one) => !one.includes("\n"));
          expect(told || alone, `line ${i + 2} of ${JSON.stringify(text)}`).toBe(true);
        });
      }),
      { numRuns: 1500 },
    );
  });

  it("takes fifty thousand lines in a moment", () => {
    const text = `name\n${Array.from({ length: 50_000 }, (_, i) => `Ringer ${i}`).join("\n")}`;
    expect(readTable(text).lines).toHaveLength(50_000);
  });
});

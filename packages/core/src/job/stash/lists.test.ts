import { describe, expect, it } from "vitest";
import { readTable } from "./table.ts";

/** A file, its headings and lines as RFC 4180 has them, and what has to be told of it. */
type List = [file: string, head: string, lines: string[], told?: RegExp[]];

const BROKEN = /quotation mark/;
const OVER = /more cells than there are headings/;
const SPANS = /were read as one/;
const TWICE = /is there twice/;

/** Cells are written here with bars between them. */
const LISTS: List[] = [
  // Separators.
  ["a,b\n1,2\n", "a|b", ["1|2"]],
  ["a;b\n1;2\n", "a|b", ["1|2"]],
  ["a\tb\n1\t2\n", "a|b", ["1|2"]],
  ["sep=;\na;b\n1;2\n", "a|b", ["1|2"]],
  ["SEP=,\na,b\n1,2\n", "a|b", ["1|2"]],
  ["sep=|\na|b\n1|2\n", "a|b", ["1|2"]],
  ["a;b\n1,5;2,5\n", "a|b", ["1,5|2,5"]],
  ["a\n1\n2\n", "a", ["1", "2"]],
  ["photo,name\nx.jpg,Ada\n", "photo|name", ["x.jpg|Ada"]],
  ["a;b;c\n1;2;3\n4;5;6\n", "a|b|c", ["1|2|3", "4|5|6"]],
  // Ends of lines.
  ["a,b\r\n1,2\r\n", "a|b", ["1|2"]],
  ["a,b\r1,2\r3,4\r", "a|b", ["1|2", "3|4"]],
  ["a,b\n1,2", "a|b", ["1|2"]],
  ["a,b\r\n1,2\n3,4\r5,6", "a|b", ["1|2", "3|4", "5|6"]],
  ["\ufeffa,b\n1,2\n", "a|b", ["1|2"]],
  ["a,b\n\n1,2\n\n\n3,4\n", "a|b", ["1|2", "3|4"]],
  ["\n\na,b\n1,2\n", "a|b", ["1|2"]],
  ["a,b\n ,\n1,2\n", "a|b", ["1|2"]],
  ["a,b\n,,\n1,2\n", "a|b", ["1|2"]],
  ["a,b\n1,2\n\n", "a|b", ["1|2"]],
  // Quotation marks as they should be.
  ['a,b\n"1","2"\n', "a|b", ["1|2"]],
  ['a,b\n"1,5",2\n', "a|b", ["1,5|2"]],
  ['a,b\n"say ""hi""",2\n', "a|b", ['say "hi"|2']],
  ['a,b\n"",2\n', "a|b", ["|2"]],
  ['"a","b"\n1,2\n', "a|b", ["1|2"]],
  ['a;b\n"1;5";2\n', "a|b", ["1;5|2"]],
  ['a,b\n"one\ntwo",2\n', "a|b", ["one\ntwo|2"], [SPANS]],
  ['a,b\r\n"one\r\ntwo",2\r\n3,4\r\n', "a|b", ["one\ntwo|2", "3|4"], [SPANS]],
  ['a,b\n"""",2\n', "a|b", ['"|2']],
  ['a,b\n1,"2"\n', "a|b", ["1|2"]],
  // Quotation marks as they should not be: only their own line loses them.
  ['a,b\n"1,2\n3,4\n5,6\n', "a|b", ["1|2", "3|4", "5|6"], [BROKEN]],
  ['a,b\n1,"2\n3,4\n', "a|b", ["1|2", "3|4"], [BROKEN]],
  ['a,b\n1,2\n3,"4', "a|b", ["1|2", "3|4"], [BROKEN]],
  ['a,b\n"1"x,2\n3,4\n', "a|b", ["1x|2", "3|4"], [BROKEN]],
  ['a,b\n5" x 7",2\n3,4\n', "a|b", ['5" x 7"|2', "3|4"]],
  ['a,b\n"1,2\n"3,4\n5,6\n', "a|b", ["1|2", "3|4", "5|6"], [BROKEN, BROKEN]],
  ['a;b\n"1;2\n3;4\n', "a|b", ["1|2", "3|4"], [BROKEN]],
  ['a\tb\n"1\t2\n3\t4\n', "a|b", ["1|2", "3|4"], [BROKEN]],
  ['a,b\n1,2\n"3\n', "a|b", ["1|2", "3"], [BROKEN]],
  ['a,b\n"x" ,2\n3,4\n', "a|b", ["x|2", "3|4"]],
  // Cells that are missing or over.
  ["a,b,c\n1,2\n3,4,5\n", "a|b|c", ["1|2", "3|4|5"]],
  ["a,b\n1,2,3\n4,5\n", "a|b", ["1|2|3", "4|5"], [OVER]],
  ["a,b\n1,2,,\n", "a|b", ["1|2||"]],
  ["photo,name\nx.jpg,Tern, Ada\ny.jpg,Gull\n", "photo|name", ["x.jpg|Tern| Ada", "y.jpg|Gull"], [OVER]],
  ["a,b\n1,2,3\n4,5,6\n", "a|b", ["1|2|3", "4|5|6"], [OVER, OVER]],
  ["a,b,\n1,2,\n", "a|b|", ["1|2|"]],
  ["a,,b\n1,2,3\n", "a||b", ["1|2|3"]],
  ["a,b\n1\n", "a|b", ["1"]],
  // Headings.
  ["a,a\n1,2\n", "a|a", ["1|2"], [TWICE]],
  ["a,A\n1,2\n", "a|A", ["1|2"], [TWICE]],
  [" a , b \n1,2\n", "a|b", ["1|2"]],
  ["a,b,a,b\n1,2,3,4\n", "a|b|a|b", ["1|2|3|4"], [TWICE, TWICE]],
  ["Étage;Größe\n1;2\n", "Étage|Größe", ["1|2"]],
  ["名前,写真\n花子,x.jpg\n", "名前|写真", ["花子|x.jpg"]],
  ["a,b\n", "a|b", []],
  ["a", "a", []],
  // Odd letters.
  ["a,b\n\u00a01,2\u00a0\n", "a|b", ["\u00a01|2\u00a0"]],
  ["a,b\n'1','2'\n", "a|b", ["'1'|'2'"]],
  ["a,b\n“1”,„2“\n", "a|b", ["“1”|„2“"]],
  ["a,b\n=SUM(1),@x\n", "a|b", ["=SUM(1)|@x"]],
  ["a,b\n1,👩‍👩‍👧\n", "a|b", ["1|👩‍👩‍👧"]],
  ["a,b\n1,\ud800\n", "a|b", ["1|\ud800"]],
];

describe("lists as people save them", () => {
  it("are sixty and more", () => expect(LISTS.length).toBeGreaterThanOrEqual(60));

  it.each(LISTS)("%j", (file, head, lines, told = []) => {
    const read = readTable(file);
    expect(read.head.join("|")).toBe(head);
    expect(read.lines.map(({ cells }) => cells.join("|"))).toEqual(lines);
    expect(read.problems).toHaveLength(told.length);
    told.forEach((one, i) => expect(read.problems[i]).toMatch(one));
  });
});

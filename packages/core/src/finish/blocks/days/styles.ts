import type { DayStyle, Design } from "./schema.ts";

const INK = "#20242c";
const RED = "#a8322a";
const GREY = "#646b77";

const PLAIN: Design = {
  title: "hanken",
  figures: "hanken",
  words: "hanken",
  ink: INK,
  off: RED,
  quiet: GREY,
  line: "#d4d6da",
  tint: null,
  ground: null,
  size: 1,
  heading: true,
  weekNumbers: false,
  others: false,
  texts: true,
  marks: true,
  near: false,
};

/** How each style sets days as long as nobody wants it otherwise. */
export const DESIGNS: Readonly<Record<DayStyle, Design>> = {
  large: { ...PLAIN, title: "josefin-light", texts: false },
  write: { ...PLAIN, title: "garamond-italic", figures: "hanken-bold", tint: "#f1efe9", line: "#9aa0ab" },
  column: { ...PLAIN, title: "garamond-italic", figures: "source-serif", tint: "#f1efe9" },
  line: { ...PLAIN, title: "oswald", figures: "oswald", words: "oswald-light", texts: false },
  quiet: {
    ...PLAIN,
    title: "josefin-bold",
    figures: "hanken",
    ink: "#ffffff",
    off: "#ffffff",
    quiet: "#ffffff",
    line: "#ffffff",
    texts: false,
  },
  people: { ...PLAIN, title: "hanken-bold", figures: "hanken-bold", tint: "#f1efe9" },
  small: { ...PLAIN, title: "hanken-bold", texts: false, marks: false },
};

/** What days that are made to lie over photos are set in where they lie on paper. */
export const ON_PAPER: Partial<Design> = { ink: INK, off: RED, quiet: GREY, line: PLAIN.line };

export const designOf = ({ style, own }: { style: DayStyle; own: Partial<Design> }): Design => ({
  ...DESIGNS[style],
  ...own,
});

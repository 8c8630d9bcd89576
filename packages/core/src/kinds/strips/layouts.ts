import { mm } from "../../base/length/index.ts";
import type { TicketOf } from "../tickets.ts";

/** A way to divide a strip or a card that ships with the program. */
export interface StripLayout {
  name: string;
  /** The paper that the page is, as it lies. */
  page: { paper: "strip" | "photo-10x15"; lie: "portrait" | "landscape" };
  ticket: Pick<
    TicketOf<"strips">,
    "along" | "lines" | "gap" | "border" | "room" | "roomAt" | "tilts" | "stand"
  >;
  /** What is behind it; null for bare paper. */
  ground: { top: string; bottom: string; words: string } | null;
}

const rows = (...cells: number[]) => cells.map((count) => ({ cells: count, share: 1 }));

/** Layouts of our own, for a pair of strips on 10 × 15 cm paper and for whole cards of it. */
export const STRIP_LAYOUTS: readonly StripLayout[] = [
  {
    name: "Strip of three",
    page: { paper: "strip", lie: "portrait" },
    ticket: {
      along: "rows",
      lines: rows(1, 1, 1),
      ...{ gap: mm(3), border: mm(5), room: mm(26), roomAt: "foot", tilts: [], stand: null },
    },
    ground: null,
  },
  {
    name: "Strip of four",
    page: { paper: "strip", lie: "portrait" },
    ticket: {
      along: "rows",
      lines: rows(1, 1, 1, 1),
      ...{ gap: mm(2.5), border: mm(4), room: mm(18), roomAt: "foot", tilts: [], stand: null },
    },
    ground: null,
  },
  {
    name: "Strip with one askew",
    page: { paper: "strip", lie: "portrait" },
    ticket: {
      along: "rows",
      lines: rows(1, 1, 1),
      ...{ gap: mm(4), border: mm(6.5), room: mm(22), roomAt: "head" },
      tilts: [{ shot: 2, angle: -6, size: 1.05 }],
      stand: null,
    },
    ground: { top: "#f2d9a0", bottom: "#e2a76b", words: "#4a2f17" },
  },
  {
    name: "Card, one large and three small",
    page: { paper: "photo-10x15", lie: "landscape" },
    ticket: {
      along: "columns",
      lines: [
        { cells: 1, share: 2.6 },
        { cells: 3, share: 1 },
      ],
      ...{ gap: mm(3), border: mm(5), room: mm(14), roomAt: "foot", tilts: [], stand: null },
    },
    ground: null,
  },
  {
    name: "Card, two by two",
    page: { paper: "photo-10x15", lie: "portrait" },
    ticket: {
      along: "rows",
      lines: rows(2, 2),
      ...{ gap: mm(3), border: mm(5), room: mm(20), roomAt: "foot", tilts: [], stand: null },
    },
    ground: null,
  },
  {
    name: "Card with an event’s border",
    page: { paper: "photo-10x15", lie: "landscape" },
    ticket: {
      along: "rows",
      lines: rows(1),
      ...{ gap: mm(3), border: mm(7), room: mm(14), roomAt: "foot", tilts: [], stand: null },
    },
    ground: { top: "#2d5a66", bottom: "#16333d", words: "#f4ead2" },
  },
  {
    name: "Strip on its side, words at the left",
    page: { paper: "strip", lie: "landscape" },
    ticket: {
      along: "columns",
      lines: rows(1, 1, 1),
      ...{ gap: mm(3), border: mm(5), room: mm(28), roomAt: "left", tilts: [], stand: null },
    },
    ground: null,
  },
];

/** The shots of a layout. */
export const shotsOf = ({ lines }: Pick<TicketOf<"strips">, "lines">): number =>
  lines.reduce((sum, { cells }) => sum + cells, 0);

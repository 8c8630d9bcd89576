import { NO_EDGES, type Edges } from "../geometry/index.ts";
import { mm, um, type Um } from "../length/index.ts";

/** Where a sheet is made and on what: a lab's lustre paper, the printer at home, a screen. */
export interface Printer {
  id: string;
  /** As it stands in the ticket: "Lab, lustre". */
  name: string;
  /** What the machine cannot print on, with the paper upright. */
  unprintable: Edges;
  /** How much of each edge can be lost where the paper is enlarged past its edges to print without a border. */
  mayLose: Um;
  /** What one sheet costs, in no currency: a fixed part, and a part by paper area. */
  price: { perSheet: number; perSquareMetre: number };
  /** Pixels per inch it is best sent. */
  ppi: number;
}

/** Made-up places to print at, with the measures and prices that such places commonly have. */
export const PRINTERS: readonly Printer[] = [
  {
    id: "lab-lustre",
    name: "Lab, lustre",
    unprintable: NO_EDGES,
    mayLose: mm(2),
    price: { perSheet: 0.05, perSquareMetre: 17 },
    ppi: 300,
  },
  {
    id: "lab-matte",
    name: "Lab, matte",
    unprintable: NO_EDGES,
    mayLose: mm(2),
    price: { perSheet: 0.05, perSquareMetre: 19 },
    ppi: 300,
  },
  {
    id: "inkjet-glossy",
    name: "Inkjet, glossy",
    unprintable: { top: mm(3), right: mm(3.4), bottom: mm(12.5), left: mm(3.4) },
    mayLose: um(0),
    price: { perSheet: 0, perSquareMetre: 24 },
    ppi: 360,
  },
  {
    id: "inkjet-borderless",
    name: "Inkjet, borderless",
    unprintable: NO_EDGES,
    mayLose: mm(2.5),
    price: { perSheet: 0, perSquareMetre: 26 },
    ppi: 360,
  },
  {
    id: "event",
    name: "Event printer",
    unprintable: NO_EDGES,
    mayLose: mm(1.5),
    price: { perSheet: 0.22, perSquareMetre: 0 },
    ppi: 300,
  },
  {
    id: "screen",
    name: "Screen only",
    unprintable: NO_EDGES,
    mayLose: um(0),
    price: { perSheet: 0, perSquareMetre: 0 },
    ppi: 300,
  },
];

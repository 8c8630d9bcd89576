import { NO_EDGES } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { USUAL_PRESS } from "../press/schema.ts";
import { PLAIN, SHIPPED_CURRENCY, type Printer } from "./schema.ts";

const SRGB = USUAL_PRESS.colour;

/** What entries have that say nothing else: a lab that takes sRGB files of any size and loses nothing. */
const LAB: Omit<Printer, "id" | "name" | "price"> = {
  ...PLAIN,
  unprintable: NO_EDGES,
  mayLose: um(0),
  address: null,
  ppi: 300,
  enlarged: 0,
  bleed: um(0),
  colour: SRGB,
  medium: "glossy",
};

/** Made-up places to print at, with the measures and prices that such places commonly have. */
export const PRINTERS: readonly Printer[] = [
  {
    ...LAB,
    id: "lab-lustre",
    name: "Lab, lustre",
    mayLose: mm(2),
    price: { currency: SHIPPED_CURRENCY, perSheet: 0.05, perSquareMetre: 17, ink: 0 },
  },
  {
    ...LAB,
    id: "lab-matte",
    name: "Lab, matte",
    mayLose: mm(2),
    price: { currency: SHIPPED_CURRENCY, perSheet: 0.05, perSquareMetre: 19, ink: 0 },
    medium: "matte",
  },
  {
    ...LAB,
    id: "inkjet-glossy",
    name: "Inkjet, glossy",
    unprintable: { top: mm(3), right: mm(3.4), bottom: mm(12.5), left: mm(3.4) },
    price: { currency: SHIPPED_CURRENCY, perSheet: 0, perSquareMetre: 12, ink: 9 },
    ppi: 360,
  },
  {
    ...LAB,
    id: "inkjet-borderless",
    name: "Inkjet, borderless",
    mayLose: mm(2.5),
    price: { currency: SHIPPED_CURRENCY, perSheet: 0, perSquareMetre: 14, ink: 9 },
    ppi: 360,
  },
  {
    ...LAB,
    id: "event",
    name: "Event printer",
    mayLose: mm(1.5),
    price: { currency: SHIPPED_CURRENCY, perSheet: 0.22, perSquareMetre: 0, ink: 0 },
  },
  {
    ...LAB,
    id: "screen",
    name: "Screen only",
    price: { currency: SHIPPED_CURRENCY, perSheet: 0, perSquareMetre: 0, ink: 0 },
    medium: "none",
  },
];

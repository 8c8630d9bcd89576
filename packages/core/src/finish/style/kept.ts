import { evenEdges } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { AS_IT_IS } from "../../photo/look/index.ts";
import type { StyleChange } from "./schema.ts";

/** A style that is kept under a name, to be tried on. */
export interface KeptStyle {
  name: string;
  about: string;
  style: StyleChange;
}

const even = (millimetres: number) => evenEdges(mm(millimetres));
const square = um(0);

/** The styles that come with the program. */
export const KEPT_WITH_PROGRAM: readonly KeptStyle[] = [
  {
    name: "White border",
    about: "5 mm, the same on all sides",
    style: { border: { place: "inside", width: even(5), colour: "#ffffff", corner: square } },
  },
  {
    name: "Deep-edged card",
    about: "a white card with room to write below",
    style: {
      border: {
        place: "inside",
        width: { top: mm(5), right: mm(5), bottom: mm(20), left: mm(5) },
        colour: "#ffffff",
        corner: square,
      },
      caption: {
        text: "[title]\n[date, short]",
        type: { font: "caveat", size: mm(6), least: mm(3), colour: "#20242c", align: "middle" },
        place: "lower border",
        lines: 2,
      },
    },
  },
  {
    name: "Double mat",
    about: "an ivory board over a dark one, a little deeper below",
    style: {
      mat: {
        layers: [
          { reveal: even(22), colour: "#f3efe6" },
          { reveal: even(4), colour: "#4a4a46" },
        ],
        bevel: { width: mm(0.8), colour: "#ffffff" },
        optical: true,
      },
      caption: {
        text: "[title]",
        type: { font: "garamond", size: mm(6), least: mm(3), colour: "#4a4a46", align: "middle" },
        place: "lower border",
        lines: 1,
      },
    },
  },
  {
    name: "Exposure data",
    about: "name, shutter, aperture and sensitivity under each photo",
    style: {
      caption: {
        text: "[frame] · [name]\n[shutter] · [aperture] · [iso]",
        type: { font: "spline-mono", size: mm(2.2), least: mm(1.5), colour: "#20242c", align: "middle" },
        place: "under",
        lines: 2,
      },
    },
  },
  {
    name: "Hairline",
    about: "a fine dark line on the edge of each photo",
    style: {
      border: {
        place: "centred",
        width: evenEdges(um(300)),
        colour: "#20242c",
        corner: square,
      },
    },
  },
  { name: "Faded", about: "as after a summer in the window", style: { look: { ...AS_IT_IS, fade: 0.7 } } },
  {
    name: "Warm",
    about: "late light",
    style: { look: { ...AS_IT_IS, warmth: 0.45, contrast: 0.1, exposure: 0.1 } },
  },
  {
    name: "Black and white",
    about: "with a little more contrast",
    style: { look: { ...AS_IT_IS, mono: 1, contrast: 0.2 } },
  },
  { name: "Pale", about: "screened back to a quarter", style: { look: { ...AS_IT_IS, pale: 0.75 } } },
];

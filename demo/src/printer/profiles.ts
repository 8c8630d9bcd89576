import { lutTag, writeProfile } from "@wide-quilt/colour";
import type { Lab } from "@wide-quilt/core";
import { labOfXyz, LUSTRE, printed, UNCOATED, xyzOf, type InkSet } from "./inks.ts";
import { invert, type Model, type Wish } from "./invert.ts";

/** A printer with its paper, as its profile describes it. */
interface Device {
  name: string;
  space: "RGB " | "CMYK";
  inks: InkSet;
  model: Model;
  /** Where the search for amounts begins, and what it should keep to. */
  start(lab: Lab): readonly number[];
  wish?(lab: Lab): Wish;
  grid: { forward: number; back: number };
}

/** The profiles of the demo’s made-up printers: the station’s inkjet, and a press for its season album. */
export const demoProfiles = (): { name: string; profile: Buffer }[] =>
  [inkjet(), press()].map((device) => ({ name: device.name, profile: profileOf(device) }));

/** An inkjet that is sent RGB: its driver makes inks of it, black where all three colours meet. */
function inkjet(): Device {
  const print = printed(LUSTRE);
  const model: Model = ([r, g, b]) => {
    const [c, m, y] = [1 - r!, 1 - g!, 1 - b!];
    const k = Math.min(c, m, y) ** 3;
    const rest = 1 - 0.6 * k;
    return labOfXyz(print(c * rest, m * rest, y * rest, k));
  };
  return {
    name: "Spit inkjet, lustre",
    space: "RGB ",
    inks: LUSTRE,
    model,
    start: ([l, a, b]) => [l / 100 + a / 250, l / 100 - a / 250, l / 100 - b / 250].map(unit),
    grid: { forward: 17, back: 21 },
  };
}

/** A press: black comes in below middle grey. */
function press(): Device {
  const print = printed(UNCOATED);
  const black = ([l]: Lab) => Math.max(0, (62 - l) / 62) ** 1.4 * 0.95;
  return {
    name: "Dune press, uncoated",
    space: "CMYK",
    inks: UNCOATED,
    model: ([c, m, y, k]) => labOfXyz(print(c!, m!, y!, k!)),
    start: (lab) => [
      ...[lab[0] / 100 + lab[1] / 250, lab[0] / 100 - lab[1] / 250, lab[0] / 100 - lab[2] / 250].map(
        (v) => 1 - unit(v),
      ),
      black(lab),
    ],
    wish: (lab) => ({ weight: 6, amounts: [null, null, null, black(lab)] }),
    grid: { forward: 9, back: 17 },
  };
}

const unit = (v: number): number => Math.min(Math.max(v, 0), 1);

function profileOf(device: Device): Buffer {
  const { name, space, inks, grid } = device;
  const forward = forwardTable(device, grid.forward);
  const darkest = device.model(space === "CMYK" ? [0.6, 0.5, 0.5, 1] : [0, 0, 0])[0];
  const table = (map: (lab: Lab) => Lab) => backTable(device, grid.back, map);
  return writeProfile({
    of: "prtr",
    space,
    pcs: "Lab ",
    name,
    white: xyzOf(inks.paper),
    tags: {
      A2B0: forward,
      A2B1: forward,
      A2B2: forward,
      B2A0: table((lab) => lighter(lab, darkest, 0.86)),
      B2A1: table((lab) => lab),
      B2A2: table((lab) => lighter(lab, darkest, 1.1)),
    },
  });
}

/** Lightness drawn together so that black comes to the paper’s black, and chroma with it: a pleasing whole. */
const lighter = ([l, a, b]: Lab, darkest: number, chroma: number): Lab => [
  darkest + (l * (100 - darkest)) / 100,
  a * chroma,
  b * chroma,
];

/** L*a*b* as lut16 tables of version 2 hold it (ICC.1:2001-04, 6.3.4.2): 100 is 0xff00, no colour 0x8000. */
const coded = ([l, a, b]: Lab): number[] => [(l / 100) * 0xff00, a * 256 + 0x8000, b * 256 + 0x8000];

function forwardTable({ space, model }: Device, grid: number): Buffer {
  const inputs = space === "CMYK" ? 4 : 3;
  const values = points(inputs, grid).flatMap((at) => coded(model(at.map((i) => i / (grid - 1)))));
  return lutTag({ inputs, outputs: 3, grid, values });
}

function backTable({ space, model, start, wish }: Device, grid: number, map: (lab: Lab) => Lab): Buffer {
  const outputs = space === "CMYK" ? 4 : 3;
  const step = (i: number) => (i / (grid - 1)) * 65_535;
  const values = points(3, grid).flatMap(([i, j, k]) => {
    const lab: Lab = [(step(i!) / 0xff00) * 100, (step(j!) - 0x8000) / 256, (step(k!) - 0x8000) / 256];
    const wanted = map(lab);
    return invert(model, wanted, start(wanted), wish?.(wanted)).map((v) => v * 65_535);
  });
  return lutTag({ inputs: 3, outputs, grid, values });
}

/** All points of a grid, the first channel varying slowest. */
function points(channels: number, grid: number): number[][] {
  return Array.from({ length: grid ** channels }, (_, index) =>
    Array.from({ length: channels }, (_, c) => Math.floor(index / grid ** (channels - 1 - c)) % grid),
  );
}

import { curveTag, xyzTag } from "./icc/tags.ts";
import { D50, writeProfile } from "./icc/write.ts";
import { inverse, product, times, type Matrix, type Triple } from "./matrix.ts";

type Chromaticity = readonly [x: number, y: number];

/** A colour space that comes with the program, from the figures of its standard. */
export interface BuiltIn {
  id: string;
  name: string;
  /** Where its figures come from. */
  standard: string;
  red: Chromaticity;
  green: Chromaticity;
  blue: Chromaticity;
  white: Chromaticity;
  /** From a coded value to light, both 0…1. */
  toLight(value: number): number;
}

const D65: Chromaticity = [0.3127, 0.329];
/** ISO 22028-2 and ICC.1 give D50 so. */
const D50_XY: Chromaticity = [0.3457, 0.3585];

/** IEC 61966-2-1, 5.2. */
const srgbCurve = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);

export const BUILT_IN: readonly BuiltIn[] = [
  {
    id: "srgb",
    name: "sRGB",
    standard: "IEC 61966-2-1:1999",
    red: [0.64, 0.33],
    green: [0.3, 0.6],
    blue: [0.15, 0.06],
    white: D65,
    toLight: srgbCurve,
  },
  {
    id: "display-p3",
    name: "Display P3",
    standard: "SMPTE EG 432-1:2010 primaries, D65, curve of IEC 61966-2-1",
    red: [0.68, 0.32],
    green: [0.265, 0.69],
    blue: [0.15, 0.06],
    white: D65,
    toLight: srgbCurve,
  },
  {
    id: "oprgb",
    name: "opRGB",
    standard: "IEC 61966-2-5:2007",
    red: [0.64, 0.33],
    green: [0.21, 0.71],
    blue: [0.15, 0.06],
    white: D65,
    toLight: (v) => v ** (563 / 256),
  },
  {
    id: "romm",
    name: "ROMM RGB",
    standard: "ISO 22028-2:2013",
    red: [0.7347, 0.2653],
    green: [0.1596, 0.8404],
    blue: [0.0366, 0.0001],
    white: D50_XY,
    toLight: (v) => (v < 16 * 0.001953 ? v / 16 : v ** 1.8),
  },
];

const CURVE_POINTS = 1024;
const written = new Map<string, Buffer>();

/** The ICC profile of a colour space that comes with the program; null where there is none of this id. */
export function builtInProfile(id: string): Buffer | null {
  const space = BUILT_IN.find((one) => one.id === id);
  if (!space) return null;
  let profile = written.get(id);
  if (!profile) written.set(id, (profile = profileOf(space)));
  return profile;
}

function profileOf({ name, red, green, blue, white, toLight }: BuiltIn): Buffer {
  const toD50 = adaptation(xyzOf(white), D50);
  const colorants = scaled([red, green, blue].map(xyzOf), xyzOf(white)).map((one) => times(toD50, one));
  const curve = curveTag(Array.from({ length: CURVE_POINTS }, (_, i) => toLight(i / (CURVE_POINTS - 1))));
  const [r, g, b] = colorants as [Triple, Triple, Triple];
  return writeProfile({
    of: "mntr",
    space: "RGB ",
    pcs: "XYZ ",
    name,
    white: D50,
    tags: {
      rXYZ: xyzTag(...r),
      gXYZ: xyzTag(...g),
      bXYZ: xyzTag(...b),
      rTRC: curve,
      gTRC: curve,
      bTRC: curve,
    },
  });
}

const xyzOf = ([x, y]: Chromaticity): Triple => [x / y, 1, (1 - x - y) / y];

/** Primaries, each as bright as it has to be for all three to make white. */
function scaled(primaries: readonly Triple[], white: Triple): Triple[] {
  const [r, g, b] = primaries as [Triple, Triple, Triple];
  const byColumn: Matrix = [
    [r[0], g[0], b[0]],
    [r[1], g[1], b[1]],
    [r[2], g[2], b[2]],
  ];
  const shares = times(inverse(byColumn), white);
  return primaries.map((one, i) => one.map((v) => v * shares[i]!) as unknown as Triple);
}

/** Bradford's matrix (ICC.1:2022, annex E.3). */
const BRADFORD: Matrix = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];

/** Brings colours seen under one white to how they look under another (ICC.1:2022, annex E). */
function adaptation(from: Triple, to: Triple): Matrix {
  const [a, b] = [times(BRADFORD, from), times(BRADFORD, to)];
  const gain = BRADFORD.map((row, i) => row.map((v) => (v * b[i]!) / a[i]!)) as unknown as Matrix;
  return product(inverse(BRADFORD), gain);
}

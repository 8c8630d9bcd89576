import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { deltaE2000, INTENTS, type Intent, type Lab } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import { readCurve } from "./icc/curve.ts";
import { readShaper } from "./icc/shaper.ts";
import { BadProfile, BUILT_IN, builtInProfile, ColourEngine, readProfile, softProof } from "./index.ts";

const folder = mkdtempSync(join(tmpdir(), "wide-quilt-colour-"));
const files: Record<string, string> = {};
let engine: ColourEngine;

beforeAll(async () => {
  engine = await ColourEngine.start();
  const all = [
    ...BUILT_IN.map(({ id }) => ({ name: id, profile: builtInProfile(id)! })),
    ...demoProfiles().map(({ name, profile }) => ({ name: name.split(" ")[0]!, profile })),
  ];
  for (const { name, profile } of all) {
    files[name] = join(folder, `${name}.icc`);
    writeFileSync(files[name], profile);
  }
});

const open = (name: string) => engine.open(name, readFileSync(files[name]!));

/** Two hundred colours of RGB: the corners, greys, and points spread by a multiplicative sequence (Roberts 2018, R3). */
const CHART = [
  ...[0, 255].flatMap((r) => [0, 255].flatMap((g) => [0, 255].map((b) => [r, g, b]))),
  ...Array.from({ length: 12 }, (_, i) => [20 * i + 10, 20 * i + 10, 20 * i + 10]),
  ...Array.from({ length: 180 }, (_, i) =>
    [0.8191725, 0.6710436, 0.5497005].map((a) => Math.floor(((0.5 + a * (i + 1)) % 1) * 256)),
  ),
];

/** Two hundred colours of four inks, in the same way (R4); transicc counts inks in percent. */
const INKS = [
  ...[0, 255].flatMap((c) =>
    [0, 255].flatMap((m) => [0, 255].flatMap((y) => [0, 255].map((k) => [c, m, y, k]))),
  ),
  ...Array.from({ length: 184 }, (_, i) =>
    [0.8566749, 0.7338919, 0.6287067, 0.5385973].map((a) => Math.floor(((0.5 + a * (i + 1)) % 1) * 256)),
  ),
];
const chartOf = (space: string) => (space === "CMYK" ? INKS : CHART);
const forTransicc = (space: string, colours: number[][]) =>
  space === "CMYK" ? colours.map((one) => one.map((v) => (v / 255) * 100)) : colours;

const INTENT: Record<Intent, string> = { perceptual: "0", relative: "1", saturation: "2", absolute: "3" };

/** LittleCMS's own converter: every colour by itself, without tables made beforehand. */
function transicc(
  from: string,
  to: string,
  intent: Intent,
  blackPoint: boolean,
  colours: number[][],
): number[][] {
  const input = colours.map((one) => one.join(" ")).join("\n");
  const args = ["-i", from, "-o", to, `-t${INTENT[intent]}`, "-n", "-c0", ...(blackPoint ? ["-b"] : [])];
  const out = execFileSync("transicc", args, { input: `${input}\n`, stdio: ["pipe", "pipe", "ignore"] });
  return out
    .toString()
    .trim()
    .split("\n")
    .map((line) => line.trim().split(/\s+/).map(Number));
}

/** What colours of a profile look like, by transicc, relative to the paper. */
const labs = (profile: string, colours: number[][]): Lab[] =>
  transicc(files[profile]!, "*Lab", "relative", false, colours) as unknown as Lab[];

describe("conversion against transicc", () => {
  const ways = [
    ["srgb", "Spit"],
    ["srgb", "Dune"],
    ["romm", "Dune"],
    ["display-p3", "Spit"],
    ["srgb", "oprgb"],
    ["romm", "srgb"],
    ["oprgb", "srgb"],
    ["display-p3", "romm"],
    ["Dune", "srgb"],
    ["Dune", "Spit"],
    ["Dune", "romm"],
    ["Spit", "srgb"],
  ] as const;
  const cases = ways.flatMap(([from, to]) =>
    INTENTS.flatMap((intent) => [true, false].map((blackPoint) => [from, to, intent, blackPoint] as const)),
  );
  it.each(cases)(
    "%s to %s, %s, black point %s: 200 colours within ΔE 2000 of 0.5",
    (from, to, intent, bpc) => {
      const convert = engine.conversion(open(from), open(to), { intent, blackPoint: bpc, depth: 16 });
      const { channels, space } = open(to);
      const chart = chartOf(open(from).space);
      const got = [...convert(Uint8Array.from(chart.flat()))].map((v) =>
        space === "CMYK" ? (v / 65_535) * 100 : (v / 65_535) * 255,
      );
      const ours = chart.map((_, i) => got.slice(i * channels, (i + 1) * channels));
      const asked = forTransicc(open(from).space, chart);
      const theirs = transicc(files[from]!, files[to]!, intent, bpc && intent !== "absolute", asked);
      const [a, b] = [labs(to, ours), labs(to, theirs)];
      const worst = Math.max(...a.map((lab, i) => deltaE2000(lab, b[i]!)));
      expect(worst).toBeLessThan(0.5);
    },
  );
});

describe("colours of curves and a matrix", () => {
  it.each(["romm", "oprgb", "display-p3"])(
    "are those of transicc to a value of 255, from %s and into it, also where they are cut off",
    (other) => {
      for (const [from, to] of [
        [other, "srgb"],
        ["srgb", other],
      ] as const) {
        const convert = engine.conversion(open(from), open(to), {
          intent: "perceptual",
          blackPoint: true,
          depth: 8,
        });
        const ours = [...convert(Uint8Array.from(CHART.flat()))];
        const theirs = transicc(files[from]!, files[to]!, "perceptual", true, CHART).flat();
        expect(Math.max(...ours.map((v, i) => Math.abs(v - theirs[i]!)))).toBeLessThanOrEqual(1);
      }
    },
  );

  it("may be said by formulas: the third of ICC.1:2022, 10.18, with the figures of sRGB", () => {
    const curve = new DataView(new ArrayBuffer(12 + 5 * 4));
    curve.setUint32(0, 0x70617261);
    curve.setUint16(8, 3);
    [2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045].forEach((v, i) =>
      curve.setInt32(12 + 4 * i, Math.round(v * 65_536)),
    );
    const light = readCurve(curve, 0)!;
    // IEC 61966-2-1, 5.2: ((0.5 + 0.055) / 1.055)^2.4 = 0.2140 and 0.02 / 12.92 = 0.001548.
    expect(light(0.5)).toBeCloseTo(0.214, 4);
    expect(light(0.02)).toBeCloseTo(0.001548, 5);
    expect([light(0), light(1)].map((v) => Math.round(v * 1e4) / 1e4)).toEqual([0, 1]);
  });

  it("are not looked for where there are tables, other colours or nonsense", () => {
    for (const { profile } of demoProfiles()) expect(readShaper(profile)).toBeNull();
    const srgb = builtInProfile("srgb")!;
    expect(readShaper(srgb)).not.toBeNull();
    expect(readShaper(srgb.subarray(0, 300))).toBeNull();
    // The red curve, all of whose points are now the same light.
    const flat = Buffer.from(srgb);
    flat.fill(0x7f, flat.indexOf("curv") + 12, flat.indexOf("curv") + 12 + 2048);
    expect(readShaper(flat)).toBeNull();
  });
});

describe("the profiles that come with the program", () => {
  // Colorants of sRGB under D50 as IEC 61966-2-1 and Bradford give them, known from published sRGB profiles:
  // red 0.4361 0.2225 0.0139, green 0.3851 0.7169 0.0971, blue 0.1431 0.0606 0.7141.
  it("have sRGB’s published colorants, and white is white in all of them", () => {
    const xyz = transicc(files.srgb!, "*XYZ", "relative", false, [
      [255, 0, 0],
      [0, 255, 0],
      [0, 0, 255],
    ]);
    const published = [
      [43.61, 22.25, 1.39],
      [38.51, 71.69, 9.71],
      [14.31, 6.06, 71.41],
    ];
    xyz.forEach((one, i) => one.forEach((v, j) => expect(v).toBeCloseTo(published[i]![j]!, 1)));
    for (const { id } of BUILT_IN) {
      const [white] = labs(id, [[255, 255, 255]]);
      expect(deltaE2000(white!, [100, 0, 0])).toBeLessThan(0.05);
    }
  });

  it("have sRGB’s curve: 50 % grey is L* 53.585", () => {
    // (0.5 · 255 = 127.5; IEC curve 0.2140; L* = 116 · 0.2140^(1/3) − 16 = 53.39; for 128: 0.21586, 53.585.)
    expect(labs("srgb", [[128, 128, 128]])[0]![0]).toBeCloseTo(53.585, 1);
  });
});

describe("the demo’s printers", () => {
  it("print what they can print as it was: there and back within ΔE 2000 of 1 on an average", () => {
    const convert = engine.conversion(open("srgb"), open("Dune"), {
      intent: "relative",
      blackPoint: false,
      depth: 16,
    });
    const greys = [128, 150, 180, 210, 240].map((v) => [v, v, v]);
    const inks = [...convert(Uint8Array.from(greys.flat()))].map((v) => (v / 65_535) * 100);
    const printed = labs(
      "Dune",
      greys.map((_, i) => inks.slice(i * 4, i * 4 + 4)),
    );
    const wanted = labs("srgb", greys);
    const apart = printed.map((lab, i) => deltaE2000(lab, wanted[i]!));
    expect(apart.reduce((sum, v) => sum + v, 0) / apart.length).toBeLessThan(1);
  });
});

describe("soft proof", () => {
  const rgba = (...colours: number[][]) => Uint8ClampedArray.from(colours.flatMap((c) => [...c, 255]));
  const proof = (pixels: Uint8ClampedArray, paperWhite: boolean) =>
    softProof(
      engine,
      pixels,
      { from: open("srgb"), printer: open("Dune"), screen: open("srgb") },
      { intent: "relative", blackPoint: true, paperWhite, outside: [255, 0, 255] },
    );

  it("covers what cannot be printed and says how much that is", () => {
    // An uncoated press has no such blue; a middle grey and a skin it has.
    const { pixels, outside } = proof(
      rgba([0, 0, 255], [128, 128, 128], [190, 150, 130], [0, 255, 0]),
      false,
    );
    expect(outside).toBe(0.5);
    expect([...pixels.subarray(0, 3)]).toEqual([255, 0, 255]);
    expect([...pixels.subarray(12, 15)]).toEqual([255, 0, 255]);
    for (let c = 0; c < 3; c++) expect(Math.abs(pixels[4 + c]! - 128)).toBeLessThan(4);
  });

  it("shows the paper’s white only when asked: L* 93, a little yellow", () => {
    expect([...proof(rgba([255, 255, 255]), false).pixels.subarray(0, 3)].every((v) => v >= 254)).toBe(true);
    const [r, g, b] = proof(rgba([255, 255, 255]), true).pixels;
    // transicc: L*a*b* 93 1 3 under D50, absolute, is about 241 233 228 in sRGB.
    const [expected] = transicc("*Lab", files.srgb!, "absolute", false, [[93, 1, 3]]);
    [r, g, b].forEach((v, i) => expect(Math.abs(v! - expected![i]!)).toBeLessThan(2));
  });
});

describe("profiles from outside", () => {
  it("are known by their content, and refused with a sentence", () => {
    const good = readFileSync(files.Dune!);
    expect(readProfile(good)).toEqual({ name: "Dune press, uncoated", of: "printer", space: "CMYK" });
    const changed = (at: number, letters: string) => {
      const bytes = Buffer.from(good);
      bytes.write(letters, at, "latin1");
      return bytes;
    };
    const why = (bytes: Uint8Array) => {
      try {
        readProfile(bytes);
        return "";
      } catch (error) {
        if (!(error instanceof BadProfile)) throw error;
        return error.message;
      }
    };
    expect(why(Buffer.from("no profile"))).toContain("not an ICC profile");
    expect(why(good.subarray(0, 9000))).toContain("broken off");
    expect(why(changed(12, "link"))).toContain("a link between two devices");
    expect(why(changed(16, "HSV "))).toContain("HSV");
  });

  it("that are broken inside are refused when they are used", () => {
    const bytes = Buffer.from(readFileSync(files.Dune!));
    bytes.fill(0xee, 132, 400);
    expect(() => {
      const broken = engine.open("broken", bytes);
      engine.conversion(open("srgb"), broken, { intent: "relative", blackPoint: true, depth: 8 });
    }).toThrow(BadProfile);
  });
});

import { readFileSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { createRequire } from "node:module";
import { dirname } from "node:path";
import { compileFunction } from "node:vm";
import { loadLiteRt } from "@litertjs/core";
import type { Face, PortraitStudy } from "@wide-quilt/core";
import sharp from "sharp";
import { Cutout } from "./cutout.ts";
import { findHeads } from "./heads.ts";
import { compiled, type Models } from "./models.ts";
import { Picture } from "./picture.ts";
import { studyPortrait } from "./study.ts";

const require = createRequire(import.meta.url);

let loading: Promise<Models> | null = null;

/** The models cannot be had on this machine, whichever photo is to be looked at. */
export class NoModels extends Error {
  override name = "NoModels";
}

/** The models in a program for Node.js, loaded once, when they are first wanted (0.4 s). Throws NoModels. */
export const modelsInNode = (): Promise<Models> =>
  (loading ??= load().catch((error: unknown) => {
    throw new NoModels((error instanceof Error ? error.message : String(error)).split("\n")[0]);
  }));

/**
 * The runtime is made for workers of a browser: it brings its own script in by `importScripts` and asks the global
 * `Module` for its parts. Both are lent to it while it starts.
 */
async function load(): Promise<Models> {
  const folder = dirname(dirname(require.resolve("@litertjs/core")));
  const glue = `${folder}/wasm/litert_wasm_compat_internal.js`;
  const silent = () => undefined;
  const lent = {
    self: globalThis,
    Module: {
      wasmBinary: await readFile(`${folder}/wasm/litert_wasm_compat_internal.wasm`),
      print: silent,
      printErr: silent,
    },
    importScripts: (script: string) => {
      const body = `${readFileSync(script, "utf8")}\nreturn ModuleFactory;`;
      const factory: unknown = compileFunction(body, ["require", "__dirname"])(require, dirname(script));
      Object.assign(globalThis, { ModuleFactory: factory });
    },
  };
  Object.assign(globalThis, lent);
  // It looks for a graphics card and says on the console that there is none.
  const { warn, error } = console;
  Object.assign(console, { warn: silent, error: silent });
  try {
    await loadLiteRt(glue);
    return await compiled({
      detection: await model("face_detection/face_detection_full_range_sparse.tflite"),
      landmarks: await model("face_mesh/face_mesh_solution_packed_assets.data"),
      segmentation: await model("selfie_segmentation/selfie_segmentation.tflite"),
    });
  } finally {
    Object.assign(console, { warn, error });
    for (const name of Object.keys(lent)) delete (globalThis as Record<string, unknown>)[name];
  }
}

const model = (path: string): Promise<Uint8Array> => readFile(require.resolve(`@mediapipe/${path}`));

/** The heads in a preview of a photo, upright, by its path or its bytes. Throws what sharp throws. */
export const headsInPreview = async (file: string | Uint8Array): Promise<Face[]> =>
  findHeads(await modelsInNode(), await pictureOf(file));

/** What there is to measure in the pixels of a portrait, in a large preview of it and with the head that was found. */
export const studyOfPreview = async (file: string | Uint8Array, face: Face): Promise<PortraitStudy> =>
  studyPortrait(await modelsInNode(), await pictureOf(file), face);

/** The mask of the person in a preview of a photo as a grey PNG, as a cut-out without strokes has it. */
export async function maskOfPreview(file: string | Uint8Array): Promise<Buffer> {
  const cutout = await Cutout.open(await modelsInNode(), (await pictureOf(file)).pixels);
  const { data, width, height } = cutout.mask([]);
  const grey = Buffer.from(data.map((value) => Math.round(value * 255)));
  return sharp(grey, { raw: { width, height, channels: 1 } })
    .toColourspace("b-w")
    .png()
    .toBuffer();
}

async function pictureOf(file: string | Uint8Array): Promise<Picture> {
  const { data, info } = await sharp(file).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  return new Picture({ data, width, height, channels: 3 });
}

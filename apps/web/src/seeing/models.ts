import { loadAndCompile, loadLiteRt, Tensor, type CompiledModel } from "@litertjs/core";
import glue from "@litertjs/core/wasm/litert_wasm_compat_internal.js?url";
import wasm from "@litertjs/core/wasm/litert_wasm_compat_internal.wasm?url";
import detection from "@mediapipe/face_detection/face_detection_short_range.tflite?url";
import packed from "@mediapipe/face_mesh/face_mesh_solution_packed_assets.data?url";
import segmentation from "@mediapipe/selfie_segmentation/selfie_segmentation.tflite?url";

/** Where the landmark model lies in the package's one file of models, as the package's own loader says. */
const LANDMARKS = { from: 2_495_952, to: 3_737_848 };

/** A model that runs on plain arrays. */
export interface Model {
  /** Figures in, one array an output in the model's own order. */
  run(input: Float32Array, shape: readonly number[]): Promise<Float32Array[]>;
}

export interface Models {
  /** Faces in 128 × 128 px: boxes with six points each. */
  detection: Model;
  /** 468 points of a face in 192 × 192 px. */
  landmarks: Model;
  /** How much of every pixel is a person, 256 × 256 px. */
  segmentation: Model;
}

let loading: Promise<Models> | null = null;

/** The models, loaded once, when they are first wanted. Everything comes from this application's own address. */
export const models = (): Promise<Models> => (loading ??= load());

async function load(): Promise<Models> {
  // The runtime asks the global Module where its parts are; what it tells of itself nobody needs.
  const silent = () => undefined;
  const Module = { locateFile: () => absolute(wasm), print: silent, printErr: silent };
  Object.assign(globalThis, { Module });
  await loadLiteRt(absolute(glue));
  const landmarks = (await bytes(packed)).slice(LANDMARKS.from, LANDMARKS.to);
  return {
    detection: await compiled(await bytes(detection)),
    landmarks: await compiled(landmarks),
    segmentation: await compiled(await bytes(segmentation)),
  };
}

const absolute = (path: string): string => new URL(path, self.location.href).href;

async function bytes(path: string): Promise<Uint8Array> {
  const response = await fetch(absolute(path));
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  return new Uint8Array(await response.arrayBuffer());
}

async function compiled(model: Uint8Array): Promise<Model> {
  const own: CompiledModel = await loadAndCompile(model, { accelerator: "wasm" });
  return {
    run: async (input, shape) => {
      const tensor = new Tensor(input, [...shape]);
      const outputs = await own.run([tensor]);
      tensor.delete();
      return outputs.map((output) => {
        const values = Float32Array.from(output.toTypedArray() as Float32Array);
        output.delete();
        return values;
      });
    },
  };
}

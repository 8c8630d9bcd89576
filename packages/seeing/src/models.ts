import { loadAndCompile, Tensor, type CompiledModel } from "@litertjs/core";

/** A model that runs on plain arrays. */
export interface Model {
  /** Figures in, one array an output in the model's own order. */
  run(input: Float32Array, shape: readonly number[]): Promise<Float32Array[]>;
}

/** What photos are looked at with. All three are trained models that ship with the application; nothing is fetched. */
export interface Models {
  /** Faces in 192 × 192 px, near and far: boxes with six points each. */
  detection: Model;
  /** 468 points of a face in 192 × 192 px. */
  landmarks: Model;
  /** How much of every pixel is a person, 256 × 256 px. */
  segmentation: Model;
}

/** The files of the models, as bytes. */
export interface ModelFiles {
  detection: Uint8Array;
  /** Several models in one file; see LANDMARKS. */
  landmarks: Uint8Array;
  segmentation: Uint8Array;
}

/** Where the landmark model lies in its package's one file of models, as the package's own loader says. */
const LANDMARKS = { from: 2_495_952, to: 3_737_848 };

/** Makes the models ready, once the runtime is. */
export async function compiled(files: ModelFiles): Promise<Models> {
  return {
    detection: await model(files.detection),
    landmarks: await model(files.landmarks.slice(LANDMARKS.from, LANDMARKS.to)),
    segmentation: await model(files.segmentation),
  };
}

async function model(file: Uint8Array): Promise<Model> {
  const own: CompiledModel = await loadAndCompile(file, { accelerator: "wasm" });
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

import { loadLiteRt } from "@litertjs/core";
import glue from "@litertjs/core/wasm/litert_wasm_compat_internal.js?url";
import wasm from "@litertjs/core/wasm/litert_wasm_compat_internal.wasm?url";
import detection from "@mediapipe/face_detection/face_detection_full_range_sparse.tflite?url";
import packed from "@mediapipe/face_mesh/face_mesh_solution_packed_assets.data?url";
import segmentation from "@mediapipe/selfie_segmentation/selfie_segmentation.tflite?url";
import { compiled, type Models } from "@wide-quilt/seeing";

let loading: Promise<Models> | null = null;

/** The models, loaded once, when they are first wanted. Everything comes from this application's own address. */
export const models = (): Promise<Models> => (loading ??= load());

async function load(): Promise<Models> {
  // The runtime asks the global Module where its parts are; what it tells of itself nobody needs.
  const silent = () => undefined;
  const Module = { locateFile: () => absolute(wasm), print: silent, printErr: silent };
  Object.assign(globalThis, { Module });
  await loadLiteRt(absolute(glue));
  return compiled({
    detection: await bytes(detection),
    landmarks: await bytes(packed),
    segmentation: await bytes(segmentation),
  });
}

const absolute = (path: string): string => new URL(path, self.location.href).href;

async function bytes(path: string): Promise<Uint8Array> {
  const response = await fetch(absolute(path));
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  return new Uint8Array(await response.arrayBuffer());
}

import { address } from "../api/client.ts";
import type { FaceFinding } from "./findFace.ts";

export type { FaceFinding } from "./findFace.ts";

/** What the worker is asked and what it answers. */
export interface FaceTask {
  id: number;
  picture: ImageBitmap;
}
export type FaceAnswer = { id: number } & ({ finding: FaceFinding } | { failed: string });

let worker: Worker | null = null;
let next = 1;
const waiting = new Map<number, (answer: FaceAnswer) => void>();

/** Looks for the face of a photo, in a worker. Nothing leaves this machine. */
export async function findFaceIn(photo: string): Promise<FaceFinding> {
  const response = await fetch(address.previewFor(photo, 1600));
  if (!response.ok) return { face: null, why: "This photo is not here. Drop its file in again." };
  const picture = await createImageBitmap(await response.blob());
  const id = next++;
  const answer = await new Promise<FaceAnswer>((resolve) => {
    waiting.set(id, resolve);
    started().postMessage({ id, picture } satisfies FaceTask, [picture]);
  });
  if ("finding" in answer) return answer.finding;
  return {
    face: null,
    why: `Faces cannot be looked for in this browser (${answer.failed}). Set the crown, the chin and the eyes by hand.`,
  };
}

function started(): Worker {
  if (worker) return worker;
  // A classic worker: the runtime brings itself in with importScripts.
  const own = new Worker(new URL("./faces.worker.ts", import.meta.url), { type: "classic" });
  own.onmessage = ({ data }: MessageEvent<FaceAnswer>) => {
    waiting.get(data.id)?.(data);
    waiting.delete(data.id);
  };
  own.onerror = (event) => {
    for (const [id, resolve] of waiting) resolve({ id, failed: event.message });
    waiting.clear();
    worker = null;
  };
  return (worker = own);
}

import type { BackdropFill, BackdropStroke, Sight } from "@wide-quilt/core";
import { address } from "../api/client.ts";
import { NotReadable } from "../api/problem.ts";
import type { ShownCutout } from "./cutout.ts";

export type { ShownCutout } from "./cutout.ts";

/** What the thread that looks at photos is asked, and what it answers. */
export type SeeingTask = { id: number } & (
  | { do: "open cutout"; picture: ImageBitmap }
  | { do: "show cutout"; strokes: BackdropStroke[]; fill: BackdropFill | null; wanted: string }
  | { do: "mask"; strokes: BackdropStroke[] }
  | { do: "look"; picture: ImageBitmap; measure: boolean }
);
export type SeeingAnswer = { id: number } & (
  { opened: true } | { shown: ShownCutout } | { mask: Blob } | { sight: Sight } | { failed: string }
);

/** The size of the previews that are looked at. */
const LOOKED_AT = 1600;

let worker: Worker | null = null;
let next = 1;
const waiting = new Map<number, (answer: SeeingAnswer) => void>();

/** Opens a photo to be cut out; the ones opened before are forgotten. Throws NotReadable. */
export async function openCutout(photo: string): Promise<void> {
  const picture = await pictureOf(photo);
  if (!picture) throw new NotReadable("This photo is not here. Drop its file in again.");
  fulfilled(await ask({ id: next++, do: "open cutout", picture }, [picture]));
}

/** The open photo with something else behind the person, or with nothing changed where the fill is null. */
export async function showCutout(
  strokes: readonly BackdropStroke[],
  fill: BackdropFill | null,
  wanted: string,
): Promise<ShownCutout> {
  const answer = await ask({ id: next++, do: "show cutout", strokes: [...strokes], fill, wanted });
  return (fulfilled(answer) as { shown: ShownCutout }).shown;
}

/** The mask of the open photo as a grey PNG. */
export async function maskOf(strokes: readonly BackdropStroke[]): Promise<Blob> {
  const answer = await ask({ id: next++, do: "mask", strokes: [...strokes] });
  return (fulfilled(answer) as { mask: Blob }).mask;
}

/** The heads in a picture of a camera and, where wanted, what the pixels of the first one say. */
export async function lookAt(picture: ImageBitmap, measure: boolean): Promise<Sight> {
  const answer = await ask({ id: next++, do: "look", picture, measure }, [picture]);
  return (fulfilled(answer) as { sight: Sight }).sight;
}

function fulfilled(answer: SeeingAnswer): SeeingAnswer {
  if ("failed" in answer) {
    throw new NotReadable(`Photos cannot be looked at in this browser (${answer.failed}).`);
  }
  return answer;
}

async function pictureOf(photo: string): Promise<ImageBitmap | null> {
  const response = await fetch(address.previewFor(photo, LOOKED_AT));
  return response.ok ? createImageBitmap(await response.blob()) : null;
}

const ask = (task: SeeingTask, handedOver: Transferable[] = []): Promise<SeeingAnswer> =>
  new Promise((resolve) => {
    waiting.set(task.id, resolve);
    started().postMessage(task, handedOver);
  });

function started(): Worker {
  if (worker) return worker;
  // A classic worker: the runtime brings itself in with importScripts.
  const own = new Worker(new URL("./seeing.worker.ts", import.meta.url), { type: "classic" });
  own.onmessage = ({ data }: MessageEvent<SeeingAnswer>) => {
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

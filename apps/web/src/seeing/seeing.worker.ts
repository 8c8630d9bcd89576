/** The one thread that looks at photos; the models are loaded once. */
import type { Cutout } from "@wide-quilt/seeing";
import { maskFile, openCutout, shownCutout } from "./cutout.ts";
import { models } from "./models.ts";
import { sightOf } from "./sight.ts";
import type { SeeingAnswer, SeeingTask } from "./seeing.ts";

let cutout: Cutout | null = null;

onmessage = async ({ data: task }: MessageEvent<SeeingTask>) => {
  try {
    postMessage({ id: task.id, ...(await done(task)) } as SeeingAnswer);
  } catch (error) {
    postMessage({ id: task.id, failed: error instanceof Error ? error.message : String(error) });
  }
};

async function done(task: SeeingTask) {
  switch (task.do) {
    case "open cutout":
      cutout = await openCutout(await models(), task.picture);
      task.picture.close();
      return { opened: true };
    case "show cutout":
      if (!cutout) throw new Error("No photo is open");
      return { shown: shownCutout(cutout, task.strokes, task.fill, task.wanted) };
    case "look":
      return { sight: await sightOf(await models(), task.picture, task.measure) };
    case "mask":
      if (!cutout) throw new Error("No photo is open");
      return { mask: await maskFile(cutout, task.strokes) };
  }
}

import { findFace } from "./findFace.ts";
import type { FaceAnswer, FaceTask } from "./find.ts";
import { models } from "./models.ts";

onmessage = async ({ data: { id, picture } }: MessageEvent<FaceTask>) => {
  let answer: FaceAnswer;
  try {
    answer = { id, finding: await findFace(await models(), picture) };
  } catch (error) {
    answer = { id, failed: error instanceof Error ? error.message : String(error) };
  }
  picture.close();
  postMessage(answer);
};

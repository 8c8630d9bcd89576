/** A process that looks for heads in previews of photos, and measures portraits. It may die of it; nothing else does. */
import type { Face, PortraitStudy } from "@wide-quilt/core";
import { headsInPreview, maskOfPreview, modelsInNode, studyOfPreview } from "@wide-quilt/seeing/node";
import { serve } from "../processes/child.ts";

serve({
  ready: async (): Promise<void> => void (await modelsInNode()),
  find: ({ path }: { path: string }): Promise<Face[]> => headsInPreview(path),
  mask: ({ path }: { path: string }): Promise<Buffer> => maskOfPreview(path),
  study: ({ path, face }: { path: string; face: Face }): Promise<PortraitStudy> => studyOfPreview(path, face),
});

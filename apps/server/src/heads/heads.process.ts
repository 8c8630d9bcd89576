/** A process that looks for heads in previews of photos. It may die of it; nothing else does. */
import type { Face } from "@wide-quilt/core";
import { headsInPreview } from "@wide-quilt/seeing/node";
import { serve } from "../processes/child.ts";

serve({ find: ({ path }: { path: string }): Promise<Face[]> => headsInPreview(path) });

import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { ArtPanel } from "./ArtPanel.tsx";
import { FitPanel } from "./FitPanel.tsx";
import { UnderPanel } from "./UnderPanel.tsx";

export const panels = {
  art: { title: "Artwork and its windows", Panel: ArtPanel, wide: true },
  artFit: { title: "The artwork on its page", Panel: FitPanel, wide: true },
  under: { title: "Photos under the artwork", Panel: UnderPanel },
} satisfies Panels;

export const Picture = drawn([
  [15, 12, 28, 20],
  [47, 9, 18, 14],
  [47, 27, 18, 14],
  [15, 36, 28, 9],
]);

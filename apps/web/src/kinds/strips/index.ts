import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { KnifePanel } from "./KnifePanel.tsx";
import { PagePanel } from "./PagePanel.tsx";
import { RoomPanel } from "./RoomPanel.tsx";
import { StripPanel } from "./StripPanel.tsx";

export const panels = {
  strip: { title: "Shots of a strip or a card", Panel: StripPanel, wide: true },
  page: { title: "The strip or card, cut", Panel: PagePanel },
  room: { title: "Room for words", Panel: RoomPanel, wide: true },
  knife: { title: "What the knife may be off by", Panel: KnifePanel },
} satisfies Panels;

export const Picture = drawn([
  [31, 8, 12, 9],
  [31, 19, 12, 9],
  [31, 30, 12, 9],
  [31, 41, 12, 9],
  [53, 8, 12, 9],
  [53, 19, 12, 9],
  [53, 30, 12, 9],
  [53, 41, 12, 9],
]);

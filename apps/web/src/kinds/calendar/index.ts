import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { BindingPanel } from "./BindingPanel.tsx";
import { CoverPanel } from "./CoverPanel.tsx";
import { DatesPanel } from "./DatesPanel.tsx";
import { DaysPanel } from "./DaysPanel.tsx";
import { MonthsPanel } from "./MonthsPanel.tsx";
import { PhotoPanel } from "./PhotoPanel.tsx";
import { SpanPanel } from "./SpanPanel.tsx";
import { WeeksPanel } from "./WeeksPanel.tsx";

export const panels = {
  months: { title: "Which months", Panel: MonthsPanel },
  span: { title: "What kind of calendar", Panel: SpanPanel, wide: true },
  photo: { title: "Photos and days", Panel: PhotoPanel, wide: true },
  days: { title: "How days are set", Panel: DaysPanel, wide: true },
  weeks: { title: "Weeks and language", Panel: WeeksPanel },
  dates: { title: "Days that mean something", Panel: DatesPanel, wide: true },
  cover: { title: "Cover, year and last page", Panel: CoverPanel },
  binding: { title: "Where it is bound or hung", Panel: BindingPanel },
} satisfies Panels;

export const Picture = drawn([
  [30, 7, 36, 25],
  ...Array.from({ length: 20 }, (_, i) => [31 + (i % 5) * 7.2, 35 + Math.floor(i / 5) * 5.4, 5, 3] as const),
]);

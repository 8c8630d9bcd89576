import { onItsSide, type Size } from "./rect.ts";

/** How a paper may lie; “most” for whichever holds more. */
export const LIES = ["most", "portrait", "landscape"] as const;
export type Lie = (typeof LIES)[number];

/** The ways that a job lets its paper lie, upright first. */
export function waysToLie({ lie }: { lie: Lie }, paper: Size): Size[] {
  const upright: Size = { width: paper.width, height: paper.height };
  const lying = onItsSide(upright);
  if (lie === "most") return upright.width === upright.height ? [upright] : [upright, lying];
  return [lie === "portrait" ? upright : lying];
}

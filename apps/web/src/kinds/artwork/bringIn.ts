import type { ArtWindow, Edges, Job, JobEdit, TicketOf } from "@wide-quilt/core";
import { server } from "../../api/client.ts";

type ArtworkTicket = TicketOf<"artwork">;

/** An artwork as it comes in: what it changes in the job, and what a person should know of it. */
export interface BroughtIn {
  edits: JobEdit[];
  said: string[];
}

/**
 * Keeps a file as the artwork of a job and finds its windows; the page lies as the artwork does. Throws a Problem that says
 * why it cannot be one.
 */
export async function bringArtIn(file: File, { sheet }: Job): Promise<BroughtIn> {
  const { id, name } = await server.addGraphic(file);
  const { width, height, windows } = await server.findWindows(id);
  const lie = width > height ? "landscape" : "portrait";
  return {
    edits: [
      { do: "ticket", change: { art: { file: id, name: name.slice(0, 200), width, height }, windows } },
      ...(lie === sheet.lie ? [] : [{ do: "sheet", change: { lie } } as const]),
    ],
    said: sayWindows(windows),
  };
}

function sayWindows(windows: readonly ArtWindow[]): string[] {
  if (windows.length === 0)
    return ["Nothing in it is transparent and large enough for a window, so no photo is seen."];
  const tilted = windows.filter(({ angle }) => angle !== 0).length;
  const shaped = windows.filter(({ outline }) => outline.length > 0).length;
  const which = [
    tilted > 0 && `${tilted} tilted`,
    shaped > 0 && `${shaped} of another shape than a rectangle`,
  ];
  const more = which.filter((one) => one !== false).join(", ");
  return [`${windows.length} ${windows.length === 1 ? "window" : "windows"} found${more && `, ${more}`}.`];
}

/** What an artwork lacks at each side to have the pixels that its page wants; null where it lacks none, or has too many. */
export function lacking(
  art: NonNullable<ArtworkTicket["art"]>,
  wanted: { width: number; height: number },
): Record<keyof Edges, number> | null {
  const [across, down] = [wanted.width - art.width, wanted.height - art.height];
  if (across < 0 || down < 0 || across + down === 0) return null;
  const [left, top] = [Math.floor(across / 2), Math.floor(down / 2)];
  return { left, top, right: across - left, bottom: down - top };
}

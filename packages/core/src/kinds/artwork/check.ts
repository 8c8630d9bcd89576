import { around, bottom, grown, right, waysToLie } from "../../base/geometry/index.ts";
import { nearest, toPx, um, writeMeasure, writeNumber } from "../../base/length/index.ts";
import { finishedSheet, type Job } from "../../job/index.ts";
import type { KindFinding, Looked } from "../finding.ts";
import type { TicketOf } from "../tickets.ts";
import { hasWindows, liesAround } from "./made.ts";
import { artBox, placeArt, wantedPixels } from "./place.ts";

type ArtworkTicket = TicketOf<"artwork">;

/** Enlarged more than so much, pixels of an artwork are seen at arm’s length. */
const ENLARGED = 1.5;
/** A proportion that is off by less than this is the same, in shares. */
const SAME = 0.002;

/** What would spoil a page with an artwork: none is there, it does not fit the page’s pixels, a window is cut off. */
export function checkArtwork(job: Job, ticket: ArtworkTicket, looked: Looked): KindFinding[] {
  const { art, windows } = ticket;
  if (hasWindows(job))
    return [...(art ? itsPixels(job, ticket) : []), ...bareCorners(job, looked), ...offThePage(job, looked)];
  if (!art) {
    return [
      {
        rule: "no-artwork",
        level: "wrong",
        sentence:
          "There is no artwork yet, so there is nowhere to see a photo. Bring one in with transparent windows, or make one here.",
      },
    ];
  }
  if (windows.length === 0) {
    return [
      {
        rule: "no-windows",
        level: "wrong",
        sentence: `Nothing in “${art.name}” is transparent and large enough for a window, so no photo is seen. Cut windows into it in the program that made it and save it as PNG with transparency.`,
      },
    ];
  }
  return [...itsPixels(job, ticket), ...offThePage(job, looked)];
}

/** The page wants so many pixels, the file has others: said in pixels and in what is lost, with other ways to fit it. */
function itsPixels(job: Job, ticket: ArtworkTicket): KindFinding[] {
  const { art, artFit } = ticket;
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const box = artBox(job, lying);
  const wanted = wantedPixels(box, job.target.ppi);
  const place = placeArt(ticket, box);
  if (!art || !place || (wanted.width === art.width && wanted.height === art.height)) return [];
  const { across, down } = place;
  const [width, height] = [art.width * across, art.height * down];
  const pixels = (w: number, h: number) =>
    `${writeNumber(w, undefined, 0, 0)} × ${writeNumber(h, undefined, 0, 0)} px`;
  const withBleed = job.target.bleed > 0 ? "The page with its bleed" : "The page";
  const begin = `${withBleed} wants ${pixels(wanted.width, wanted.height)} at ${job.target.ppi} ppi; “${art.name}” is ${pixels(art.width, art.height)}`;
  const enlarged = Math.max(toPx(across, job.target.ppi), toPx(down, job.target.ppi));
  const found: KindFinding[] = [];
  const [offX, offY] = [width - box.width, height - box.height];
  const isOff = Math.abs(offX) > SAME * box.width || Math.abs(offY) > SAME * box.height;
  const stretched = Math.max(across / down, down / across) - 1;
  const write = { unit: job.unit, ppi: job.target.ppi };
  const each = (by: number) => writeMeasure(nearest(Math.abs(by) / 2), write);
  if (isOff && artFit !== "whole") {
    const where =
      offX > offY ? `${each(offX)} at the left and at the right` : `${each(offY)} above and below`;
    found.push({
      rule: "artwork-cropped",
      level: "look",
      sentence: `${begin}: it covers the page and loses ${where}. Have it made for this page, or show it whole.`,
      mend: { label: "Show it whole", ticket: { artFit: "whole" } },
    });
  } else if (isOff) {
    const where =
      offX < offY ? `${each(offX)} at the left and at the right` : `${each(offY)} above and below`;
    found.push({
      rule: "artwork-short",
      level: "wrong",
      sentence: `${begin}: seen whole it leaves ${where} of the page bare.`,
      mend: { label: "Let it cover the page", ticket: { artFit: "fill" } },
    });
  }
  if (artFit === "stretch" && stretched > 0.02) {
    found.push({
      rule: "artwork-stretched",
      level: "look",
      sentence: `${begin}: stretched to it, circles become ovals by ${writeNumber(stretched * 100, undefined, 0, 0)} %.`,
      mend: { label: "Let it cover the page", ticket: { artFit: "fill" } },
    });
  }
  if (enlarged > ENLARGED) {
    found.push({
      rule: "artwork-coarse",
      level: "look",
      sentence: `${begin}: it is enlarged ${writeNumber(enlarged, undefined, 1, 1)} times, and its edges will look coarse. Have it made with more pixels.`,
    });
  }
  return found;
}

/**
 * Windows cut here that no shape lies around: a photo is seen through the whole rectangle of its cell and what it runs on by.
 */
function bareCorners({ shapes }: Job, { layout }: Looked): KindFinding[] {
  const cells = layout.sheets[0]?.cells ?? [];
  const front = Object.values(shapes).filter(({ is }) => is === "front");
  const bare = cells.filter(
    ({ finished, runsOn = 0, angle = 0 }) =>
      !front.some((shape) => liesAround(shape, grown(finished, runsOn), angle)),
  );
  if (bare.length === 0) return [];
  return [
    {
      rule: "bare-window",
      level: "look",
      sentence: `No one shape lies all around ${bare.length === 1 ? "one window" : `${bare.length} windows`}, so the photo is seen past ${bare.length === 1 ? "its" : "their"} edge. Put a plate over the page, in front of the photos, and the windows are cut into it.`,
    },
  ];
}

/** Windows that the edge of the finished page cuts off. */
function offThePage(job: Job, { layout }: Looked): KindFinding[] {
  const [first] = layout.sheets;
  if (!first) return [];
  const page = finishedSheet(job.sheet, first.lying);
  const off = first.cells.filter(({ finished, angle = 0 }) => {
    const all = around({ finished, angle });
    // To the edge and over it is how a photo bleeds; what has its middle outside, or loses half, is lost.
    const wide = Math.min(right(all), right(page)) - Math.max(all.x, page.x);
    const tall = Math.min(bottom(all), bottom(page)) - Math.max(all.y, page.y);
    return Math.max(0, wide) * Math.max(0, tall) < 0.5 * um(all.width) * all.height;
  });
  if (off.length === 0) return [];
  return [
    {
      rule: "window-off-the-page",
      level: "wrong",
      sentence: `${off.length === 1 ? "A window lies" : `${off.length} windows lie`} mostly outside the finished page: what is seen through is cut off. Show the artwork whole, or take a page of its proportion.`,
      mend: { label: "Show it whole", ticket: { artFit: "whole" } },
    },
  ];
}

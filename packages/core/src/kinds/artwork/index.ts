import { fitInto, fittedBack, fittedBy } from "../../base/geometry/index.ts";
import { mm } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { kind } from "../kind.ts";
import { checkArtwork } from "./check.ts";
import { layOutArtwork } from "./layout.ts";
import { placeArt } from "./place.ts";
import { sayArtwork } from "./say.ts";
import { widenedBy } from "./widened.ts";
import { hasWindows } from "./made.ts";

export const artwork = kind({
  name: "artwork",
  title: "Artwork with windows",
  about: "A frame, a card or a strip that somebody drew: photos are seen through its transparent windows.",
  takes: "They come to the windows in their order, and to the next page after that.",
  paper: { id: "photo-10x15", letter: "photo-10x15" },
  marks: "none",
  fresh: ({ gap }) => ({
    kind: "artwork",
    art: null,
    windows: [],
    artFit: "fill",
    stretch: 100,
    under: mm(1),
    gap,
  }),
  layOut: layOutArtwork,
  say: sayArtwork,
  followsStash: () => false,
  isOnePiece: true,
  check: checkArtwork,
  wantsArt: (job, { art }) => art === null && !hasWindows(job),
  brought: (_job, ticket, { fit, most, length, widened }) => ({
    artFit: fit,
    stretch: Math.min(100, most),
    gap: length(ticket.gap, LIMITS.gap),
    under: length(ticket.under, LIMITS.slack),
    // It has the page’s proportion then, so that covering it is seeing it whole.
    ...(widened && widened.of === ticket.art?.file && { ...widenedBy(ticket, widened), artFit: "fill" }),
  }),
  // Everything goes with the artwork, which loses no more on the other page than it must.
  comesTo: (ticket, from, to, fit, most) => {
    const here = placeArt(ticket, from);
    return here && ticket.art && fittedBy(fittedBack(here), fitInto(ticket.art, to, fit, most));
  },
});

export { lackingWhole, widenedBy } from "./widened.ts";
export { artBox, placeArt, wantedPixels } from "./place.ts";

import { mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { checkArtwork } from "./check.ts";
import { layOutArtwork } from "./layout.ts";
import { sayArtwork } from "./say.ts";

export const artwork = kind({
  name: "artwork",
  title: "Artwork with windows",
  about: "A frame, a card or a strip that somebody drew: photos are seen through its transparent windows.",
  takes: "They come to the windows in their order, and to the next page after that.",
  paper: { id: "photo-10x15", letter: "photo-10x15" },
  marks: "none",
  fresh: ({ gap }) => ({ kind: "artwork", art: null, windows: [], artFit: "fill", under: mm(1), gap }),
  layOut: layOutArtwork,
  say: sayArtwork,
  followsStash: () => false,
  isOnePiece: true,
  check: checkArtwork,
  wantsArt: ({ art }) => art === null,
});

export { ART_FITS, type ArtFit } from "./ticket.ts";
export { artBox, placeArt, wantedPixels, type ArtPlace } from "./place.ts";

import { group, type Standing } from "./group.ts";
import { GUESTS, RINGERS } from "./person.ts";
import { sitter } from "./sitters.ts";

const [ada, tobias, amara, linnea, edmund] = RINGERS;

/** Who came before the camera of the open day, picture after picture. */
const VISITS: readonly (readonly Standing[])[] = [
  [
    { person: ada!, x: 0.36, y: 0.44, head: 0.36, tilt: -6 },
    { person: tobias!, x: 0.64, y: 0.4, head: 0.38, tilt: 5 },
  ],
  [{ person: amara!, x: 0.46, y: 0.42, head: 0.42, tilt: 9 }],
  [
    { person: GUESTS[0]!, x: 0.24, y: 0.46, head: 0.31, tilt: -4 },
    { person: sitter(3), x: 0.5, y: 0.38, head: 0.32, tilt: 2 },
    { person: linnea!, x: 0.77, y: 0.45, head: 0.31, tilt: 7 },
  ],
  [
    { person: edmund!, x: 0.4, y: 0.4, head: 0.36, tilt: 3 },
    { person: sitter(11), x: 0.68, y: 0.48, head: 0.33, tilt: -8 },
  ],
];

/** A curtain in folds, lit from above. */
function curtain(width: number, height: number): string {
  const folds = Array.from({ length: 14 }, (_, i) => {
    const x = (i * width) / 14;
    return `<rect x="${x}" width="${width / 14}" height="${height}" fill="url(#fold)"/>`;
  });
  return `<defs>
    <linearGradient id="fold"><stop stop-color="#5b7f88"/><stop offset=".45" stop-color="#86a7ae"/><stop offset="1" stop-color="#55777f"/></linearGradient>
    <linearGradient id="lit" x2="0" y2="1"><stop stop-color="#fff" stop-opacity=".26"/><stop offset="1" stop-color="#10262c" stop-opacity=".3"/></linearGradient>
  </defs>${folds.join("")}<rect width="${width}" height="${height}" fill="url(#lit)"/>`;
}

/** The pictures that were taken in the booth of the open day. */
export const BOOTH_PICTURES: readonly ((width: number, height: number) => string)[] = VISITS.map(
  (people) => (width: number, height: number) => group(people, width, height, curtain(width, height)),
);

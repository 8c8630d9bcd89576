import type { Rect } from "../base/geometry/index.ts";
import { um, writeNumber, type WriteOptions } from "../base/length/index.ts";
import type { DocumentRule } from "../catalogue/rules/index.ts";
import { placePicture, type PixelSize } from "../photo/crop/index.ts";
import {
  eyesOffLevel,
  measureFace,
  middleFace,
  onPaper,
  placeFace,
  type Face,
  type FacePlacement,
  type PortraitStudy,
} from "../photo/portrait/index.ts";
import { checksOf, type PersonCheck } from "../report/people/index.ts";

/** What was seen in one picture of a camera. */
export interface Sight {
  size: PixelSize;
  /** The largest first. */
  heads: readonly Face[];
  /** What its pixels say; null where they were not measured. */
  study: PortraitStudy | null;
}

/** How a sight is judged. */
export interface SightWish {
  rule: DocumentRule;
  /** How many times finer a photo of this camera is than what was looked at. */
  finer: number;
  /** Whether another background is put behind later, so that this one is no matter. */
  backgroundLater: boolean;
  /** Whether blur is judged: in a small picture of the camera everything is blurred. */
  sharpness: boolean;
}

/** A sight against a rule: everything that it was looked at for, in the crop that the rule makes of it. */
export interface JudgedSight {
  face: Face | null;
  checks: PersonCheck[];
  placement: FacePlacement | null;
}

/** More than this a head is held aslant, degrees (ISO/IEC 19794-5: roll of at most 8°). */
const TILTED = 8;

const BACKGROUND: ReadonlySet<string> = new Set(["background", "even", "shadow"]);

export function judgeSight(
  { size, heads, study }: Sight,
  { rule, finer, backgroundLater, sharpness }: SightWish,
  write: WriteOptions,
): JudgedSight {
  const face = heads[0] ?? null;
  if (!face) return { face, checks: [], placement: null };
  const placement = placementOf(face, size, rule);
  if (!placement) return { face, checks: [], placement };
  const finished = pieceOf(rule);
  const measured = measureFace(face, size, { finished, cover: finished }, placement.sits, rule);
  const { ppi } = placePicture(size, finished, finished, placement.sits);
  const own = study ?? undefined;
  const checks = checksOf(
    {
      heads,
      photo: size,
      measured,
      size: finished,
      ppi: ppi * finer,
      study: own,
      behind: own,
      hasLook: false,
    },
    rule,
    write,
  ).filter(({ name }) => !(backgroundLater && BACKGROUND.has(name)) && (sharpness || name !== "sharp"));
  return {
    face,
    checks: checks.map((check) => (check.name === "level" ? held(check, face, size, write) : check)),
    placement,
  };
}

/** A crop levels the eyes, but shoulders and light lean then: before a camera the head itself is held upright. */
function held(check: PersonCheck, face: Face, size: PixelSize, { locale }: WriteOptions): PersonCheck {
  const tilt = Math.abs(eyesOffLevel(face, size));
  const says = `${writeNumber(tilt, locale, 0, 0)}°`;
  return { ...check, says, state: tilt > TILTED ? "wrong" : "right" };
}

/** A figure of the picture, 0…1 from left and top. */
export interface PicturePoint {
  x: number;
  y: number;
}

/** The piece as it would be cut out of a picture, and the bands in which crown and eyes may be: corners, clockwise. */
export interface CameraLines {
  piece: PicturePoint[];
  bands: PicturePoint[][];
}

/** The lines of a rule over a picture: around the head that is there, or around one in the middle where there is none. */
export function cameraLines(face: Face | null, size: PixelSize, rule: DocumentRule): CameraLines | null {
  const head = face ?? middleFace(size);
  const placement = placementOf(head, size, rule);
  if (!placement) return null;
  const finished = pieceOf(rule);
  const at = onPaper(size, finished, finished, placement.sits);
  const inPicture = inverseOf(at);
  const { width, height } = finished;
  const band = (from: number, to: number): PicturePoint[] =>
    [
      { x: 0, y: from },
      { x: width, y: from },
      { x: width, y: to },
      { x: 0, y: to },
    ].map(inPicture);
  const chin = at(head.chin).y;
  const { headHeight, eyeLine } = rule;
  return {
    piece: band(0, height),
    bands: [
      ...(headHeight ? [band(chin - headHeight.to, chin - headHeight.from)] : []),
      ...(eyeLine ? [band(height - eyeLine.to, height - eyeLine.from)] : []),
    ],
  };
}

const pieceOf = ({ size }: DocumentRule): Rect => ({ x: um(0), y: um(0), ...size });

function placementOf(face: Face, size: PixelSize, rule: DocumentRule): FacePlacement | null {
  const finished = pieceOf(rule);
  return placeFace(face, size, { finished, cover: finished }, rule);
}

/** The other way through a map that is linear: from paper to the picture. */
function inverseOf(at: (point: PicturePoint) => PicturePoint): (point: PicturePoint) => PicturePoint {
  const origin = at({ x: 0, y: 0 });
  const [across, down] = [at({ x: 1, y: 0 }), at({ x: 0, y: 1 })];
  const [a, c] = [across.x - origin.x, across.y - origin.y];
  const [b, d] = [down.x - origin.x, down.y - origin.y];
  const det = a * d - b * c;
  return ({ x, y }) => {
    const [px, py] = [x - origin.x, y - origin.y];
    return { x: (d * px - b * py) / det, y: (a * py - c * px) / det };
  };
}

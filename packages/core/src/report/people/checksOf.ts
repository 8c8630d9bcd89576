import type { Size } from "../../base/geometry/index.ts";
import type { WriteOptions } from "../../base/length/index.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import type { PixelSize } from "../../photo/crop/index.ts";
import { headBox } from "../../photo/heads/index.ts";
import type { Face, FaceOnPiece, PortraitStudy } from "../../photo/portrait/index.ts";
import { backgroundChecks, backgroundUnknown } from "./background.ts";
import { geometryChecks } from "./geometry.ts";
import { LIGHT_CHECKS, lightChecks, pixelCheck } from "./light.ts";
import { CHECK_WORDS, notMeasured, type PersonCheck } from "./personCheck.ts";
import { poseChecks } from "./pose.ts";

/** A head as a crop shows it on a piece, and what is known of its photo. */
export interface HeadOnPiece {
  /** All heads of the photo, the one that is meant first. */
  heads: readonly Face[];
  photo: PixelSize;
  measured: FaceOnPiece;
  /** The upright piece, in µm. */
  size: Size;
  /** Pixels to the inch of the print; null where there is no picture yet. */
  ppi: number | null;
  study: PortraitStudy | undefined;
  /** The same of what was put behind the person; that of the photo where nothing was. */
  behind: PortraitStudy | undefined;
  /** Whether the print’s colours are others than the photo’s. */
  hasLook: boolean;
}

/** Everything that a document photo is looked at for, one after the other. There has to be a head. */
export function checksOf(head: HeadOnPiece, rule: DocumentRule, write: WriteOptions): PersonCheck[] {
  const { heads, photo, measured, size } = head;
  const face = heads[0]!;
  return [
    ...geometryChecks(measured, size.width, write),
    ...(measured.figures.length === 0
      ? [notMeasured("headHeight", "The rule gives no figures for the head: look at it yourself.")]
      : []),
    wholeCheck(face),
    aloneCheck(heads, photo),
    ...pixelChecks(head, face, rule, write),
    ...poseChecks(face, write),
  ].map((check) => lookedAt(check, face));
}

/** What a person has looked at and found right is right. */
const lookedAt = (check: PersonCheck, { looked = [] }: Face): PersonCheck =>
  looked.includes(check.name) && (check.state === "look" || check.state === "not measured")
    ? { ...check, state: "right", says: "looked at by a person", todo: "" }
    : check;

const wholeCheck = ({ pose, crown }: Face): PersonCheck => {
  const check = { name: "whole", title: CHECK_WORDS.whole, allowed: "", at: crown } as const;
  return pose?.cut
    ? {
        ...check,
        state: "look",
        says: "the photo ends at the hair",
        todo: "The photo seems to cut the top of the head off. Look at this yourself; leave more room above for the next shot.",
      }
    : { ...check, state: "right", says: "yes", todo: "" };
};

/** A second head at least this large against the first may be the one that is meant. */
const SECOND = 0.3;

function aloneCheck(heads: readonly Face[], photo: PixelSize): PersonCheck {
  const heights = heads.map((head) => {
    const { top, bottom } = headBox(head, photo);
    return bottom - top;
  });
  const others = heights.slice(1).filter((height) => height > SECOND * heights[0]!).length;
  const check = { name: "alone", title: CHECK_WORDS.alone, allowed: "", at: null } as const;
  if (others === 0) return { ...check, state: "right", says: "one head", todo: "" };
  return {
    ...check,
    state: "wrong",
    says: `${others + 1} heads`,
    todo: "There is a second head in this photo; the larger one was measured. Take it again with one person alone, or say in its handles that the other is no head.",
  };
}

const NOT_YET = "The pixels of this photo were not measured yet.";

/** What the pixels say: of the photo, and of what was put behind the person where something was. */
function pixelChecks(head: HeadOnPiece, face: Face, rule: DocumentRule, write: WriteOptions): PersonCheck[] {
  const { study, ppi } = head;
  return [
    ...backgroundOf(head, face, rule, write),
    ...(ppi === null ? [] : [pixelCheck(ppi, write)]),
    ...(study ? lightChecks(study, face, write) : LIGHT_CHECKS.map((name) => notMeasured(name, NOT_YET))),
  ];
}

function backgroundOf(
  { photo, measured, size, behind, hasLook }: HeadOnPiece,
  face: Face,
  rule: DocumentRule,
  write: WriteOptions,
): PersonCheck[] {
  if (!rule.background) return [];
  if (hasLook)
    return backgroundUnknown(
      "A look changes the colours of the print: look at the background yourself, or take the look off.",
    );
  if (!behind)
    return backgroundUnknown(`The background was not measured yet. It should be ${rule.background.words}.`);
  const { left, top, right, bottom } = headBox(face, photo);
  const corners = [
    { x: left, y: top },
    { x: right, y: top },
    { x: left, y: bottom },
    { x: right, y: bottom },
  ].map(({ x, y }) => measured.at({ x: x / photo.width, y: y / photo.height }));
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  return backgroundChecks(
    rule,
    {
      parts: behind.background,
      size,
      on: measured.at,
      head: { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) },
    },
    write,
  );
}

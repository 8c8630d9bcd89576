import type { Rect } from "../../base/geometry/index.ts";
import type { DocumentRule, RuleSpan } from "../../catalogue/rules/index.ts";
import { placePicture, type PixelSize, type Sits } from "../crop/index.ts";
import type { Face, FacePoint } from "./face.ts";
import { crownFor, eyesOffLevel } from "./upright.ts";

export type FigureName = "headHeight" | "aboveCrown" | "eyeLine" | "headWidth" | "belowChin";

/** What each figure of a rule is called. */
export const FIGURE_WORDS: Readonly<Record<FigureName, string>> = {
  headHeight: "Head height",
  aboveCrown: "Above the head",
  eyeLine: "Eyes from the lower edge",
  headWidth: "Head width",
  belowChin: "Below the chin",
};

/** A figure of a rule as it is on the finished piece. */
export interface Figure {
  name: FigureName;
  /** In µm, not rounded; null where a handle is missing that it takes. */
  value: number | null;
  allowed: RuleSpan;
  passes: boolean;
}

/** How a face lies on the finished piece. */
export interface FaceOnPiece {
  figures: Figure[];
  /** How far the eyes are off level, degrees clockwise. */
  slant: number;
  /** How far the middle between the eyes is from the middle of the piece, µm to the right. */
  aside: number;
  /** The handles on the upright piece, in µm from its finished corner. */
  at(point: FacePoint): { x: number; y: number };
}

/** Places are rounded to whole micrometres; a figure may be that little out without being wrong. */
const ROUNDED = 10;

/** Measures a face as a shot shows it, on the upright piece: the print's own millimetres. */
export function measureFace(
  face: Face,
  photo: PixelSize,
  { finished, cover }: { finished: Rect; cover: Rect },
  sits: Sits,
  rule: DocumentRule,
): FaceOnPiece {
  const at = onPaper(photo, finished, cover, sits);
  const [left, right, chin] = [at(face.leftEye), at(face.rightEye), at(face.chin)];
  const crown = at(crownFor(face, rule));
  const values: Record<FigureName, number | null> = {
    headHeight: chin.y - crown.y,
    aboveCrown: crown.y,
    eyeLine: finished.height - (left.y + right.y) / 2,
    headWidth: face.ears ? Math.abs(at(face.ears.right).x - at(face.ears.left).x) : null,
    belowChin: finished.height - chin.y,
  };
  const figures = (Object.keys(FIGURE_WORDS) as FigureName[]).flatMap((name): Figure[] => {
    const allowed = rule[name];
    if (!allowed) return [];
    const value = values[name];
    const passes = value !== null && value >= allowed.from - ROUNDED && value <= allowed.to + ROUNDED;
    return [{ name, value, allowed, passes }];
  });
  return {
    figures,
    slant: sits.level - eyesOffLevel(face, photo),
    aside: (left.x + right.x) / 2 - finished.width / 2,
    at,
  };
}

/** Where points of the photo come to lie on the finished piece, in µm from its corner. */
export function onPaper(photo: PixelSize, finished: Rect, cover: Rect, sits: Sits) {
  const { placed, turn } = placePicture(photo, finished, cover, sits);
  const middle = { x: cover.x + cover.width / 2, y: cover.y + cover.height / 2 };
  const radians = (sits.level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const turned = ({ x, y }: FacePoint): FacePoint =>
    ({ 0: { x, y }, 90: { x: 1 - y, y: x }, 180: { x: 1 - x, y: 1 - y }, 270: { x: y, y: 1 - x } })[turn];
  return (point: FacePoint) => {
    const { x, y } = turned(point);
    const across = placed.x + x * placed.width - middle.x;
    const down = placed.y + y * placed.height - middle.y;
    return {
      x: middle.x + across * cos - down * sin - finished.x,
      y: middle.y + across * sin + down * cos - finished.y,
    };
  };
}

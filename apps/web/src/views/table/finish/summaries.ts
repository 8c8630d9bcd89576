import { areEven, fontById, isAsItIs, type Job, type Style } from "@wide-quilt/core";
import type { FinishPart } from "../../../table/view.ts";
import type { Words } from "../../../words/words.ts";

/** What a part of the finish is at, in a few words. */
export function summaryOf(part: FinishPart, job: Job, style: Style, words: Words): string {
  switch (part) {
    case "style":
      return job.worn ? `“${job.worn.name}” tried on` : "try one on";
    case "border": {
      const { border } = style;
      if (!border) return "none";
      const place = { inside: "inside", centred: "on the edge", outside: "outside" }[border.place];
      return `${areEven(border.width) ? words.length(border.width.top) : "uneven"}, ${place}${border.corner > 0 ? ", rounded" : ""}`;
    }
    case "mat": {
      const { mat } = style;
      return mat
        ? `${mat.layers.length === 2 ? "double" : "single"}${mat.optical ? ", a little deeper below" : ""}`
        : "none";
    }
    case "caption":
      return style.caption
        ? `${style.caption.text.split("\n")[0]} · ${fontById(style.caption.type.font).name}`
        : "none";
    case "look":
      return isAsItIs(style.look) ? "as the photo is" : lookWords(style);
    case "sharpening":
      return style.sharpening ?? "none";
    case "ground":
      return job.ground === null
        ? "bare paper"
        : job.ground.kind === "flat"
          ? "one colour"
          : "from one colour to another";
    case "graphics": {
      const roles = Object.values(job.graphics).map(({ role }) => role);
      return roles.length === 0 ? "none" : roles.join(", ");
    }
    case "blocks": {
      const count = Object.keys(job.blocks).length;
      return count === 0 ? "none" : String(count);
    }
    case "shapes": {
      const all = Object.values(job.shapes);
      const windows = all.filter(({ is }) => is === "window").length;
      const drawn = all.length - windows;
      if (all.length === 0) return "none";
      const shapes = drawn === 1 ? "one shape" : `${drawn} shapes`;
      return windows === 0 ? shapes : `${shapes}, ${windows === 1 ? "a window" : `${windows} windows`}`;
    }
    case "texts": {
      const count = Object.keys(job.texts).length;
      return count === 0 ? "none" : count === 1 ? "one box" : `${count} boxes`;
    }
  }
}

function lookWords({ look }: Style): string {
  if (!look) return "";
  const parts = [
    look.mono > 0 && "mono",
    look.pale > 0 && "pale",
    look.fade > 0 && "faded",
    look.warmth !== 0 && (look.warmth > 0 ? "warm" : "cold"),
    look.exposure !== 0 && (look.exposure > 0 ? "lighter" : "darker"),
    look.contrast !== 0 && "contrast",
    look.saturation !== 0 && "colour",
    look.curve.length > 0 && "curve",
  ];
  return parts.filter(Boolean).join(", ");
}

import type { Rect, Size } from "../../base/geometry/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { leastScale, placePicture, type Picture, type PixelSize } from "./picture.ts";
import type { Shot } from "./schema.ts";

/** A photo in an upright piece, as the pointer takes hold of it. */
export interface Hold {
  photo: PixelSize;
  finished: Rect;
  image: Rect;
  shot: Shot;
}

/** The shot after its photo was dragged by some micrometres over the paper. Where it cannot go, it stays. */
export function dragged(hold: Hold, dx: number, dy: number): Shot {
  const shot = movable(hold.shot);
  const { placed } = placePicture(hold.photo, hold.finished, hold.image, shot);
  // What goes right on paper goes along a levelled photo's own slant.
  const radians = (shot.level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const centre = centreOf(placed, hold.image, dx * cos + dy * sin, dy * cos - dx * sin);
  return settled({ ...hold, shot }, { ...shot, centre });
}

/** The shot after scaling by a factor around the middle of the cell. */
export function scaled(hold: Hold, factor: number): Shot {
  const shot = movable(hold.shot);
  const scale = Math.min(Math.max(shot.scale * factor, leastScale(shot)), LIMITS.scale.most);
  const { placed } = placePicture(hold.photo, hold.finished, hold.image, shot);
  return settled({ ...hold, shot }, { ...shot, centre: centreOf(placed, hold.image, 0, 0), scale });
}

/** Taking hold of a whole photo frees it: a photo that was fitted has no place of its own. */
const movable = (shot: Shot): Shot => (shot.fit === "whole" ? { ...shot, fit: "free", scale: 1 } : shot);

/** The centre that a shot really has after its photo was kept over the cell. */
function settled(hold: Hold, shot: Shot): Shot {
  const { placed } = placePicture(hold.photo, hold.finished, hold.image, shot);
  return { ...shot, centre: within(centreOf(placed, hold.image, 0, 0)) };
}

function centreOf(placed: Picture["placed"], image: Rect & Size, dx: number, dy: number): Shot["centre"] {
  return {
    x: (image.x + image.width / 2 - placed.x - dx) / placed.width,
    y: (image.y + image.height / 2 - placed.y - dy) / placed.height,
  };
}

/** Keeps a free photo where it can still be found, and rounds away what no pixel shows. */
const within = ({ x, y }: Shot["centre"]): Shot["centre"] => ({ x: tidy(x), y: tidy(y) });
const tidy = (value: number) => Math.round(Math.min(Math.max(value, -4), 5) * 1e6) / 1e6;

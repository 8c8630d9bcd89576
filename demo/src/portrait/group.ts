import type { Face } from "@wide-quilt/core";
import { pointsOf } from "./head.ts";
import type { Person } from "./person.ts";
import { drawnIn } from "./portrait.ts";

/** Someone in a picture: where the middle between the eyes is, in shares of the picture, and how they stand. */
export interface Standing {
  person: Person;
  x: number;
  y: number;
  /** From the crown of a bald head to the chin, a share of the picture’s height. */
  head: number;
  /** The head and all below it, degrees clockwise. */
  tilt: number;
  /** SVG that lies over them, on the drawing’s own places. */
  over?: string;
}

/** A bald head on the drawing, from crown to chin. */
const HEAD = 374;
const EYES = { x: 350, y: 396 };

/** People before something, those who come later before those who come first. As SVG, at a size in pixels. */
export function group(people: readonly Standing[], width: number, height: number, behind: string): string {
  const drawn = people.map((one, i) => {
    const scale = (one.head * height) / HEAD;
    const there = `translate(${one.x * width} ${one.y * height}) rotate(${one.tilt}) scale(${scale}) translate(${-EYES.x} ${-EYES.y})`;
    return `<g transform="${there}">${scoped(drawnIn(one.person) + (one.over ?? ""), `s${i}-`)}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${behind}${drawn.join("")}</svg>`;
}

/** Where the heads are: known, because they were drawn there. */
export const headsIn = (people: readonly Standing[], width: number, height: number): Face[] =>
  people.map((one) => {
    const scale = (one.head * height) / HEAD;
    const radians = (one.tilt * Math.PI) / 180;
    const [cos, sin] = [Math.cos(radians) * scale, Math.sin(radians) * scale];
    return pointsOf(one.person, (x, y) => {
      const [dx, dy] = [x - EYES.x, y - EYES.y];
      return {
        x: one.x + (dx * cos - dy * sin) / width,
        y: one.y + (dx * sin + dy * cos) / height,
      };
    });
  });

/** The same drawing with names of its own, so that several stand in one picture. */
const scoped = (svg: string, prefix: string): string =>
  svg.replaceAll('id="', `id="${prefix}`).replaceAll("url(#", `url(#${prefix}`);

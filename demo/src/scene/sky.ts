import { between, chance } from "../chance.ts";

/** Scenes are drawn on 1500 × 1000, stretched to a size in pixels. */
export const WIDE = 1500;
export const HIGH = 1000;

export const svg = (width: number, height: number, body: string, view = `0 0 ${WIDE} ${HIGH}`): string => {
  const blur = [1, 2, 4, 8, 16, 30, 60]
    .map(
      (n) =>
        `<filter id="soft${n}" x="-60%" y="-60%" width="220%" height="220%"><feGaussianBlur stdDeviation="${n}"/></filter>`,
    )
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${view}" preserveAspectRatio="xMidYMid slice"><defs>${blur}</defs>${body}</svg>`;
};

/** A sky from the zenith to the horizon. */
export function sky(id: string, colours: string[], width = WIDE, height = HIGH): string {
  const stops = colours
    .map((c, i) => `<stop offset="${i / (colours.length - 1)}" stop-color="${c}"/>`)
    .join("");
  return `<linearGradient id="${id}" x2="0" y2="1">${stops}</linearGradient><rect width="${width}" height="${height}" fill="url(#${id})"/>`;
}

export const sun = (x: number, y: number, r: number, colour: string): string =>
  `<circle cx="${x}" cy="${y}" r="${r * 6}" fill="${colour}" opacity=".22" filter="url(#soft60)"/><circle cx="${x}" cy="${y}" r="${r * 2.4}" fill="${colour}" opacity=".4" filter="url(#soft30)"/><circle cx="${x}" cy="${y}" r="${r}" fill="#fffaf0" filter="url(#soft4)"/>`;

/** Banks of cloud: many soft ellipses that thin out to the sides. */
export function clouds(
  seed: number,
  count: number,
  from: number,
  to: number,
  colour: string,
  opacity: number,
  width = WIDE,
): string {
  const random = chance(seed);
  return Array.from({ length: count }, () => {
    const cx = between(random, -100, width + 100);
    const cy = between(random, from, to);
    const depth = (cy - from) / (to - from);
    return Array.from({ length: 7 }, () => {
      const x = cx + between(random, -120, 120) * (1.4 - depth);
      const y = cy + between(random, -14, 14);
      return `<ellipse cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" rx="${between(random, 60, 170).toFixed(0)}" ry="${(between(random, 8, 26) * (1.3 - depth)).toFixed(0)}" fill="${colour}" opacity="${(opacity * between(random, 0.3, 1)).toFixed(2)}" filter="url(#soft16)"/>`;
    }).join("");
  }).join("");
}

/** Water to the horizon: strokes that lie closer and shorter the further away they are. */
export function sea(
  seed: number,
  horizon: number,
  bottom: number,
  colours: [far: string, near: string],
  glint: string,
  glintX: number,
  width = WIDE,
): string {
  const random = chance(seed);
  const id = `sea${seed}`;
  const waves = Array.from({ length: 420 }, () => {
    const t = random() ** 1.7;
    const y = horizon + t * (bottom - horizon);
    const long = 8 + t * 190 * between(random, 0.3, 1);
    const x = between(random, -60, width + 60);
    const near = Math.abs(x - glintX) < 60 + t * 260;
    const light = near ? random() < 0.75 : random() < 0.3;
    return `<path d="M${x.toFixed(0)} ${y.toFixed(0)}q${(long / 2).toFixed(0)} ${(-2 - t * 9).toFixed(0)} ${long.toFixed(0)} 0q${(-long / 2).toFixed(0)} ${(2 + t * 6).toFixed(0)} ${(-long).toFixed(0)} 0z" fill="${light ? glint : "#0d2230"}" opacity="${((near && light ? 0.7 : 0.22) * between(random, 0.4, 1)).toFixed(2)}"/>`;
  }).join("");
  return `<linearGradient id="${id}" x2="0" y2="1"><stop stop-color="${colours[0]}"/><stop offset="1" stop-color="${colours[1]}"/></linearGradient><rect y="${horizon}" width="${width}" height="${bottom - horizon}" fill="url(#${id})"/>${waves}`;
}

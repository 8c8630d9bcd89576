import { between, chance } from "../chance.ts";

/** A bird far off, on the wing: two bent wings and a body. */
export function flying(x: number, y: number, k: number, lift: number, colour: string): string {
  return `<g transform="translate(${x.toFixed(0)} ${y.toFixed(0)}) scale(${k.toFixed(2)})" fill="${colour}">
    <path d="M0 0C-10-${8 + lift} -26-${14 + lift} -48-${4 + lift * 2}C-30-${6 + lift} -14 2 0 7z"/><path d="M0 0C10-${8 + lift} 26-${14 + lift} 48-${4 + lift * 2}C30-${6 + lift} 14 2 0 7z"/><ellipse cx="2" cy="3" rx="15" ry="4.600"/></g>`;
}

/** A flock, denser in its middle. */
export function flock(
  seed: number,
  count: number,
  cx: number,
  cy: number,
  wide: number,
  high: number,
  k: number,
  colour: string,
): string {
  const random = chance(seed);
  return Array.from({ length: count }, () => {
    const spread = () => (random() + random() + random()) / 1.5 - 1;
    return flying(
      cx + spread() * wide,
      cy + spread() * high,
      k * between(random, 0.6, 1.2),
      between(random, 0, 22),
      colour,
    );
  }).join("");
}

/** A wader on the shore, dark above and white below, with a long orange bill. */
export const wader = (
  x: number,
  y: number,
  k: number,
  flip = 1,
): string => `<g transform="translate(${x} ${y}) scale(${k * flip} ${k})">
  <ellipse cx="6" cy="4" rx="92" ry="8" fill="#000" opacity=".25" filter="url(#soft4)"/>
  <path d="M-8-64l-4 64M18-62l6 62" stroke="#d98a86" stroke-width="6"/><path d="M-26 0h20M14 0h22" stroke="#d98a86" stroke-width="5"/>
  <path d="M-120-96c40-46 110-74 168-58 20 6 32 20 28 36-8 34-50 60-96 62-44 0-76-14-100-40z" fill="#f4f1ea"/>
  <path d="M-128-92c20-40 70-76 130-84 28-4 60 6 74 26 6 16 2 28-8 36-10-14-30-16-50-10-50 16-100 30-146 32z" fill="#1f2226"/>
  <path d="M-60-132c30-22 70-30 104-20" stroke="#3b4047" stroke-width="6" fill="none"/>
  <circle cx="74" cy="-166" r="33" fill="#1f2226"/><path d="M46-142c10 20 30 30 50 20l-4-30z" fill="#1f2226"/>
  <path d="M102-176l78 12c4 4 2 8-2 8l-78-2z" fill="#e0672b"/><circle cx="86" cy="-172" r="6.500" fill="#d63a2a"/><circle cx="86" cy="-172" r="3" fill="#100c0a"/><circle cx="84" cy="-174" r="1.500" fill="#fff"/>
</g>`;

/** A gull on the wing, seen close by. */
export const gull = (
  x: number,
  y: number,
  k: number,
): string => `<g transform="translate(${x} ${y}) scale(${k}) rotate(-8)">
  <path d="M-20-10C-90-120-220-190-420-180c-20 2-20 8-4 12C-300-140-200-60-110 20z" fill="#cfd6dd"/><path d="M-424-168c40-4 90-2 130 14-30-22-80-30-126-26-14 2-14 10-4 12z" fill="#23272c"/>
  <path d="M-20-10C-90-120-220-190-420-180c120 10 220 60 300 150z" fill="#f2f5f7"/>
  <path d="M10-20C60-150 180-240 372-262c18 0 18 6 4 12C260-210 190-110 130 26z" fill="#aeb8c2"/><path d="M376-250c-36 6-76 18-104 40 22-30 66-48 102-52 12 0 12 8 2 12z" fill="#1c2024"/>
  <path d="M-190 44c60-60 150-80 230-70 60 6 104 24 124 50-40 40-130 60-220 48-60-8-110-16-134-28z" fill="#fbfbf8"/><path d="M-190 44c50 20 130 34 210 34 60 0 110-14 144-54-30 60-120 84-220 66-60-10-110-24-134-46z" fill="#b9c2ca" opacity=".7"/>
  <path d="M-190 44l-80 8c-6 2-6 6 0 8l90 6z" fill="#e8ebee"/>
  <circle cx="158" cy="14" r="44" fill="#fbfbf8"/><path d="M196 6l56 12c4 4 2 9-4 9l-54 0z" fill="#e5b13a"/><circle cx="238" cy="24" r="4" fill="#c8402f"/><circle cx="172" cy="4" r="6" fill="#201a12"/><circle cx="170" cy="2" r="1.700" fill="#fff"/>
</g>`;

/** A small warm-breasted bird on a post. */
export const songbird = (
  x: number,
  y: number,
  k: number,
): string => `<g transform="translate(${x} ${y}) scale(${k})">
  <linearGradient id="post"><stop stop-color="#8a7a66"/><stop offset="1" stop-color="#4a3d30"/></linearGradient><rect x="-46" y="0" width="92" height="520" rx="10" fill="url(#post)"/>${Array.from({ length: 7 }, (_, i) => `<path d="M${-38 + i * 12} 10v500" stroke="#332a20" stroke-width="2" opacity=".5"/>`).join("")}<ellipse cx="0" cy="2" rx="46" ry="12" fill="#a4937c"/>
  <path d="M-8-30l-6 30M14-30l6 30" stroke="#4a3a30" stroke-width="6"/>
  <path d="M-176-2c10-24 50-70 92-90l26 40c-30 20-70 40-108 58z" fill="#5b4a3a"/>
  <path d="M-100-80c10-70 70-120 130-116 60 4 84 50 72 104-10 46-54 76-100 74-54 0-100-20-102-62z" fill="#7a6248"/>
  <path d="M8-160c50-10 100 10 100 60 0 50-44 84-92 82-30-2-50-14-62-30 40-20 50-70 54-112z" fill="#efe3d0"/><path d="M24-200c50-6 88 26 86 72-2 40-34 62-66 56-30-8-44-50-40-84z" fill="#d5722f"/><path d="M40-190c40 0 60 30 58 62" stroke="#e99556" stroke-width="10" fill="none" opacity=".6" filter="url(#soft4)"/>
  <circle cx="52" cy="-192" r="52" fill="#7a6248"/><path d="M44-206c40-20 62 6 60 44-20 24-50 20-62-4z" fill="#d5722f"/>
  <path d="M100-196l34 10-34 8z" fill="#3a2f28"/><circle cx="76" cy="-204" r="9" fill="#15100c"/><circle cx="73" cy="-207" r="3" fill="#fff"/>
  <path d="M-96-84c30-50 80-60 110-40-10 40-50 70-104 66z" fill="#5d4936"/><path d="M-86-74c30-24 60-32 90-34M-80-62c30-10 50-18 76-30" stroke="#8a735a" stroke-width="4" fill="none"/>
</g>`;

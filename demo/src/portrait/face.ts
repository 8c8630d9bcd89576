import { darker, lighter, mix } from "../colour.ts";
import type { Person } from "./person.ts";

/**
 * The face on a canvas of 700 × 900: eyes on y 395, chin at 560, the middle at x 350. Soft light falls from the left.
 *
 *        crown 190 ─ hair
 *        brows 362
 *        eyes  395      x 290 and 410
 *        nose  478
 *        mouth 512
 *        chin  566
 */
export function face(person: Person): string {
  const { turned = 0, nods = 0 } = person.does ?? {};
  // A head that turns shows less of one cheek and more of the other; the nose, which stands out, goes further.
  const on = (depth: number, part: string) =>
    turned === 0 && nods === 0
      ? part
      : `<g transform="translate(${350 + turned * depth} ${430 + nods * depth * 0.8}) scale(${1 - 0.12 * Math.abs(turned)} ${1 - 0.1 * nods}) translate(-350 -430)">${part}</g>`;
  return [
    outline(person),
    shading(person),
    on(46, eyes(person) + brows(person)),
    on(70, nose(person)),
    on(52, mouth(person)),
    age(person),
  ].join("");
}

const HEAD =
  "M222 372c-4-118 52-178 128-178s132 60 128 178c-2 62-18 112-48 150-24 30-52 46-80 46s-56-16-80-46c-30-38-46-88-48-150z";

/** The outline of the head, for clipping what lies on the skin. */
export const headPath = HEAD;

function outline({ skin }: Person): string {
  const ear = (x: number, flip: number) => `
    <g transform="translate(${x} 400) scale(${flip} 1)">
      <path d="M0-34c20-12 34 2 30 30-3 24-14 46-28 44z" fill="${darker(skin, 0.14)}"/>
      <path d="M5-20c12-8 18 2 15 20-2 12-8 22-14 24" fill="none" stroke="${darker(skin, 0.34)}" stroke-width="4" filter="url(#soft3)"/>
    </g>`;
  return `${ear(470, 1)}${ear(230, -1)}<path d="${HEAD}" fill="url(#skin)"/>`;
}

/** Light and shadow on the skin, all blurred and kept inside the head. */
function shading({ skin }: Person): string {
  const shade = darker(skin, 0.5);
  const light = lighter(skin, 0.55);
  const blush = mix(skin, "#c2503c", 0.45);
  return `<g clip-path="url(#head)">
    <ellipse cx="492" cy="430" rx="74" ry="190" fill="${shade}" opacity=".42" filter="url(#soft30)"/>
    <ellipse cx="214" cy="440" rx="34" ry="170" fill="${shade}" opacity=".3" filter="url(#soft20)"/>
    <ellipse cx="350" cy="588" rx="120" ry="34" fill="${shade}" opacity=".42" filter="url(#soft20)"/>
    <ellipse cx="318" cy="290" rx="84" ry="50" fill="${light}" opacity=".34" filter="url(#soft30)"/>
    <ellipse cx="272" cy="450" rx="40" ry="34" fill="${light}" opacity=".3" filter="url(#soft20)"/>
    <ellipse cx="262" cy="470" rx="40" ry="30" fill="${blush}" opacity=".3" filter="url(#soft20)"/>
    <ellipse cx="436" cy="472" rx="38" ry="30" fill="${blush}" opacity=".28" filter="url(#soft20)"/>
    <ellipse cx="290" cy="388" rx="46" ry="26" fill="${shade}" opacity=".3" filter="url(#soft12)"/>
    <ellipse cx="412" cy="388" rx="46" ry="26" fill="${shade}" opacity=".34" filter="url(#soft12)"/>
    <ellipse cx="350" cy="542" rx="36" ry="9" fill="${shade}" opacity=".34" filter="url(#soft6)"/>
    <ellipse cx="346" cy="556" rx="24" ry="11" fill="${light}" opacity=".26" filter="url(#soft6)"/>
    <path d="M222 300q40-110 128-108t128 108l10-130H212z" fill="${shade}" opacity=".3" filter="url(#soft12)"/>
  </g>`;
}

function eyes({ eyes, skin, does }: Person): string {
  if (does?.eyesShut) return [290, 410].map((x) => shut(x, skin)).join("");
  const pupil = does?.redEyes ? "#d3251c" : "#0d0a09";
  const wide = does?.redEyes ? 8.6 : 5.6;
  const one = (x: number, side: 1 | -1) => `
    <g transform="translate(${x} 397) scale(${side} 1)">
      <path d="M-31 3C-22-12-6-16 8-13c10 2 18 8 24 14-8 9-20 13-33 12-12-1-23-5-30-10z" fill="#f1ece6"/>
      <g clip-path="url(#lid)">
        <circle cx="0" cy="-1" r="13.5" fill="${darker(eyes, 0.35)}"/><circle cx="0" cy="-1" r="11.5" fill="${eyes}"/>
        <circle cx="0" cy="3" r="8" fill="${lighter(eyes, 0.3)}" opacity=".5"/><circle cx="0" cy="-1" r="${wide}" fill="${pupil}"/>
        <path d="M-34-4C-22-16-6-18 8-16c10 2 18 8 26 16l2-22h-70z" fill="${darker(skin, 0.7)}" opacity=".38" filter="url(#soft3)"/>
      </g>
      <circle cx="${-4 * side}" cy="-6" r="2.8" fill="#fff" opacity=".92"/>
      <path d="M-33 4C-23-12-6-17 8-14c11 2 19 9 26 15" fill="none" stroke="#1e1410" stroke-width="4" stroke-linecap="round"/>
      <path d="M-28 6c8 6 18 9 28 9 12 0 23-4 31-11" fill="none" stroke="${darker(skin, 0.5)}" stroke-width="1.8" opacity=".7"/>
      <path d="M-30-10c10-12 24-16 38-13 9 2 17 7 24 14" fill="none" stroke="${darker(skin, 0.48)}" stroke-width="2.6" opacity=".7" filter="url(#soft1)"/>
    </g>`;
  return one(290, -1) + one(410, 1);
}

/** A lid that lies over its eye, with lashes along its edge. */
const shut = (x: number, skin: string): string => `
  <g transform="translate(${x} 400)">
    <path d="M-32 1C-20-15 18-15 32 1 18 12-20 12-32 1z" fill="${darker(skin, 0.1)}"/>
    <path d="M-32 2C-18 12 18 12 32 2" fill="none" stroke="#1e1410" stroke-width="4.4" stroke-linecap="round"/>
    <path d="M-30-6C-18-16 18-16 30-6" fill="none" stroke="${darker(skin, 0.45)}" stroke-width="2" opacity=".6" filter="url(#soft1)"/>
  </g>`;

function brows({ hair, skin, age, style }: Person): string {
  const colour = mix(darker(hair, style === "bun" || style === "bald" ? 0.3 : 0.2), skin, 0.16 + age * 0.14);
  const brow = (x: number, side: 1 | -1) =>
    `<path transform="translate(${x} 360) scale(${side} 1)" d="M-34 5C-20-9 4-14 36 0c-2 3-3 4-4 4C6-4-12-2-33 10z" fill="${colour}" opacity=".9" filter="url(#soft1)"/>`;
  return brow(288, -1) + brow(412, 1);
}

function nose({ skin }: Person): string {
  const shade = darker(skin, 0.5);
  return `
    <path d="M366 386c8 34 16 58 22 80 4 14-4 22-14 22l-8-6c4-30-2-60-10-92z" fill="${shade}" opacity=".3" filter="url(#soft6)"/>
    <ellipse cx="344" cy="440" rx="9" ry="44" fill="${lighter(skin, 0.6)}" opacity=".36" filter="url(#soft6)"/>
    <ellipse cx="347" cy="470" rx="13" ry="10" fill="${lighter(skin, 0.6)}" opacity=".34" filter="url(#soft3)"/>
    <path d="M318 474c-6 12 2 18 12 16 6 6 34 6 40 0 10 2 18-4 12-16" fill="none" stroke="${shade}" stroke-width="4" opacity=".5" filter="url(#soft1)"/>
    <ellipse cx="333" cy="486" rx="8" ry="3.6" fill="${darker(skin, 0.78)}" opacity=".7" filter="url(#soft1)"/>
    <ellipse cx="368" cy="486" rx="8" ry="3.6" fill="${darker(skin, 0.78)}" opacity=".7" filter="url(#soft1)"/>`;
}

function mouth({ skin, lips, does }: Person): string {
  const lip = lips ?? mix(skin, "#a3443f", 0.42);
  if (does?.mouthOpen)
    return `
    <ellipse cx="350" cy="524" rx="46" ry="30" fill="${lip}"/>
    <ellipse cx="350" cy="524" rx="37" ry="21" fill="#2a0d0c"/>
    <path d="M318 514q32-14 64 0l-4 6q-28-8-56 0z" fill="#efe9e0"/>`;
  return `
    <path d="M302 518c16-8 34-14 42-9 3 2 9 2 12 0 8-5 26 1 42 9-14 3-30 5-48 5s-34-2-48-5z" fill="${darker(lip, 0.2)}"/>
    <path d="M302 518c14 2 30 4 48 4s34-2 48-4c-10 16-28 22-48 22s-38-6-48-22z" fill="${lip}"/>
    <ellipse cx="346" cy="530" rx="20" ry="4" fill="${lighter(lip, 0.6)}" opacity=".42" filter="url(#soft3)"/>
    <path d="M299 517c18 4 34 6 51 5 18 1 34-1 51-5" fill="none" stroke="${darker(lip, 0.7)}" stroke-width="2.6" stroke-linecap="round"/>
    <ellipse cx="298" cy="518" rx="6" ry="6" fill="${darker(skin, 0.5)}" opacity=".34" filter="url(#soft3)"/>
    <ellipse cx="402" cy="518" rx="6" ry="6" fill="${darker(skin, 0.5)}" opacity=".34" filter="url(#soft3)"/>`;
}

/** Lines that years leave. */
function age({ age, skin }: Person): string {
  if (age < 0.3) return "";
  const line = (d: string, width: number) =>
    `<path d="${d}" fill="none" stroke="${darker(skin, 0.5)}" stroke-width="${width}" opacity="${(age * 0.5).toFixed(2)}" filter="url(#soft1)"/>`;
  return [
    line("M296 486c-14 12-22 24-24 42", 4),
    line("M404 486c14 12 22 24 24 42", 4),
    line("M262 420c10 8 28 12 46 8M392 428c18 4 36 0 46-8", 3),
    line("M246 392l-14-6M246 402l-15 3M454 392l14-6M454 402l15 3", 2.4),
    ...(age > 0.6
      ? [line("M284 310c40-10 92-10 132 0M292 288c36-8 80-8 116 0M300 332c30-6 70-6 100 0", 2.6)]
      : []),
  ].join("");
}

import { darker, lighter, mix } from "../colour.ts";
import { face, headPath } from "./face.ts";
import { beard, hairBehind, hairInFront } from "./hair.ts";
import type { Person } from "./person.ts";

/** The part of the drawing that a photo shows: head and shoulders close up, or with room around. */
export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}
export const CLOSE: Frame = { x: 85, y: 95, width: 530, height: 681 };
export const ROOMY: Frame = { x: -50, y: -80, width: 800, height: 1000 };

/** A head-and-shoulders portrait, as SVG of 700 × 900 stretched to a size in pixels; before a plain backdrop or another. */
export function portrait(
  person: Person,
  width: number,
  height: number,
  frame: Frame = CLOSE,
  behind: string = backdrop(person),
): string {
  return svg(
    person,
    width,
    height,
    frame,
    `${behind}${figure(person)}<rect x="-400" y="-400" width="1500" height="1700" fill="url(#vignette)"/>`,
  );
}

/** The person alone: what is not transparent is the person. */
export const silhouette = (person: Person, width: number, height: number, frame: Frame = CLOSE): string =>
  svg(person, width, height, frame, figure(person));

function svg(person: Person, width: number, height: number, frame: Frame, content: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${frame.x} ${frame.y} ${frame.width} ${frame.height}" preserveAspectRatio="xMidYMid slice">
  ${definitions(person)}
  ${content}
</svg>`;
}

/** The person and what they are drawn with, on the drawing of 700 × 900. */
export const drawnIn = (person: Person): string => definitions(person) + figure(person);

function figure(person: Person): string {
  return `<g transform="translate(350 0) scale(${person.breadth} 1) translate(-350 0)">
    ${hairBehind(person)}${body(person)}${face(person)}${beard(person)}${hairInFront(person)}${glasses(person)}
  </g>`;
}

function definitions({ skin, hair, coat, backdrop }: Person): string {
  const blur = [1, 3, 6, 12, 20, 30]
    .map(
      (n) =>
        `<filter id="soft${n}" x="-60%" y="-60%" width="220%" height="220%"><feGaussianBlur stdDeviation="${n}"/></filter>`,
    )
    .join("");
  const lid = "M-31 3C-22-12-6-16 8-13c10 2 18 8 24 14-8 9-20 13-33 12-12-1-23-5-30-10z";
  return `<defs>${blur}
    <clipPath id="head"><path d="${headPath}"/></clipPath><clipPath id="throat"><path d="M284 500h132v130l20 90H264l20-90z"/></clipPath><clipPath id="lid"><path d="${lid}"/></clipPath>
    <radialGradient id="skin" cx=".4" cy=".42" r=".72"><stop stop-color="${lighter(skin, 0.14)}"/><stop offset=".55" stop-color="${skin}"/><stop offset="1" stop-color="${darker(skin, 0.3)}"/></radialGradient>
    <linearGradient id="hair" x1=".2" x2=".8" y2="1"><stop stop-color="${lighter(hair, 0.14)}"/><stop offset=".5" stop-color="${hair}"/><stop offset="1" stop-color="${darker(hair, 0.35)}"/></linearGradient>
    <linearGradient id="coat" x2="1" y2=".3"><stop stop-color="${lighter(coat, 0.1)}"/><stop offset=".5" stop-color="${coat}"/><stop offset="1" stop-color="${darker(coat, 0.4)}"/></linearGradient>
    <linearGradient id="scarf" x2="1" y2=".6"><stop stop-color="${lighter(coat, 0.22)}"/><stop offset=".6" stop-color="${mix(coat, "#3c5a6e", 0.4)}"/><stop offset="1" stop-color="${darker(coat, 0.3)}"/></linearGradient>
    <linearGradient id="neck" y2="1" x2="0"><stop stop-color="${darker(skin, 0.42)}"/><stop offset=".7" stop-color="${darker(skin, 0.16)}"/></linearGradient>
    <radialGradient id="backdrop" cx=".42" cy=".38" r=".85"><stop stop-color="${lighter(backdrop, 0.45)}"/><stop offset="1" stop-color="${darker(backdrop, 0.14)}"/></radialGradient>
    <radialGradient id="vignette" cx=".5" cy=".45" r=".6"><stop offset=".6" stop-color="#000" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity=".12"/></radialGradient>
  </defs>`;
}

const backdrop = (_: Person) => `<rect x="-400" y="-400" width="1500" height="1700" fill="url(#backdrop)"/>`;

function body({ skin, coat }: Person): string {
  const seam = darker(coat, 0.5);
  return `
    <path d="M284 500h132v130l20 90q-86 70-172 0l20-90z" fill="url(#neck)"/>
    <g clip-path="url(#throat)"><ellipse cx="356" cy="590" rx="90" ry="30" fill="${darker(skin, 0.6)}" opacity=".5" filter="url(#soft12)"/></g>
    <path d="M-40 960C-30 790 60 720 176 692c52-14 84-30 106-58 30 50 106 50 136 0 22 28 54 44 106 58 116 28 206 98 216 268z" fill="url(#coat)"/>
    <path d="M252 654c14 44 50 92 98 128 48-36 84-84 98-128l32 16c-14 66-66 136-130 178-64-42-116-112-130-178z" fill="${darker(coat, 0.22)}"/>
    <path d="M282 634c6 40 34 84 68 116 34-32 62-76 68-116 18 10 22 14 30 20-14 44-50 92-98 128-48-36-84-84-98-128z" fill="${lighter(coat, 0.12)}"/>
    <path d="M350 782v160" stroke="${seam}" stroke-width="5" opacity=".8"/>
    <path d="M120 960c-4-90 10-150 40-210M580 960c4-90-10-150-40-210" stroke="${seam}" stroke-width="6" fill="none" opacity=".4" filter="url(#soft3)"/>
    <ellipse cx="150" cy="780" rx="110" ry="50" fill="${lighter(coat, 0.4)}" opacity=".16" filter="url(#soft30)"/>`;
}

function glasses({ glasses }: Person): string {
  if (!glasses) return "";
  const lens = (x: number) =>
    `<rect x="${x - 48}" y="366" width="96" height="70" rx="30" fill="#dfe9f2" fill-opacity=".12" stroke="#2b2a2c" stroke-width="5.5"/><path d="M${x - 34} 380q20-10 34-6" stroke="#fff" stroke-width="4" opacity=".34" fill="none"/>`;
  return `${lens(290)}${lens(410)}<path d="M338 394q12-10 24 0M242 392l-24-8M458 392l24-8" stroke="#2b2a2c" stroke-width="5.5" fill="none"/>`;
}

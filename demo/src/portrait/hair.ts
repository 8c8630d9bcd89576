import { between, chance } from "../chance.ts";
import { darker, lighter, mix } from "../colour.ts";
import type { Person } from "./person.ts";

/** What lies behind the head. */
export function hairBehind(person: Person): string {
  const { hair, style } = person;
  const dark = darker(hair, 0.4);
  switch (style) {
    case "long":
      return `<path d="M196 380c-10-140 60-216 154-216s166 76 154 216c-6 90 34 170 22 260-60 40-292 40-352 0-12-90 28-170 22-260z" fill="${dark}"/>${strands(
        person,
        70,
        (r) => {
          const x = between(r, 184, 516);
          return `M${x} ${between(r, 300, 420)}C${x + between(r, -20, 20)} 480 ${x + between(r, -26, 26)} 560 ${x + between(r, -20, 20)} 650`;
        },
      )}`;
    case "curly":
      return `<g fill="${dark}">${curls(person, 150, 0.12)}</g>`;
    case "bun":
      return `<circle cx="350" cy="160" r="58" fill="${dark}"/><circle cx="340" cy="150" r="50" fill="${hair}"/>${strands(person, 16, (r) => `M${between(r, 306, 330)} ${between(r, 120, 190)}q${between(r, 20, 50)} ${between(r, -24, 24)} ${between(r, 50, 76)} ${between(r, -6, 12)}`)}`;
    case "scarf":
      return `<path d="M188 420c-20-180 70-262 162-262s182 82 162 262c-4 100 40 180 60 250-100 60-344 60-444 0 20-70 64-150 60-250z" fill="${darker(person.coat, 0.25)}"/>`;
    default:
      return "";
  }
}

/** What lies over the forehead. */
export function hairInFront(person: Person): string {
  const { hair, style, skin } = person;
  const cap = (d: string) => `<path d="${d}" fill="url(#hair)"/>`;
  switch (style) {
    case "parted":
      return (
        cap(
          "M212 400c-16-150 44-232 144-230 96 2 150 78 132 228-8-30-14-54-22-74-14-40-40-62-74-80-20 34-70 62-122 70-30 6-46 30-58 86z",
        ) +
        strands(person, 70, (r) => {
          const t = r();
          return `M${300 + t * 90} ${182 + t * 8}C${270 + t * 10} ${210 + t * 20} ${232 + t * 30} ${250 + t * 20} ${216 + t * 40} ${370 - t * 70}`;
        }) +
        strands(person, 50, (r) => {
          const t = r();
          return `M${392 - t * 30} ${188}C${430} ${210 + t * 20} ${470} ${270 - t * 20} ${482 - t * 8} ${376 - t * 50}`;
        })
      );
    case "short":
      return (
        cap(
          "M214 388c-22-136 36-222 138-222s158 84 134 222c-6-34-14-58-24-76-10-26-24-42-42-50-44 14-112 14-152-4-20 16-40 54-54 130z",
        ) +
        strands(person, 110, (r) => {
          const x = between(r, 224, 476);
          const y = 176 + Math.abs(x - 350) ** 2 / 240;
          return `M${x} ${y + between(r, 0, 30)}q${between(r, -12, 16)} ${between(r, 18, 34)} ${between(r, -18, 14)} ${between(r, 40, 68)}`;
        })
      );
    case "long":
      return (
        cap(
          "M208 420c-22-160 46-250 144-250 100 0 160 92 140 250-12-66-26-112-56-146-24-26-52-40-88-46-22 30-62 58-90 76-28 20-42 56-50 116z",
        ) +
        strands(person, 80, (r) => {
          const t = r();
          return `M${340 + t * 12} ${178 + t * 6}C${300 - t * 10} ${200 + t * 24} ${246 - t * 6} ${250 + t * 20} ${212 + t * 24} ${410 - t * 60}`;
        }) +
        strands(person, 60, (r) => {
          const t = r();
          return `M${352 + t * 14} ${178 + t * 6}C${420 + t * 6} ${206 + t * 12} ${468 + t * 8} ${270 + t * 10} ${490 - t * 10} ${414 - t * 40}`;
        })
      );
    case "curly":
      return `<path d="M210 376c-14-120 50-196 140-196s154 76 140 196c-20-70-62-108-140-108s-120 38-140 108z" fill="${darker(hair, 0.2)}"/><g>${curls(person, 90, 0.24, true)}</g>`;
    case "bun":
      return (
        cap(
          "M210 404c-18-150 44-238 142-238s158 88 138 238c-8-60-24-104-50-130-54-26-126-28-180 0-26 28-42 72-50 130z",
        ) +
        strands(person, 90, (r) => {
          const x = between(r, 218, 482);
          return `M${x} ${262 + Math.abs(x - 350) * 0.55}C${x + (350 - x) * 0.3} ${230} ${x + (350 - x) * 0.6} 196 350 168`;
        })
      );
    case "bald":
      return `<path d="M214 400c-8-40-8-70 2-98 14 26 14 60 12 104zM486 400c8-40 8-70-2-98-14 26-14 60-12 104z" fill="${mix(hair, skin, 0.2)}" filter="url(#soft3)"/><ellipse cx="320" cy="236" rx="56" ry="24" fill="${lighter(skin, 0.8)}" opacity=".4" filter="url(#soft12)"/>`;
    case "scarf":
      return `<path d="M204 430c-26-176 50-262 146-262s172 86 146 262c-2-90-40-176-146-176s-144 86-146 176z" fill="url(#scarf)"/><path d="M206 420c-6 90 34 160 144 166 110-6 150-76 144-166 30 120 10 200-20 250-80 30-168 30-248 0-30-50-50-130-20-250z" fill="url(#scarf)"/>${[3, 4, 5].map((i) => `<path d="M${214 + i * 10} ${486 + i * 34}q136 ${96 - i * 6} ${272 - i * 20} 0" fill="none" stroke="${darker(person.coat, 0.5)}" stroke-width="4" opacity=".35" filter="url(#soft3)"/>`).join("")}`;
  }
}

/** A beard that follows the jaw; weight 0…1. */
export function beard(person: Person): string {
  const { hair, beard: weight, skin } = person;
  if (!weight) return "";
  const random = chance(person.seed * 7);
  const colour = mix(hair, skin, 0.12);
  const hairs = Array.from({ length: Math.round(900 * weight) }, () => {
    const angle = between(random, 0.04, 0.96) * Math.PI;
    const reach = between(random, 0.62, 1.02);
    const x = 350 + Math.cos(angle) * 118 * reach;
    const y = 470 + Math.sin(angle) * 96 * reach;
    const mouthAway = Math.hypot((x - 350) / 62, (y - 520) / 24) > 1;
    return mouthAway && y > 478
      ? `M${x.toFixed(0)} ${y.toFixed(0)}l${between(random, -5, 5).toFixed(0)} ${between(random, 6, 14).toFixed(0)}`
      : "";
  }).join("");
  return `<g clip-path="url(#head)">
    <path d="M226 430c6 60 20 100 46 132 26 26 130 26 156 0 26-32 40-72 46-132-8 40-24 62-50 66-22-4-46-12-74-12s-52 8-74 12c-26-4-42-26-50-66zM300 512c20-14 80-14 100 0 4 24-20 36-50 36s-54-12-50-36z" fill-rule="evenodd" fill="${colour}" opacity="${(0.8 * weight).toFixed(2)}" filter="url(#soft6)"/>
    <path d="${hairs}" stroke="${darker(colour, 0.25)}" stroke-width="2.2" opacity=".55" fill="none"/>
  </g>`;
}

/** Fine lines of hair, some lighter, some darker. */
function strands(person: Person, count: number, path: (random: () => number) => string): string {
  const random = chance(person.seed * 31 + count);
  return Array.from({ length: count }, () => {
    const light = random() < 0.55;
    const colour = light ? lighter(person.hair, person.contrast) : darker(person.hair, person.contrast * 1.6);
    const d = path(random).replaceAll(/\d+\.\d+/g, (n) => Number(n).toFixed(0));
    return `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${between(random, 1.4, 4).toFixed(1)}" stroke-linecap="round" opacity="${between(random, 0.25, 0.6).toFixed(2)}"/>`;
  }).join("");
}

/** Curls as many small soft circles around the crown. */
function curls(person: Person, count: number, spread: number, front = false): string {
  const random = chance(person.seed * 13 + count);
  return Array.from({ length: count }, () => {
    const angle = front ? between(random, 1.06, 1.94) * Math.PI : between(random, 0.86, 2.14) * Math.PI;
    const reach = front ? between(random, 0.8, 1.1) : between(random, 0.8, 1.24);
    const x = 350 + Math.cos(angle) * 150 * reach;
    const y = 372 + Math.sin(angle) * 196 * reach;
    const colour =
      random() < 0.4 ? lighter(person.hair, person.contrast * random()) : darker(person.hair, spread);
    return `<circle cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" r="${between(random, 14, 30).toFixed(0)}" fill="${colour}" opacity="${between(random, 0.6, 1).toFixed(2)}"/>`;
  }).join("");
}

import { between, chance } from "../chance.ts";
import { darker, lighter } from "../colour.ts";
import { HIGH, WIDE } from "./sky.ts";

/** A ridge of dunes or hills down to the lower edge. */
export function ridge(seed: number, y: number, height: number, colour: string, width = WIDE): string {
  const random = chance(seed);
  const steps = 7;
  let d = `M-50 ${HIGH + 50}V${y}`;
  let level = y;
  for (let i = 0; i < steps; i++) {
    const next = y + between(random, -height, height * 0.4);
    const x = (i * (width + 100)) / steps - 50;
    const dx = (width + 100) / steps;
    d += `C${(x + dx * 0.4).toFixed(0)} ${level.toFixed(0)} ${(x + dx * 0.6).toFixed(0)} ${next.toFixed(0)} ${(x + dx).toFixed(0)} ${next.toFixed(0)}`;
    level = next;
  }
  const id = `ridge${seed}`;
  return `<linearGradient id="${id}" x2="0" y2="1"><stop stop-color="${lighter(colour, 0.18)}"/><stop offset=".5" stop-color="${colour}"/><stop offset="1" stop-color="${darker(colour, 0.4)}"/></linearGradient><path d="${d}V${HIGH + 50}z" fill="url(#${id})"/>`;
}

/** Tufts of dune grass bent by a wind from the left. */
export function grass(
  seed: number,
  tufts: number,
  from: number,
  to: number,
  colour: string,
  size = 1,
  width = WIDE,
): string {
  const random = chance(seed);
  const all = Array.from({ length: tufts }, () => ({
    x: between(random, -40, width + 40),
    y: between(random, from, to),
  }))
    .sort((a, b) => a.y - b.y)
    .map(({ x, y }) => {
      const scale = size * (0.45 + (0.9 * (y - from)) / Math.max(1, to - from));
      const blades = Array.from({ length: 16 }, () => {
        const dx = between(random, -26, 64) * scale;
        const dy = between(random, 50, 130) * scale;
        const shade =
          random() < 0.5 ? lighter(colour, between(random, 0, 0.4)) : darker(colour, between(random, 0, 0.5));
        return `<path d="M${(x + between(random, -10, 10) * scale).toFixed(0)} ${y.toFixed(0)}q${(dx * 0.2).toFixed(0)} ${(-dy * 0.7).toFixed(0)} ${dx.toFixed(0)} ${(-dy).toFixed(0)}" stroke="${shade}" stroke-width="${(2.6 * scale).toFixed(1)}" fill="none" stroke-linecap="round"/>`;
      });
      return blades.join("");
    });
  return all.join("");
}

/** Wet sand or mud with ripples. */
export function flats(seed: number, top: number, colour: string, shine: string): string {
  const random = chance(seed);
  const ripples = Array.from({ length: 260 }, () => {
    const t = random() ** 1.4;
    const y = top + t * (HIGH - top);
    const x = between(random, -60, WIDE);
    const long = 20 + t * 240 * random();
    return `<ellipse cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" rx="${long.toFixed(0)}" ry="${(1 + t * 5).toFixed(1)}" fill="${random() < 0.5 ? shine : darker(colour, 0.4)}" opacity="${between(random, 0.08, 0.3).toFixed(2)}"/>`;
  }).join("");
  const id = `flats${seed}`;
  return `<linearGradient id="${id}" x2="0" y2="1"><stop stop-color="${lighter(colour, 0.3)}"/><stop offset="1" stop-color="${darker(colour, 0.3)}"/></linearGradient><rect y="${top}" width="${WIDE}" height="${HIGH - top}" fill="url(#${id})"/>${ripples}`;
}

/** The bird hide: planks, a slot to look out of, a turf roof. */
export const hide = (
  x: number,
  y: number,
  k: number,
): string => `<g transform="translate(${x} ${y}) scale(${k})">
  <ellipse cx="150" cy="172" rx="210" ry="16" fill="#1c1710" opacity=".45" filter="url(#soft8)"/>
  <path d="M0 0h300v170H0z" fill="#6b5842"/>${Array.from({ length: 9 }, (_, i) => `<path d="M0 ${i * 19}h300" stroke="#3f3224" stroke-width="3" opacity=".7"/>`).join("")}
  <path d="M0 0h110v170H0z" fill="#000" opacity=".22"/>
  <path d="M26 46h248v34H26z" fill="#14110d"/><path d="M26 46h248v6H26z" fill="#000"/><path d="M20 80h260v8H20z" fill="#8d775a"/>
  <path d="M-26 6L150-62 326 6l-8 16L150-42-18 22z" fill="#4c5238"/><path d="M-26 6L150-62 326 6l-3 6L150-54-22 14z" fill="#77805a"/>
</g>`;

/** The old light at the end of the spit. */
export const lightTower = (
  x: number,
  y: number,
  k: number,
): string => `<g transform="translate(${x} ${y}) scale(${k})">
  <linearGradient id="tower${x}"><stop stop-color="#fdf8ee"/><stop offset=".55" stop-color="#e9e0d2"/><stop offset="1" stop-color="#9d9384"/></linearGradient>
  <path d="M-34 0l10-300h48l10 300z" fill="url(#tower${x})"/><path d="M-31-90l2.6-70h56.8l2.6 70zM-26.5-220l2-56h49l2 56z" fill="#a5382c"/>
  <path d="M6-220l2-56h16.500l2 56zM8-90l2-70h18.400l2.600 70z" fill="#000" opacity=".22"/>
  <rect x="-32" y="-312" width="64" height="12" rx="3" fill="#33363c"/><rect x="-20" y="-346" width="40" height="34" fill="#f7e8b0"/><path d="M-20-346h40v34h-40zM-6-346v34M8-346v34" stroke="#33363c" stroke-width="4" fill="none"/>
  <path d="M-26-346q26-40 52 0z" fill="#33363c"/><rect x="-9" y="-40" width="18" height="40" rx="8" fill="#3a3029"/>
</g>`;

import { between, chance } from "../chance.ts";
import { flock, flying, gull, songbird, wader } from "./birds.ts";
import { flats, grass, hide, lightTower, ridge } from "./land.ts";
import { clouds, HIGH, sea, sky, sun, svg, WIDE } from "./sky.ts";

/** A scene of the spit, drawn to a size in pixels. */
export type Scene = (width: number, height: number) => string;

const horizonGlow = (y: number, colour: string) =>
  `<ellipse cx="${WIDE / 2}" cy="${y}" rx="${WIDE * 0.8}" ry="60" fill="${colour}" opacity=".45" filter="url(#soft30)"/>`;

const reflected = (x: number, y: number, k: number, flip = 1) =>
  `<g transform="translate(0 ${2 * y}) scale(1 -1)" opacity=".28" filter="url(#soft4)">${wader(x, y, k, flip)}</g>`;

export const SCENES: Record<string, Scene> = {
  dawn: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#33507a", "#8b8fb5", "#e8a98a", "#f9d9a4"]) +
        clouds(3, 14, 120, 480, "#f6c9a6", 0.55) +
        sun(980, 560, 34, "#ffd890") +
        horizonGlow(590, "#ffd9a0") +
        sea(5, 600, HIGH, ["#c99a86", "#33485e"], "#ffe2ae", 980) +
        flock(8, 26, 520, 330, 260, 80, 0.42, "#3a3a4a"),
    ),
  dunes: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#5f97c9", "#a9cbe4", "#e9eee9"]) +
        clouds(12, 12, 80, 380, "#ffffff", 0.75) +
        sea(9, 520, 620, ["#6f9cae", "#5b8798"], "#ffffff", 400) +
        ridge(21, 640, 90, "#d9c192") +
        ridge(22, 760, 110, "#cfb27e") +
        grass(6, 60, 640, 760, "#8f9a5a", 0.7) +
        ridge(23, 900, 90, "#c4a56e") +
        grass(7, 90, 820, 1010, "#7f8c4c", 1.3),
    ),
  hide: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#8fb3cf", "#cddde4", "#f1ead8"]) +
        clouds(31, 10, 60, 320, "#ffffff", 0.7) +
        ridge(33, 560, 40, "#8e9f86") +
        ridge(34, 640, 50, "#b3a673") +
        hide(760, 560, 1.25) +
        grass(35, 70, 700, 780, "#8a9156", 0.8) +
        ridge(36, 880, 60, "#b59a63") +
        grass(37, 100, 850, 1010, "#77814a", 1.3) +
        flock(38, 9, 380, 260, 240, 60, 0.6, "#4a5560"),
    ),
  tower: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#2f4a75", "#6f7fa8", "#d99a86", "#f3c891"]) +
        clouds(41, 16, 120, 520, "#f0b79a", 0.5) +
        sea(42, 640, 820, ["#a98b92", "#46566e"], "#ffd9b0", 420) +
        ridge(43, 720, 50, "#6a5d55") +
        lightTower(1000, 720, 1.15) +
        `<path d="M1000 340L-100 120V420z" fill="#fff2c4" opacity=".16" filter="url(#soft16)"/>` +
        ridge(44, 880, 70, "#4a423c") +
        grass(45, 70, 860, 1010, "#57553a", 1.2),
    ),
  flock: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#7f8fa3", "#b7bfc6", "#e9dfd0"]) +
        clouds(51, 18, 60, 560, "#f5efe6", 0.6) +
        flock(52, 240, 760, 400, 620, 260, 0.5, "#30353d") +
        ridge(53, 900, 20, "#5c6260") +
        sea(54, 870, HIGH, ["#8f9aa0", "#59666e"], "#f1ece2", 700),
    ),
  waders: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#aebfcb", "#dfe3e0"]) +
        horizonGlow(380, "#ffffff") +
        flats(61, 400, "#8d8a80", "#e6ecee") +
        reflected(480, 770, 1.35) +
        reflected(1060, 690, 1, -1) +
        wader(480, 770, 1.35) +
        wader(1060, 690, 1, -1) +
        wader(240, 560, 0.5) +
        wader(880, 540, 0.46, -1),
    ),
  gull: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#3f78b5", "#7fb0d8", "#c4dcea"]) +
        clouds(71, 9, 500, 960, "#ffffff", 0.7) +
        gull(760, 520, 1.3),
    ),
  songbird: (w, h) =>
    svg(w, h, sky("s", ["#7f9166", "#a7ad78", "#c9bd8c"]) + blobs(81) + songbird(700, 620, 1.35)),
  marsh: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#b9c6cf", "#e3e4dd", "#efe7d3"]) +
        ridge(91, 440, 20, "#a3aca6") +
        ridge(92, 500, 20, "#98a37c") +
        creek() +
        grass(93, 120, 560, 760, "#8d9a5e", 0.6) +
        grass(94, 80, 820, 1010, "#6f7f48", 1.2) +
        `<rect y="380" width="${WIDE}" height="160" fill="#f4f2ea" opacity=".5" filter="url(#soft30)"/>`,
    ),
  storm: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#252d39", "#4b5766", "#9aa0a2", "#d8cfb6"]) +
        clouds(101, 26, 40, 470, "#1d242e", 0.7) +
        clouds(102, 10, 330, 520, "#7b858f", 0.5) +
        sea(103, 560, 860, ["#6d7a80", "#2f3d46"], "#dfe6e6", 300) +
        `<path d="M-20 860q200-30 420-8t500-6 640 10v160H-20z" fill="#cfd8d8" opacity=".8" filter="url(#soft8)"/>` +
        flats(104, 880, "#8b8065", "#d9dcd6") +
        flying(620, 300, 0.9, 10, "#e9ecee") +
        flying(820, 250, 0.7, 2, "#dfe3e6"),
    ),
  night: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#070b1a", "#14203c", "#33466a", "#6a6f86"]) +
        stars() +
        ridge(112, 820, 40, "#141821") +
        hide(300, 700, 0.9) +
        ridge(113, 920, 50, "#0c0f15"),
    ),
  panorama: (w, h) =>
    svg(
      w,
      h,
      sky("s", ["#4d86bb", "#9cc3de", "#e6ebe4"], 6000) +
        clouds(121, 40, 80, 420, "#ffffff", 0.7, 6000) +
        sea(122, 560, HIGH, ["#7fa9b8", "#2f6479"], "#ffffff", 3900, 6000) +
        ridge(123, 640, 36, "#d8c290", 6000) +
        lightTower(4900, 640, 0.8) +
        hide(1500, 540, 0.7) +
        grass(124, 220, 640, 700, "#8a9458", 0.5, 6000) +
        ridge(125, 900, 60, "#cdb07a", 6000) +
        grass(126, 260, 860, 1010, "#7d8a4c", 1.1, 6000) +
        flock(127, 120, 3000, 320, 900, 140, 0.5, "#3d4650"),
      `0 0 6000 ${HIGH}`,
    ),
};

/** A background out of focus: large soft discs of light. */
function blobs(seed: number): string {
  const random = chance(seed);
  const colours = ["#d9d49a", "#6d8052", "#e9e3c0", "#8d9a5f", "#5c6e48"];
  return Array.from({ length: 70 }, () => {
    const colour = colours[Math.floor(random() * colours.length)];
    return `<circle cx="${between(random, 0, WIDE).toFixed(0)}" cy="${between(random, 0, HIGH).toFixed(0)}" r="${between(random, 40, 130).toFixed(0)}" fill="${colour}" opacity="${between(random, 0.1, 0.4).toFixed(2)}" filter="url(#soft16)"/>`;
  }).join("");
}

const creek = () =>
  `<linearGradient id="creek" x2="0" y2="1"><stop stop-color="#dfe5e6"/><stop offset="1" stop-color="#8fa3ad"/></linearGradient><path d="M820 500c-160 40 220 60 60 130-200 80-420 90-330 190 60 80 320 120 260 230H260c-60-120-40-160 60-260 120-110 360-130 330-190-20-40 60-80 110-100z" fill="url(#creek)"/><path d="M660 820c40 60 120 90 110 180" stroke="#fff" stroke-width="10" opacity=".4" fill="none" filter="url(#soft4)"/>`;

function stars(): string {
  const random = chance(111);
  return (
    Array.from({ length: 500 }, () => {
      const y = random() * 780;
      return `<circle cx="${(random() * WIDE).toFixed(0)}" cy="${y.toFixed(0)}" r="${between(random, 0.5, 2.2).toFixed(1)}" fill="#fff" opacity="${(between(random, 0.2, 1) * (1 - y / 1000)).toFixed(2)}"/>`;
    }).join("") +
    `<ellipse cx="700" cy="300" rx="900" ry="90" transform="rotate(-24 700 300)" fill="#c9d0f0" opacity=".16" filter="url(#soft60)"/>`
  );
}

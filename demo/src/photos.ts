import { BOOTH_PICTURES } from "./portrait/booth.ts";
import { RINGERS } from "./portrait/person.ts";
import { portrait } from "./portrait/portrait.ts";
import { SCENES } from "./scene/scenes.ts";

/** How the camera says a photo was taken. */
export interface DemoExposure {
  model: string;
  /** As EXIF writes fractions: "1/250". */
  shutter: string;
  aperture: number;
  iso: number;
  focalLength: number;
  /** "2026:10:03 07:41:12" */
  takenAt: string;
}

/** A photo of the demo, before it is rendered. */
export interface DemoPhoto {
  name: string;
  width: number;
  height: number;
  /** Draws it at a size in pixels, as SVG. */
  draw(width: number, height: number): string;
  exposure: DemoExposure;
  /** Stored on its side, with the EXIF flag that turns it upright. */
  onItsSide?: boolean;
  /** Carries a wide-gamut profile instead of sRGB. */
  wideGamut?: boolean;
}

const STUDIO: Omit<DemoExposure, "takenAt"> = {
  model: "Studio body",
  shutter: "1/125",
  aperture: 8,
  iso: 100,
  focalLength: 85,
};

/** Sizes of the ringers' portraits: one of 24 megapixels, one far too small, one turned by its flag. */
const PORTRAIT_SIZES: readonly [width: number, height: number, onItsSide?: boolean][] = [
  [4000, 6000],
  [3000, 4000],
  [2400, 3200],
  [3024, 4032, true],
  [1800, 2400],
  [3000, 4000],
  [900, 1200],
  [210, 280],
];

const portraits: DemoPhoto[] = RINGERS.map((person, i) => {
  const [width, height, onItsSide] = PORTRAIT_SIZES[i]!;
  const minute = String(4 + i * 3).padStart(2, "0");
  return {
    name: `MS-0${person.seed}.jpg`,
    width,
    height,
    onItsSide,
    draw: (w, h) => portrait(person, w, h),
    exposure: { ...STUDIO, takenAt: `2026:09:26 10:${minute}:31` },
  };
});

function scene(
  key: string,
  name: string,
  [width, height]: [number, number],
  [shutter, aperture, iso, focalLength, takenAt]: [string, number, number, number, string],
  wideGamut = false,
): DemoPhoto {
  const exposure = { model: "Field body", shutter, aperture, iso, focalLength, takenAt };
  return { name, width, height, draw: SCENES[key]!, exposure, wideGamut };
}

const scenes: DemoPhoto[] = [
  scene("dawn", "spit-dawn.jpg", [6000, 4000], ["1/60", 8, 200, 35, "2026:10:03 07:41:12"]),
  scene("dunes", "dunes-west.jpg", [5400, 3600], ["1/320", 8, 100, 24, "2026:10:03 11:05:40"]),
  scene("hide", "north-hide.jpg", [4500, 3000], ["1/250", 9, 100, 50, "2026:10:04 09:12:03"]),
  scene("tower", "old-light.jpg", [3000, 4000], ["1/30", 5.6, 800, 50, "2026:10:04 18:55:27"]),
  scene("flock", "knots-turning.jpg", [4500, 3000], ["1/1600", 6.3, 640, 400, "2026:10:09 15:20:44"]),
  scene("waders", "low-water.jpg", [4800, 3200], ["1/800", 6.3, 400, 560, "2026:10:09 16:02:18"], true),
  scene("gull", "gull-overhead.jpg", [3600, 2400], ["1/2000", 7.1, 500, 400, "2026:10:11 12:31:09"]),
  scene("songbird", "post-by-the-gate.jpg", [3600, 2400], ["1/640", 5.6, 640, 560, "2026:10:11 13:47:52"]),
  scene("marsh", "creek-in-mist.jpg", [2400, 3200], ["1/125", 11, 200, 70, "2026:10:18 08:03:36"]),
  scene("storm", "equinox-storm.jpg", [4500, 3000], ["1/1000", 8, 800, 105, "2026:09:23 17:18:20"]),
  scene("night", "hide-at-night.jpg", [3600, 2400], ["15", 2.8, 3200, 20, "2026:09:12 23:40:05"]),
  scene("panorama", "spit-panorama.jpg", [9000, 1500], ["1/400", 9, 100, 50, "2026:10:03 12:24:00"]),
];

const booth: DemoPhoto[] = BOOTH_PICTURES.map((draw, i) => ({
  name: `open-day-${i + 1}.jpg`,
  width: 3000,
  height: 2250,
  draw,
  exposure: { ...STUDIO, model: "Booth body", focalLength: 35, takenAt: `2026:10:17 14:0${i * 2}:12` },
}));

/** Every photo of Marram Spit Bird Observatory. */
export const DEMO_PHOTOS: readonly DemoPhoto[] = [...portraits, ...scenes, ...booth];

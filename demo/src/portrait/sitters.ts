import { between, chance } from "../chance.ts";
import type { Person } from "./person.ts";

const SKINS = [
  "#f3d3bb",
  "#efc9a8",
  "#e3b594",
  "#d9a883",
  "#c99472",
  "#b07a50",
  "#9a633f",
  "#7a4c31",
  "#5d3a26",
];
const DARK_HAIR = ["#1c1715", "#241915", "#15100e", "#2d2119"];
const HAIR = [...DARK_HAIR, "#4a3122", "#5b3a23", "#a8662f", "#d8b36a", "#8d8880", "#c9c5be"];
const EYES = ["#5c7a6a", "#3b2617", "#2c1a11", "#4f7f95", "#58708a", "#6a6f52", "#3a2415"];
const COATS = [
  "#33566b",
  "#7b4433",
  "#3f6a4d",
  "#54406b",
  "#6d6a34",
  "#2f4858",
  "#28323c",
  "#8a3d2f",
  "#7a5a2e",
];
const BACKDROPS = ["#d9e2e8", "#e6e1d6", "#dbe5da", "#e4dfe9", "#e3e4df", "#cfd8de", "#b9c4cc", "#f2f2f0"];
const STYLES: readonly Person["style"][] = ["short", "long", "curly", "bun", "bald", "parted", "scarf"];

/** Someone made up by chance: the same number is always the same person. */
export function sitter(seed: number): Person {
  const random = chance(seed * 7919 + 13);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
  const skin = pick(SKINS);
  const isDark = SKINS.indexOf(skin) >= 6;
  const age = random();
  const style = pick(STYLES);
  return {
    seed: 1000 + seed,
    skin,
    hair: age > 0.75 && random() < 0.7 ? pick(["#8d8880", "#c9c5be"]) : pick(isDark ? DARK_HAIR : HAIR),
    contrast: between(random, 0.16, 0.34),
    style,
    eyes: pick(isDark ? EYES.slice(1, 3) : EYES),
    coat: pick(COATS),
    backdrop: pick(BACKDROPS),
    age,
    breadth: between(random, 0.94, 1.06),
    glasses: random() < 0.35,
    beard: random() < 0.25 && style !== "scarf" ? between(random, 0.3, 0.9) : undefined,
    lips: random() < 0.4 ? pick(["#8e3f3c", "#c26a64", "#b5645f", "#9c4b48"]) : undefined,
  };
}

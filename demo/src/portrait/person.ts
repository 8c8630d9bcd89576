/** A made-up person, as far as a portrait shows one. */
export interface Person {
  seed: number;
  skin: string;
  hair: string;
  /** Strands lighter or darker than the hair, a share of 0…1. */
  contrast: number;
  style: "short" | "long" | "curly" | "bun" | "bald" | "parted" | "scarf";
  eyes: string;
  coat: string;
  backdrop: string;
  /** 0 young, 1 old: lines and greyer brows. */
  age: number;
  /** Face wider or narrower than the middle, 0.92…1.08. */
  breadth: number;
  glasses?: boolean;
  beard?: number;
  /** Lips tinted. */
  lips?: string;
  /** What they do that no office wants. */
  does?: Doing;
}

/** How someone looks who does not look straight ahead with open eyes and closed lips. */
export interface Doing {
  eyesShut?: boolean;
  mouthOpen?: boolean;
  /** The face turned: −1 to the left … 1 to the right as the picture is seen. */
  turned?: number;
  /** The face nodded down; 0 … 1. */
  nods?: number;
  /** Eyes that throw the flash back. */
  redEyes?: boolean;
}

/** The ringers of the spring team. */
export const RINGERS: readonly Person[] = [
  {
    seed: 41,
    skin: "#e3b594",
    hair: "#4a3122",
    contrast: 0.22,
    style: "parted",
    eyes: "#5c7a6a",
    coat: "#33566b",
    backdrop: "#d9e2e8",
    age: 0.25,
    breadth: 1.0,
  },
  {
    seed: 42,
    skin: "#b07a50",
    hair: "#1c1715",
    contrast: 0.18,
    style: "short",
    eyes: "#3b2617",
    coat: "#7b4433",
    backdrop: "#e6e1d6",
    age: 0.35,
    breadth: 1.04,
    beard: 0.75,
  },
  {
    seed: 43,
    skin: "#7a4c31",
    hair: "#15100e",
    contrast: 0.2,
    style: "curly",
    eyes: "#2c1a11",
    coat: "#3f6a4d",
    backdrop: "#dbe5da",
    age: 0.1,
    breadth: 0.98,
    lips: "#8e3f3c",
  },
  {
    seed: 44,
    skin: "#f0cdb4",
    hair: "#a8662f",
    contrast: 0.3,
    style: "long",
    eyes: "#4f7f95",
    coat: "#54406b",
    backdrop: "#e4dfe9",
    age: 0.12,
    breadth: 0.96,
    lips: "#c26a64",
  },
  {
    seed: 45,
    skin: "#d9a883",
    hair: "#8d8880",
    contrast: 0.35,
    style: "bald",
    eyes: "#58708a",
    coat: "#6d6a34",
    backdrop: "#e3e4df",
    age: 0.95,
    breadth: 1.05,
    beard: 0.4,
    glasses: true,
  },
  {
    seed: 46,
    skin: "#e7c0a2",
    hair: "#c9c5be",
    contrast: 0.3,
    style: "bun",
    eyes: "#6a6f52",
    coat: "#2f4858",
    backdrop: "#dde4ea",
    age: 0.85,
    breadth: 0.98,
    glasses: true,
    lips: "#b5645f",
  },
  {
    seed: 47,
    skin: "#9a633f",
    hair: "#241915",
    contrast: 0.2,
    style: "scarf",
    eyes: "#3a2415",
    coat: "#28323c",
    backdrop: "#e7e3de",
    age: 0.2,
    breadth: 0.97,
    lips: "#9c4b48",
  },
  {
    seed: 48,
    skin: "#efc9a8",
    hair: "#d8b36a",
    contrast: 0.28,
    style: "short",
    eyes: "#6b8fa8",
    coat: "#8a3d2f",
    backdrop: "#d6dfe4",
    age: 0.05,
    breadth: 1.0,
  },
];

/** Two who came along for a day. */
export const GUESTS: readonly Person[] = [
  {
    seed: 61,
    skin: "#c99472",
    hair: "#5b3a23",
    contrast: 0.24,
    style: "long",
    eyes: "#5a4632",
    coat: "#7a5a2e",
    backdrop: "#dfe3e6",
    age: 0.5,
    breadth: 1.03,
    glasses: true,
    lips: "#a85a52",
  },
  {
    seed: 62,
    skin: "#5d3a26",
    hair: "#0f0d0c",
    contrast: 0.16,
    style: "short",
    eyes: "#23160e",
    coat: "#8a8f98",
    backdrop: "#e2e5e8",
    age: 0.45,
    breadth: 1.02,
    beard: 0.5,
  },
];

import { Misread } from "./misread.ts";
import { UM_PER_INCH } from "./um.ts";
import { umPer, type Unit } from "./unit.ts";

/** A unit as it is typed; metres and feet are only ever typed, never shown. */
export type TypedUnit = Unit | "m" | "ft";

/** How people write units, in small letters; inches also as other countries call them, since films and papers are in them. */
const SPELLINGS: Readonly<Record<TypedUnit, readonly string[]>> = {
  mm: ["mm", "millimetre", "millimetres", "millimeter", "millimeters", "millimètre", "millimètres", "мм"],
  cm: [
    "cm",
    "centimetre",
    "centimetres",
    "centimeter",
    "centimeters",
    "zentimeter",
    "centimètre",
    "centimètres",
    "см",
  ],
  m: ["m", "metre", "metres", "meter", "meters", "mètre", "mètres", "м"],
  in: [
    ...["in", "ins", "inch", "inches", '"', "zoll", "pouce", "pouces", "po", "pulgada", "pulgadas", "pulg"],
    ...[
      "pollice",
      "pollici",
      "polegada",
      "polegadas",
      "duim",
      "tum",
      "tomme",
      "tommer",
      "インチ",
      "дюйм",
      "дюйма",
      "дюймов",
    ],
  ],
  ft: ["ft", "foot", "feet", "'", "fuß", "fuss", "pied", "pieds"],
  pt: ["pt", "pts", "point", "points", "punkt"],
  px: ["px", "pixel", "pixels"],
};

const UNITS_BY_WORD: ReadonlyMap<string, TypedUnit> = new Map(
  (Object.keys(SPELLINGS) as TypedUnit[]).flatMap((unit) =>
    SPELLINGS[unit].map((word) => [word, unit] as const),
  ),
);

export const isUnit = (word: string): boolean => UNITS_BY_WORD.has(word.toLowerCase());

/** The unit that a word means. Throws Misread for a word that is none. */
export function unitNamed(word: string): TypedUnit {
  const unit = UNITS_BY_WORD.get(word.toLowerCase());
  if (!unit) throw new Misread(`“${word}” is not a unit here. Use mm, cm, m, in, ft, pt or px.`);
  return unit;
}

/** Micrometres in one of a typed unit; a foot is twelve inches (international yard and pound agreement, 1959). */
export function umIn(unit: TypedUnit, ppi: number): number {
  if (unit === "m") return 1_000_000;
  return unit === "ft" ? 12 * UM_PER_INCH : umPer(unit, ppi);
}

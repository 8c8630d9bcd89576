import { FIGURE_WORDS, type FacePoint } from "../../photo/portrait/index.ts";

/** What a document photo is looked at for, and what that is called. */
export const CHECK_WORDS = {
  ...FIGURE_WORDS,
  centre: "In the middle",
  level: "Upright",
  whole: "The head is whole",
  alone: "Nobody else",
  background: "Background",
  even: "Even background",
  shadow: "No shadow",
  pixels: "Pixels",
  sharp: "Sharp",
  exposure: "Exposure",
  light: "Even light on the face",
  eyes: "Eyes open",
  mouth: "Mouth closed",
  straight: "Looks straight",
  red: "No red eyes",
} as const;

export type CheckName = keyof typeof CHECK_WORDS;

/**
 * One thing that a document photo is looked at for. "look" is what the figures cannot decide: a person has to. "not measured"
 * is what nobody has measured, or nothing can.
 */
export interface PersonCheck {
  name: CheckName;
  title: string;
  state: "right" | "wrong" | "look" | "not measured";
  /** What was measured, in a few words; empty where nothing was. */
  says: string;
  /** What is allowed, in a few words; empty where that is no figure. */
  allowed: string;
  /** What to do about it, at the next shot or here; empty where it is right. */
  todo: string;
  /** Where on the photo to look; null for all of it. */
  at: FacePoint | null;
}

type Said = Pick<PersonCheck, "says" | "allowed" | "todo"> & Partial<Pick<PersonCheck, "at">>;

/** A figure against two limits: right up to the first, wrong from the second, and in between a person has to look. */
export function limited(
  name: CheckName,
  figure: number,
  { right, wrong }: { right: number; wrong: number },
  said: Said,
): PersonCheck {
  const rising = wrong >= right;
  const isRight = rising ? figure <= right : figure >= right;
  const isWrong = rising ? figure >= wrong : figure <= wrong;
  const state = isRight ? "right" : isWrong ? "wrong" : "look";
  return {
    name,
    title: CHECK_WORDS[name],
    state,
    at: null,
    ...said,
    todo: state === "right" ? "" : said.todo,
  };
}

export const notMeasured = (name: CheckName, todo: string): PersonCheck => ({
  name,
  title: CHECK_WORDS[name],
  state: "not measured",
  says: "",
  allowed: "",
  todo,
  at: null,
});

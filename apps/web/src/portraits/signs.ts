import type { PersonCheck } from "@wide-quilt/core";
import { Check, CircleHelp, Minus, X, type LucideIcon } from "lucide-react";

/** How it is shown that something is right, wrong, to be looked at, or not measured. */
export const SIGNS: Record<PersonCheck["state"], { sign: LucideIcon; look: string; word: string }> = {
  right: { sign: Check, look: "text-good", word: "right" },
  wrong: { sign: X, look: "text-wrong", word: "wrong" },
  look: { sign: CircleHelp, look: "text-look", word: "look at this yourself" },
  "not measured": { sign: Minus, look: "text-ink-2", word: "not measured" },
};

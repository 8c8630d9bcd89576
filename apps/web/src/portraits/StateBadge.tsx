import type { PersonState } from "@wide-quilt/core";
import { Check, CircleHelp, X } from "lucide-react";

const STATES: Record<PersonState, { text: string; look: string }> = {
  passes: { text: "passes", look: "bg-good-soft text-good" },
  fails: { text: "does not pass", look: "bg-wrong-soft text-wrong" },
  unsure: { text: "look at it", look: "bg-look-soft text-look" },
  "not measured": { text: "partly measured", look: "bg-look-soft text-look" },
  "no handles": { text: "not measured", look: "bg-look-soft text-look" },
  "no photo": { text: "no photo", look: "bg-chrome text-ink-2" },
};

/** Whether someone passes, as a word with a sign. */
export function StateBadge({ state }: { state: PersonState }) {
  const { text, look } = STATES[state];
  const Sign = state === "passes" ? Check : state === "fails" ? X : CircleHelp;
  return (
    <span
      className={`inline-flex items-center gap-1 rounded-full px-2 py-0.5 text-[12px] font-semibold whitespace-nowrap ${look}`}
    >
      <Sign size={13} aria-hidden />
      {text}
    </span>
  );
}

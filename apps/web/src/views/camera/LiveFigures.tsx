import type { PersonCheck } from "@wide-quilt/core";
import { SIGNS } from "../../portraits/signs.ts";

/** Everything that the rule is measured by, as it is in front of the camera just now. */
export function LiveFigures({ checks }: { checks: readonly PersonCheck[] }) {
  return (
    <ul aria-label="What is measured now" className="flex flex-col gap-0.5 text-[12.5px]">
      {checks.map(({ name, title, state, says, allowed }) => {
        const { sign: Sign, look, word } = SIGNS[state];
        return (
          <li key={name} className="grid grid-cols-[auto_auto_1fr] items-baseline gap-x-1.5" title={allowed}>
            <Sign size={13} aria-label={word} className={`self-center ${look}`} />
            <span className={state === "wrong" ? "font-semibold text-wrong" : ""}>{title}</span>
            <span className="truncate text-right text-[11.5px] text-ink-2">{says}</span>
          </li>
        );
      })}
    </ul>
  );
}

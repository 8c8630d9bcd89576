import type { Finding } from "@wide-quilt/core";
import { CircleCheck, OctagonAlert, TriangleAlert } from "lucide-react";
import { useAppDispatch } from "../../app/hooks.ts";
import { useLaterSelector } from "../../app/later.ts";
import { edit } from "../../table/edits.ts";
import { selectFindings, selectToCheck } from "../../table/sheets.ts";
import { pointedAt } from "../../table/view.ts";

/** The id of the list, for the button that leads to it. */
export const TO_CHECK = "to-check";

const LEVELS = {
  wrong: { icon: OctagonAlert, classes: "text-wrong", word: "Wrong" },
  look: { icon: TriangleAlert, classes: "text-[#8a6a00]", word: "Look" },
  right: { icon: CircleCheck, classes: "text-good", word: "Right" },
};

/** What would spoil the print, each with its reason, its place and one button that mends it. */
export function CheckList() {
  const findings = useLaterSelector(selectFindings);
  const count = useLaterSelector(selectToCheck).length;
  return (
    <section id={TO_CHECK} aria-labelledby="to-check-title">
      <h2 id="to-check-title" className="mb-2.5 flex justify-between text-[13px] font-semibold">
        To check
        <span className="font-normal text-ink-3">{count === 0 ? "nothing" : count}</span>
      </h2>
      <ul className="flex flex-col gap-3">
        {findings.map((finding, i) => (
          <FindingLine key={`${finding.rule}${i}`} finding={finding} />
        ))}
      </ul>
    </section>
  );
}

function FindingLine({ finding: { level, sentence, cells, mend, orElse } }: { finding: Finding }) {
  const dispatch = useAppDispatch();
  const { icon: Icon, classes, word } = LEVELS[level];
  const point = (keys: string[]) => () => void dispatch(pointedAt(keys));
  return (
    <li
      className="flex gap-2 text-[12.5px] leading-[1.4]"
      onMouseEnter={cells.length > 0 ? point(cells) : undefined}
      onMouseLeave={point([])}
    >
      <Icon size={15} className={`mt-0.5 shrink-0 ${classes}`} aria-hidden />
      <div>
        <p className={level === "right" ? "text-ink-2" : ""}>
          <span className="sr-only">{word}: </span>
          {sentence}
        </p>
        {[mend, orElse].map(
          (way) =>
            way && (
              <button
                key={way.label}
                type="button"
                className="mt-1 mr-3 rounded font-semibold text-accent underline decoration-accent/40 underline-offset-3 hover:decoration-accent"
                onFocus={point(cells)}
                onBlur={point([])}
                onClick={() => {
                  dispatch(edit(way.edit));
                  dispatch(pointedAt([]));
                }}
              >
                {way.label}
              </button>
            ),
        )}
      </div>
    </li>
  );
}

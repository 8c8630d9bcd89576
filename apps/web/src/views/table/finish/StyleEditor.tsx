import { KEPT_WITH_PROGRAM, STYLE_PARTS } from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { selectJob } from "../../../table/sheets.ts";
import { button } from "../../../ui/button.ts";
import { KeepStyle, KeptStyles } from "./KeptStyles.tsx";
import type { EditorProps } from "./useFinish.ts";

/** Kept styles to try on and to take off; what was set for single cells by hand stays through it. */
export function StyleEditor({ finish: { style, change } }: EditorProps) {
  const worn = useAppSelector((state) => selectJob(state)?.worn ?? null);
  const cells = useAppSelector((state) => selectJob(state)?.cells);
  const byHand = Object.values(cells ?? {}).filter((cell) => cell.style).length;
  const own = Object.fromEntries(
    STYLE_PARTS.filter((part) => style[part] !== null).map((part) => [part, style[part]]),
  );
  return (
    <>
      {worn ? (
        <div className="flex flex-col gap-2 rounded-md bg-accent-soft p-2.5 text-[12.5px]">
          <p>
            “{worn.name}” is tried on.
            {byHand > 0 &&
              ` What was set by hand for ${byHand === 1 ? "one cell" : `${byHand} cells`} stays as it is.`}
          </p>
          <div className="flex gap-2">
            <button type="button" className={button.main} onClick={() => change({ do: "keep worn" })}>
              Keep it on
            </button>
            <button type="button" className={button.plain} onClick={() => change({ do: "wear", worn: null })}>
              Take it off
            </button>
          </div>
        </div>
      ) : (
        <p className="text-[12.5px] text-ink-2">
          Choose one to try it on. Taking it off brings everything back, and cells that were finished by hand
          keep their own.
        </p>
      )}
      {Object.keys(own).length > 0 && <KeepStyle style={own} label="Keep what is on as a style" />}
      <KeptStyles
        title="To try on"
        shipped={KEPT_WITH_PROGRAM}
        on={worn?.name}
        onChoose={({ name, style: kept }) => change({ do: "wear", worn: { name, style: kept } })}
      />
    </>
  );
}

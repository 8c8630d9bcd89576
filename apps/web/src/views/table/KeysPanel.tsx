import { useEffect } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { preferred } from "../../app/preferences.ts";
import { OverPage } from "../../ui/OverPage.tsx";
import { KEYS } from "./keys.ts";
import { isTyping } from "./useKeys.ts";

/** The list of keys. */
export function KeysPanel({ open, onOpen, onClose }: { open: boolean; onOpen(): void; onClose(): void }) {
  const singleKeys = useAppSelector((state) => state.preferences.singleKeys);
  const dispatch = useAppDispatch();
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key === "?" && singleKeys && !isTyping(event.target)) onOpen();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [onOpen, singleKeys]);
  return (
    <OverPage title="Keys" open={open} onClose={onClose}>
      <div className="flex flex-col gap-5">
        {KEYS.map(({ where, keys }) => (
          <section key={where}>
            <h3 className="mb-1.5 text-[13px] font-semibold text-ink-2">{where}</h3>
            <dl className="flex flex-col gap-1">
              {keys.map(({ press, does }) => (
                <div key={does} className="flex items-baseline gap-3 text-[13.5px]">
                  <dt className="flex w-52 shrink-0 gap-1.5">
                    {press.map((key) => (
                      <kbd
                        key={key}
                        className="measure rounded border border-line bg-chrome px-1.5 text-[12px]"
                      >
                        {key}
                      </kbd>
                    ))}
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
        <label className="flex items-center gap-2 border-t border-line pt-4 text-[13.5px]">
          <input
            type="checkbox"
            checked={singleKeys}
            className="size-4 accent-accent"
            onChange={(event) => dispatch(preferred({ singleKeys: event.target.checked }))}
          />
          Single letters and signs are keys too
        </label>
      </div>
    </OverPage>
  );
}

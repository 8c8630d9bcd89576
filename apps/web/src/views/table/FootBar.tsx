import { UNITS, type Unit } from "@wide-quilt/core";
import { Keyboard, Minus, Plus } from "lucide-react";
import { memo, useState } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";
import { selectIsPrinted, selectJob, selectPrintedSheet, selectSheet } from "../../table/sheets.ts";
import { aided, sheetTurned, zoomed } from "../../table/view.ts";
import { Segments } from "../../ui/Segments.tsx";
import { SheetTurner } from "../../ui/SheetTurner.tsx";
import { Dragging } from "./Dragging.tsx";
import { KeysPanel } from "./KeysPanel.tsx";
import { SheetsPanel } from "./SheetsPanel.tsx";
import { useTrueSize, useZoom, ZOOM_STEP } from "./table/zoom.ts";

const QUIET =
  "whitespace-nowrap rounded px-1.5 py-0.5 hover:bg-chrome disabled:opacity-40 disabled:hover:bg-transparent";

/** Which sheet is shown, how large, and in which unit. */
export const FootBar = memo(function FootBar() {
  const dispatch = useAppDispatch();
  const unit = useAppSelector((state) => state.openJob.job?.unit ?? state.preferences.unit);
  const fits = useAppSelector((state) => state.view.zoom === "fit");
  const zoom = useZoom();
  const trueSize = useTrueSize();
  const [keys, setKeys] = useState(false);
  const imposes = useAppSelector((state) => selectJob(state)?.impose.way !== "one");
  const spread = useAppSelector((state) => selectJob(state)?.impose.way === "tiles");
  const printed = useAppSelector(selectIsPrinted);
  const selectShown = printed ? selectPrintedSheet : selectSheet;
  const number = useAppSelector((state) => selectShown(state)?.number ?? 0);
  const of = useAppSelector((state) => selectShown(state)?.of ?? 0);
  return (
    <footer className="flex items-center gap-4 border-t border-line max-[1100px]:gap-2 bg-white px-4 text-[12px] text-ink-2">
      <SheetTurner
        number={number}
        of={of}
        what={imposes && !printed ? "Page" : "Sheet"}
        onTurn={(to) => dispatch(sheetTurned(to))}
      />
      {imposes && (
        <Segments
          look="switch"
          label="What lies on the table"
          value={printed ? "printed" : "pages"}
          choices={[
            { value: "pages", text: spread ? "As it hangs" : "Pages" },
            { value: "printed", text: "As printed" },
          ]}
          onChange={(next) => dispatch(aided({ printed: next === "printed" }))}
        />
      )}
      <SheetsPanel className={QUIET} />
      {!printed && <Dragging className={QUIET} />}
      <button type="button" className={`${QUIET} flex items-center gap-1.5`} onClick={() => setKeys(true)}>
        <Keyboard size={15} aria-hidden />
        <span className={imposes ? "max-[1100px]:sr-only" : ""}>Keys</span>
      </button>
      <span className="grow" />
      <button
        type="button"
        className={`${QUIET} ${fits ? "font-semibold text-accent" : ""}`}
        aria-pressed={fits}
        onClick={() => dispatch(zoomed("fit"))}
      >
        Fit
      </button>
      <span className="flex items-center gap-0.5">
        <button
          type="button"
          aria-label="Smaller"
          className={QUIET}
          onClick={() => dispatch(zoomed(zoom.scale / ZOOM_STEP))}
        >
          <Minus size={14} aria-hidden />
        </button>
        <span className="measure w-12 text-center">{zoom.percent}</span>
        <button
          type="button"
          aria-label="Larger"
          className={QUIET}
          onClick={() => dispatch(zoomed(zoom.scale * ZOOM_STEP))}
        >
          <Plus size={14} aria-hidden />
        </button>
      </span>
      <button type="button" className={QUIET} onClick={() => dispatch(zoomed(trueSize))}>
        True size
      </button>
      <label className="flex items-center gap-1.5">
        Units
        <select
          className="measure rounded border border-edge bg-white px-1 py-0.5"
          value={unit}
          onChange={(event) => dispatch(edit({ do: "unit", unit: event.target.value as Unit }))}
        >
          {UNITS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <KeysPanel open={keys} onOpen={() => setKeys(true)} onClose={() => setKeys(false)} />
    </footer>
  );
});

import { mm, um, type SheetPlan, type TextBox } from "@wide-quilt/core";
import { Plus, Trash2 } from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob, selectSheet } from "../../../table/sheets.ts";
import { BoxFields } from "../../../ui/BoxFields.tsx";
import { Check } from "../../../ui/Check.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { button } from "../../../ui/button.ts";
import { TemplateField } from "./TemplateField.tsx";
import { TypeFields } from "./TypeFields.tsx";
import { freeName } from "./freeName.ts";
import type { EditorProps } from "./useFinish.ts";

/** A box as it is when it is first put on a sheet: a line near its foot. */
function fresh({ trim }: SheetPlan): TextBox {
  const height = mm(10);
  return {
    text: "[job]",
    type: { font: "hanken", size: mm(5), least: mm(2), colour: "#20242c", align: "middle" },
    x: um(trim.x + Math.round(trim.width / 10)),
    y: um(trim.y + trim.height - height - mm(6)),
    width: um(Math.round((trim.width * 8) / 10)),
    height,
    turn: 0,
    sheet: null,
  };
}

/** Boxes of words on the sheet: titles, dates, a line about who and where. */
export function TextsEditor({ finish: { words } }: EditorProps) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const sheet = useAppSelector(selectSheet);
  if (!job || !sheet) return null;
  const change = (name: string, box: TextBox | null, gesture?: string) =>
    dispatch(edit({ do: "texts", texts: { [name]: box } }, gesture));
  return (
    <>
      {Object.entries(job.texts).map(([name, box]) => {
        const set = (next: Partial<TextBox>, gesture?: string) => change(name, { ...box, ...next }, gesture);
        return (
          <section
            key={name}
            aria-label={`Box “${box.text}”`}
            className="flex flex-col gap-2.5 rounded-md border border-line bg-white p-2.5"
          >
            <TemplateField
              label="Words of the box"
              value={box.text}
              onChange={(text, g) => set({ text }, g)}
            />
            <div className="grid grid-cols-2 items-end gap-2">
              <BoxFields box={box} words={words} onChange={set} />
            </div>
            <TypeFields
              type={box.type}
              words={words}
              onChange={(type, g) => set({ type: { ...box.type, ...type } }, g)}
            />
            <NumberField
              label="Turned"
              value={box.turn}
              least={-180}
              most={180}
              unit="°"
              onChange={(turn, g) => set({ turn }, g)}
            />
            {sheet.of > 1 && (
              <Check
                label={`on sheet ${sheet.number} alone`}
                checked={box.sheet === sheet.id}
                onChange={(alone) => set({ sheet: alone ? sheet.id : null })}
              />
            )}
            <button type="button" className={`${button.plain} self-start`} onClick={() => change(name, null)}>
              <Trash2 size={14} aria-hidden /> Take the box out
            </button>
          </section>
        );
      })}
      <button
        type="button"
        className={`${button.plain} self-start`}
        onClick={() => change(freeName("t", job.texts), fresh(sheet))}
      >
        <Plus size={14} aria-hidden /> A box of words
      </button>
    </>
  );
}

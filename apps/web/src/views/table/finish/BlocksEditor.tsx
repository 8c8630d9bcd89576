import {
  BLOCK_LIMITS,
  kindOf,
  layoutArea,
  LIMITS,
  mm,
  um,
  type Block,
  type Job,
  type SheetPlan,
} from "@wide-quilt/core";
import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob, selectSheet } from "../../../table/sheets.ts";
import { BoxFields } from "../../../ui/BoxFields.tsx";
import { Check } from "../../../ui/Check.tsx";
import { LengthField } from "../../../ui/LengthField.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { button } from "../../../ui/button.ts";
import { TemplateField } from "./TemplateField.tsx";
import { TypeFields } from "./TypeFields.tsx";
import { freeName } from "./freeName.ts";
import type { EditorProps } from "./useFinish.ts";

const column = (heading: string, share = 1, align: "left" | "right" = "left") => ({ heading, share, align });

/** What a table can begin as. */
const BEGINNINGS: { name: string; about: Pick<Block, "title" | "columns" | "rows" | "blank"> }[] = [
  {
    name: "An order form",
    about: {
      title: "Order, [job]",
      columns: [
        column("Photo", 2),
        column("Size", 2),
        column("How many", 1, "right"),
        column("Sum", 1, "right"),
      ],
      rows: [],
      blank: 6,
    },
  },
  {
    name: "A price list",
    about: {
      title: "Prices",
      columns: [column("Print", 3), column("Price", 1, "right")],
      rows: [
        ["9 × 13 cm", ""],
        ["10 × 15 cm", ""],
        ["13 × 18 cm", ""],
      ],
      blank: 0,
    },
  },
  {
    name: "A title block",
    about: {
      title: "",
      columns: [column("", 1), column("", 2)],
      rows: [
        ["Job", "[job]"],
        ["Page", "[page] of [pages]"],
        ["Checked", ""],
      ],
      blank: 0,
    },
  },
];

/** Between the margins, as wide as they are apart, above a foot line. */
const fresh = (about: (typeof BEGINNINGS)[number]["about"], { sheet }: Job, { paper }: SheetPlan): Block => {
  const area = layoutArea(sheet, paper);
  const count = about.rows.length + about.blank + 2;
  const height = um(count * mm(7));
  return {
    kind: "table",
    ...about,
    type: { font: "hanken", size: mm(3.5), least: mm(1.5), colour: "#20242c", align: "left" },
    line: { width: mm(0.2), colour: "#646b77" },
    head: "#e6e8f7",
    stands: "hand",
    x: area.x,
    y: um(area.y + area.height - height - mm(8)),
    width: um(Math.max(LIMITS.piece.least, area.width)),
    height,
    sheet: null,
  };
};

/** Tables of words: order forms, price lists, title blocks. */
export function BlocksEditor({ finish: { words } }: EditorProps) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const sheet = useAppSelector(selectSheet);
  if (!job || !sheet) return null;
  const change = (name: string, block: Block | null, gesture?: string) =>
    dispatch(edit({ do: "blocks", blocks: { [name]: block } }, gesture));
  return (
    <>
      {Object.entries(job.blocks).map(([name, block], index) => {
        const set = (next: Partial<Block>, gesture?: string) => change(name, { ...block, ...next }, gesture);
        // Where the layout has it; undefined where a hand has it.
        const laid = sheet.items.find((item) => item.name === name && item.laid)?.finished;
        return (
          <section
            key={name}
            aria-label={`Table ${index + 1}`}
            className="flex flex-col gap-2.5 rounded-md border border-line bg-white p-2.5"
          >
            <TemplateField
              label="Line over the table"
              value={block.title}
              onChange={(title, g) => set({ title }, g)}
            />
            <Rows block={block} onChange={set} />
            <div className="grid grid-cols-2 items-end gap-2">
              <NumberField
                label="Empty rows"
                value={block.blank}
                least={0}
                most={BLOCK_LIMITS.rows}
                whole
                onChange={(blank, g) => set({ blank }, g)}
              />
              <LengthField
                label="Lines"
                value={block.line?.width ?? um(0)}
                range={{ least: um(0), most: LIMITS.line.most }}
                words={words}
                onChange={(width, g) =>
                  set({ line: width === 0 ? null : { width, colour: block.line?.colour ?? "#646b77" } }, g)
                }
              />
              {laid ? (
                <LengthField
                  label="Height"
                  value={block.height}
                  range={LIMITS.piece}
                  words={words}
                  onChange={(height, g) => set({ height }, g)}
                />
              ) : (
                <BoxFields box={block} words={words} onChange={set} />
              )}
            </div>
            {kindOf(job).makesRoom && (
              <Check
                label="across the foot of every sheet, and the frames make room"
                checked={block.stands === "foot"}
                onChange={(foot) => set(foot ? { stands: "foot", sheet: null } : { stands: "hand", ...laid })}
              />
            )}
            <TypeFields
              type={block.type}
              words={words}
              onChange={(type, g) => set({ type: { ...block.type, ...type } }, g)}
            />
            <Check
              label="headings stand on a tint"
              checked={block.head !== null}
              onChange={(on) => set({ head: on ? "#e6e8f7" : null })}
            />
            {sheet.of > 1 && !laid && (
              <Check
                label={`on page ${sheet.number} alone`}
                checked={block.sheet === sheet.id}
                onChange={(alone) => set({ sheet: alone ? sheet.id : null })}
              />
            )}
            <button type="button" className={`${button.plain} self-start`} onClick={() => change(name, null)}>
              <Trash2 size={14} aria-hidden /> Take the table out
            </button>
          </section>
        );
      })}
      <div className="flex flex-wrap gap-1.5">
        {BEGINNINGS.map(({ name, about }) => (
          <button
            key={name}
            type="button"
            className={button.plain}
            onClick={() => change(freeName("b", job.blocks), fresh(about, job, sheet))}
          >
            <Plus size={14} aria-hidden /> {name}
          </button>
        ))}
      </div>
    </>
  );
}

interface RowsProps {
  block: Block;
  onChange(next: Partial<Block>): void;
}

const FIELD = "measure w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[12.5px] text-ink";

/** The headings in one line and the rows below, a line each, columns parted by a bar; taken over when they are left. */
function Rows({ block, onChange }: RowsProps) {
  const asTyped = {
    head: block.columns.map(({ heading }) => heading).join(" | "),
    rows: block.rows.map((row) => row.join(" | ")).join("\n"),
  };
  const [typed, setTyped] = useState<Partial<typeof asTyped>>({});
  const leave = () => {
    if (typed.head === undefined && typed.rows === undefined) return;
    const headings = cellsOf(typed.head ?? asTyped.head).slice(0, BLOCK_LIMITS.columns);
    const columns = headings.map((heading, i) => ({
      share: 1,
      align: "left" as const,
      ...block.columns[i],
      heading,
    }));
    const lines = (typed.rows ?? asTyped.rows).split("\n").slice(0, BLOCK_LIMITS.rows);
    const rows = lines.every((line) => line.trim() === "")
      ? []
      : lines.map((line) => cellsOf(line).slice(0, columns.length));
    setTyped({});
    onChange({ columns, rows });
  };
  return (
    <>
      <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
        Headings, parted by a bar |
        <input
          className={FIELD}
          value={typed.head ?? asTyped.head}
          onChange={({ target }) => setTyped({ ...typed, head: target.value })}
          onBlur={leave}
        />
      </label>
      <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
        Rows, a line each
        <textarea
          className={FIELD}
          rows={Math.min(8, Math.max(2, block.rows.length + 1))}
          value={typed.rows ?? asTyped.rows}
          onChange={({ target }) => setTyped({ ...typed, rows: target.value })}
          onBlur={leave}
        />
      </label>
      <div className="grid grid-cols-3 items-end gap-2">
        {block.columns.map((one, i) => (
          <NumberField
            key={i}
            label={`Share ${i + 1}`}
            value={one.share}
            least={0.5}
            most={20}
            onChange={(share) =>
              onChange({ columns: block.columns.map((other, j) => (j === i ? { ...other, share } : other)) })
            }
          />
        ))}
      </div>
    </>
  );
}

const cellsOf = (line: string): string[] => line.split("|").map((cell) => cell.trim());

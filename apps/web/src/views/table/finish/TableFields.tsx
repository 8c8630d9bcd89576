import { LIMITS, TABLE_LIMITS, um, type Rect, type TableBlock } from "@wide-quilt/core";
import { useState } from "react";
import { BoxFields } from "../../../ui/BoxFields.tsx";
import { Check } from "../../../ui/Check.tsx";
import { LengthField } from "../../../ui/LengthField.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import type { Words } from "../../../words/words.ts";
import { TemplateField } from "./TemplateField.tsx";
import { TypeFields } from "./TypeFields.tsx";

interface Props {
  block: TableBlock;
  words: Words;
  /** Where the layout has it; undefined where a hand has it. */
  laid: Rect | undefined;
  /** Whether the pages of this kind make room across their foot. */
  makesRoom: boolean;
  set(next: Partial<TableBlock>, gesture?: string): void;
}

/** What a table of words says, and how it is set. */
export function TableFields({ block, words, laid, makesRoom, set }: Props) {
  return (
    <>
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
          most={TABLE_LIMITS.rows}
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
      {makesRoom && (
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
    </>
  );
}

interface RowsProps {
  block: TableBlock;
  onChange(next: Partial<TableBlock>): void;
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
    const headings = cellsOf(typed.head ?? asTyped.head).slice(0, TABLE_LIMITS.columns);
    const columns = headings.map((heading, i) => ({
      share: 1,
      align: "left" as const,
      ...block.columns[i],
      heading,
    }));
    const lines = (typed.rows ?? asTyped.rows).split("\n").slice(0, TABLE_LIMITS.rows);
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

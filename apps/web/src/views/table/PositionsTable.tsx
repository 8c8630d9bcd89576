import {
  CORNERS,
  fillPositions,
  positionsCsv,
  readPositions,
  UNITS,
  type Corner,
  type Unit,
} from "@wide-quilt/core";
import { Download, TableProperties, Upload } from "lucide-react";
import { useState } from "react";
import { sentenceOf } from "../../api/problem.ts";
import { saveTable } from "../../api/saveTable.ts";
import { sayGuess, textOf } from "../../api/tableText.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { edit } from "../../table/edits.ts";
import { selectJob, selectSheets } from "../../table/sheets.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";

/** Lines with faults that are told one by one. */
const TOLD = 5;

/** Where cells are, as a table: to be filled in by another program, and read from one. */
export function PositionsTable() {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const sheets = useAppSelector(selectSheets);
  const [own, setUnit] = useState<Unit | null>(null);
  const [corner, setCorner] = useState<Corner>("top left");
  const [problems, setProblems] = useState<string[]>([]);
  if (!job) return null;
  const unit = own ?? job.unit;
  const counting = { unit, corner, ppi: job.target.ppi };
  const save = () => saveTable(`${job.name}, positions`, positionsCsv(sheets, counting));
  const read = async ([file]: File[]) => {
    if (!file) return;
    try {
      const { text, guess } = await textOf(file);
      const found = readPositions(text, job, sheets, counting);
      const gesture = newId();
      for (const change of found.edits) dispatch(edit(change, gesture));
      setProblems([...sayGuess(guess), ...found.problems]);
      if (found.lines > 0) dispatch(noticed(said(found)));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  const fill = async ([file]: File[]) => {
    if (!file) return;
    try {
      const { text, guess } = await textOf(file);
      const { csv, filled, more, problems: found } = fillPositions(text, sheets, counting);
      setProblems([...sayGuess(guess), ...found]);
      if (filled + more === 0) return;
      saveTable(`${file.name.replace(/\.[^.]*$/, "")}, filled in`, csv);
      const added = more > 0 ? `, ${count(more, "line")} added` : "";
      dispatch(noticed(`${count(filled, "line")} filled in${added}; its other columns are as they were.`));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  return (
    <section aria-label="Positions as a table" className="flex flex-col gap-2 border-t border-line pt-2.5">
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Positions in"
          value={unit}
          onChange={(next) => setUnit(next)}
          choices={UNITS.map((value): { value: Unit; text: string } => ({
            value,
            text: value === "px" ? `px at ${job.target.ppi} ppi` : value,
          }))}
        />
        <SelectField
          label="from the corner"
          value={corner}
          onChange={(next) => setCorner(next)}
          choices={CORNERS.map((value): { value: Corner; text: string } => ({ value, text: value }))}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className={button.plain} onClick={save}>
          <Download size={14} aria-hidden /> Save as a table
        </button>
        <FileButton
          label="Table of positions, CSV"
          accept=".csv,.tsv,.txt,text/csv"
          className={button.plain}
          onFiles={(files) => void read(files)}
        >
          <Upload size={14} aria-hidden /> Read a table
        </FileButton>
        <FileButton
          label="Table to fill in, CSV"
          accept=".csv,.tsv,.txt,text/csv"
          className={button.plain}
          onFiles={(files) => void fill(files)}
        >
          <TableProperties size={14} aria-hidden /> Fill in a table
        </FileButton>
      </div>
      {problems.length > 0 && (
        <ul className="flex max-h-32 list-disc flex-col gap-1 overflow-y-auto pl-4 text-[12.5px] text-look">
          {problems.slice(0, TOLD).map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
          {problems.length > TOLD && <li>{problems.length - TOLD} more.</li>}
        </ul>
      )}
    </section>
  );
}

const said = ({ lines, moved, added }: { lines: number; moved: number; added: number }): string => {
  if (moved + added === 0) return `${count(lines, "line")} read: every cell is where the table has it.`;
  const parts = [moved > 0 && `${count(moved, "cell")} moved`, added > 0 && `${count(added, "cell")} added`];
  return `${count(lines, "line")} read: ${parts.filter(Boolean).join(", ")}.`;
};

const count = (number: number, what: string): string => `${number} ${what}${number === 1 ? "" : "s"}`;

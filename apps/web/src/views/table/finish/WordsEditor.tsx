import { mm, readPhotoList, type CaptionStyle } from "@wide-quilt/core";
import { FileText } from "lucide-react";
import { sentenceOf } from "../../../api/problem.ts";
import { sayGuess, textOf } from "../../../api/tableText.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { noticed } from "../../../app/noticeSlice.ts";
import { edit } from "../../../table/edits.ts";
import { selectCell, selectSheet } from "../../../table/sheets.ts";
import { ChoiceList } from "../../../ui/ChoiceList.tsx";
import { FileButton } from "../../../ui/FileButton.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { button } from "../../../ui/button.ts";
import { TemplateField } from "./TemplateField.tsx";
import { TypeFields } from "./TypeFields.tsx";
import type { EditorProps } from "./useFinish.ts";

const USUAL: CaptionStyle = {
  text: "[name]",
  type: { font: "hanken", size: mm(3), least: mm(1.8), colour: "#20242c", align: "middle" },
  place: "under",
  lines: 2,
};

const PLACES: { value: CaptionStyle["place"] | "none"; text: string }[] = [
  { value: "none", text: "No words" },
  { value: "under", text: "Under the cell" },
  { value: "lower border", text: "In the lower border or mat" },
  { value: "foot", text: "Over the photo, at its foot" },
  { value: "middle", text: "Over the photo, in the middle" },
  { value: "top", text: "Over the photo, at its top" },
];

/** Words for every cell, taken from its photo, from a list, or written. */
export function WordsEditor({ finish: { style, words, set } }: EditorProps) {
  const { caption } = style;
  const change = (next: Partial<CaptionStyle>, gesture?: string) =>
    set({ caption: { ...(caption ?? USUAL), ...next } }, gesture);
  return (
    <>
      <ChoiceList<CaptionStyle["place"] | "none">
        label="Where the words stand"
        value={caption?.place ?? "none"}
        onChange={(place) => (place === "none" ? set({ caption: null }) : change({ place }))}
        choices={PLACES}
        className="-mx-2"
      />
      {caption && (
        <>
          <TemplateField label="Words" value={caption.text} onChange={(text, g) => change({ text }, g)} />
          <Reads />
          <TypeFields
            type={caption.type}
            words={words}
            onChange={(type, g) => change({ type: { ...caption.type, ...type } }, g)}
          />
          <NumberField
            label="Lines at most"
            value={caption.lines}
            least={1}
            most={12}
            whole
            onChange={(lines, g) => change({ lines }, g)}
          />
        </>
      )}
      <PhotoList />
    </>
  );
}

/** What the words come to in the chosen cell, or in the first one. */
function Reads() {
  const chosen = useAppSelector(selectCell);
  const sheet = useAppSelector(selectSheet);
  const cell = chosen ?? sheet?.cells[0];
  const texts = cell?.over.flatMap((ink) => (ink.kind === "text" ? [ink.text] : [])) ?? [];
  const lines = texts.at(-1)?.lines.map(({ text }) => text) ?? [];
  return (
    <p className="rounded-md bg-chrome px-2.5 py-1.5 text-[12.5px] text-ink-2" aria-live="polite">
      {lines.length === 0 ? (
        "Nothing is known of these fields here, so nothing stands there."
      ) : (
        <>
          Cell {cell?.number}: <span className="text-ink">{lines.join(" / ")}</span>
        </>
      )}
    </p>
  );
}

/** What was wrong with a list is told line by line up to so many. */
const FEW = 3;

function sayProblems(problems: readonly string[]): string {
  const more = problems.length - FEW;
  const rest = more > 0 ? ` And ${more === 1 ? "one more line" : `${more} more lines`} like that.` : "";
  return problems.slice(0, FEW).join(" ") + rest;
}

/** A table with a line for each photo, whose columns become fields. */
function PhotoList() {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => state.openJob.job);
  if (!job) return null;
  const columns = [...new Set(Object.values(job.list).flatMap((row) => Object.keys(row)))];
  const read = async (file: File) => {
    const table = await textOf(file).catch((error: unknown) => {
      dispatch(noticed(sentenceOf(error), "wrong"));
    });
    if (!table) return;
    const { list, columns: found, problems } = readPhotoList(table.text, job.stash);
    const count = Object.keys(list).length;
    if (count > 0) dispatch(edit({ do: "list", photos: list }));
    for (const guess of sayGuess(table.guess)) dispatch(noticed(guess, "look"));
    if (problems.length > 0) dispatch(noticed(sayProblems(problems), "wrong"));
    if (count > 0)
      dispatch(
        noticed(
          `The list says something of ${count === 1 ? "one photo" : `${count} photos`}: ${found.map((name) => `[${name}]`).join(", ")}.`,
          "right",
        ),
      );
  };
  return (
    <div className="flex flex-col gap-1.5 border-t border-line pt-3 text-[12.5px] text-ink-2">
      <p>
        {columns.length === 0
          ? "A list (CSV) with a column “photo” gives each photo words of its own."
          : `From a list: ${columns.map((name) => `[${name}]`).join(", ")}`}
      </p>
      <FileButton
        label="List of photos"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        className={button.plain}
        onFiles={([file]) => void (file && read(file))}
      >
        <FileText size={14} aria-hidden />{" "}
        {columns.length === 0 ? "Bring a list in" : "Bring another list in"}
      </FileButton>
    </div>
  );
}

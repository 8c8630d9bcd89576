import { outputFiles, type Format, type Job, type Naming, type SheetPlan } from "@wide-quilt/core";
import { useId, useState } from "react";
import { useAppSelector } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { Check } from "../../ui/Check.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { TemplateField } from "../table/finish/TemplateField.tsx";
import { usePress } from "./usePress.ts";

const ENDINGS: Record<Format, string> = {
  jpeg: "jpg",
  png: "png",
  tiff: "tif",
  pdf: "pdf",
  svg: "svg",
};

/** The rule that files are named by; left out where nothing is said. */
export const ruleOf = ({ rule }: Naming): string | undefined => (rule.trim() === "" ? undefined : rule);

/** Names that are shown as an example. */
const SHOWN = 2;

interface Props {
  job: Job;
  sheets: readonly SheetPlan[];
  /** Whether files of the same names are written over; asked anew each time. */
  overwrite: boolean;
  onOverwrite(overwrite: boolean): void;
}

/** What the files are called, by a rule with a live example, and where they go. */
export function NamingFields({ job, sheets, overwrite, onOverwrite }: Props) {
  const { format } = job.target.file;
  const folderId = useId();
  const photos = useAppSelector((state) => state.openJob.photos);
  const { press, set: setPress } = usePress(job);
  const [gesture, setGesture] = useState(newId);
  const set = (change: Partial<Naming>, of?: string) =>
    setPress({ naming: { ...press.naming, ...change } }, of);
  const { start, each, folder } = press.naming;
  const rule = ruleOf(press.naming);
  const files =
    sheets.length === 0
      ? []
      : outputFiles(job, photos, sheets, { pages: format === "pdf", each, rule, start });
  const several = files.length > 1;
  const example = files.slice(0, SHOWN).map(({ name }) => `${name}.${ENDINGS[format]}`);
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-[13px] font-semibold">Names</h2>
      <TemplateField
        label="File names"
        rows={1}
        placeholder={several ? `${job.name} [sheet, 2 digits]` : job.name}
        value={press.naming.rule}
        onChange={(text, of) => set({ rule: text }, of)}
      />
      <p className="text-[12px] break-all text-ink-2" aria-live="polite">
        {example.join(", ")}
        {files.length > SHOWN && ` and so on, ${files.length} files`}
      </p>
      {format === "pdf" && sheets.length > 1 && (
        <Check
          label="each sheet in a file of its own"
          checked={each}
          onChange={(own) => set({ each: own })}
        />
      )}
      {several && (
        <NumberField
          label="First number"
          value={start}
          least={0}
          most={99_999}
          whole
          onChange={(number) => set({ start: number })}
        />
      )}
      <label htmlFor={folderId} className="flex flex-col gap-1 text-[12.5px] text-ink-2">
        Folder for them
        <input
          id={folderId}
          value={folder}
          maxLength={100}
          placeholder="none of their own"
          className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink placeholder:text-ink-3"
          onFocus={() => setGesture(newId())}
          onChange={({ target }) => set({ folder: target.value }, gesture)}
        />
      </label>
      <Check label="write over files of the same names" checked={overwrite} onChange={onOverwrite} />
    </div>
  );
}

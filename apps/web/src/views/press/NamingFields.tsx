import { useId } from "react";
import { outputFiles, type Format, type Job, type SheetPlan } from "@wide-quilt/core";
import type { RunNaming } from "@wide-quilt/server/contract";
import { useAppSelector } from "../../app/store.ts";
import { Check } from "../../ui/Check.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { TemplateField } from "../table/finish/TemplateField.tsx";

const ENDINGS: Record<Format, string> = {
  jpeg: "jpg",
  png: "png",
  tiff: "tif",
  pdf: "pdf",
  svg: "svg",
};

/** Names that are shown as an example. */
const SHOWN = 2;

interface Props {
  job: Job;
  sheets: readonly SheetPlan[];
  naming: RunNaming;
  onChange(naming: RunNaming): void;
}

/** What the files are called, by a rule with a live example, and where they go. */
export function NamingFields({ job, sheets, naming, onChange }: Props) {
  const { format } = job.press.file;
  const folderId = useId();
  const photos = useAppSelector((state) => state.openJob.photos);
  const set = (change: Partial<RunNaming>) => onChange({ ...naming, ...change });
  const { rule, start, each, folder, overwrite } = naming;
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
        value={rule ?? ""}
        onChange={(text) => set({ rule: text.trim() === "" ? undefined : text })}
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
          onChange={({ target }) => set({ folder: target.value })}
        />
      </label>
      <Check
        label="write over files of the same names"
        checked={overwrite}
        onChange={(over) => set({ overwrite: over })}
      />
    </div>
  );
}

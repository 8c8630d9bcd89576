import type { Job, Medium } from "@wide-quilt/core";
import { Check } from "../../ui/Check.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { TextField } from "../../ui/TextField.tsx";
import { usePress } from "./usePress.ts";

const MEDIA: { value: Medium; text: string }[] = [
  { value: "glossy", text: "Glossy or lustre paper" },
  { value: "matte", text: "Matte paper" },
  { value: "canvas", text: "Canvas" },
  { value: "none", text: "None: nothing is sharpened" },
];

/** What it is printed on, as far as it decides how photos are sharpened. */
export function MediumField({ job }: { job: Job }) {
  const { press, set } = usePress(job);
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[13px] font-semibold">Sharpening</h2>
      <SelectField<Medium>
        label="Printed on"
        value={press.medium}
        onChange={(medium) => set({ medium })}
        choices={MEDIA}
      />
      <p className="text-[12.5px] text-ink-2">
        {job.style.sharpening === null
          ? "No photo is sharpened. How strongly they are is part of the finish on the table."
          : `Photos are sharpened for their size on paper: ${job.style.sharpening}.`}
      </p>
    </div>
  );
}

/** What files say of themselves. */
export function AboutFields({ job }: { job: Job }) {
  const { press, setAbout } = usePress(job);
  const { title, creator, copyright, keepPlace } = press.about;
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[13px] font-semibold">Said in the file</h2>
      <TextField
        label="Title"
        value={title}
        placeholder={job.name}
        most={200}
        onChange={(next) => setAbout({ title: next })}
      />
      <TextField label="By" value={creator} most={200} onChange={(next) => setAbout({ creator: next })} />
      <TextField
        label="Copyright"
        value={copyright}
        most={500}
        onChange={(next) => setAbout({ copyright: next })}
      />
      <Check
        label="photos may tell where and by whom they were taken"
        checked={keepPlace}
        onChange={(keep) => setAbout({ keepPlace: keep })}
      />
    </div>
  );
}

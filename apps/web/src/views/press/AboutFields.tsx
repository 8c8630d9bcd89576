import type { Job } from "@wide-quilt/core";
import { MediumField } from "../../places/MediumField.tsx";
import { Check } from "../../ui/Check.tsx";
import { TextField } from "../../ui/TextField.tsx";
import { usePress } from "./usePress.ts";

/** How photos are brought to their size on paper, and sharpened for what it is printed on. */
export function PaperFields({ job }: { job: Job }) {
  const { press, set } = usePress(job);
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[13px] font-semibold">Photos on paper</h2>
      <Check
        label="made smaller by the light they send"
        checked={press.light}
        onChange={(light) => set({ light })}
      />
      <p className="text-[12.5px] text-ink-2">
        {press.light
          ? "Fine patterns keep their brightness. It takes a little longer."
          : "Pixels are averaged as the file has them: fine patterns get darker."}
      </p>
      <MediumField label="Printed on" medium={press.medium} onChange={(medium) => set({ medium })} />
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
  const { about, setAbout } = usePress(job);
  const { title, creator, copyright, keepPlace } = about;
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

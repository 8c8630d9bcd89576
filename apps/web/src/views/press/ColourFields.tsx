import type { Intent, Job } from "@wide-quilt/core";
import { AddProfile } from "../../places/AddProfile.tsx";
import { ProfileField, withProfile } from "../../places/ProfileField.tsx";
import { Check } from "../../ui/Check.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";
import { usePress } from "./usePress.ts";

const INTENTS: { value: Intent; text: string }[] = [
  { value: "perceptual", text: "Perceptual: the whole drawn together" },
  { value: "relative", text: "Relative colorimetric: true where it can be" },
  { value: "saturation", text: "Saturation: lively, for graphics" },
  { value: "absolute", text: "Absolute colorimetric: the other paper’s white too" },
];

/** What colours are written for, and how they are brought there. */
export function ColourFields({ job }: { job: Job }) {
  const { press, set } = usePress(job);
  const { colour } = press;
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-[13px] font-semibold">Colour</h2>
      <ProfileField colour={colour} onChange={(next) => set({ colour: next })} />
      {colour && (
        <>
          <SelectField<Intent>
            label="Intent"
            value={colour.intent}
            onChange={(intent) => set({ colour: { ...colour, intent } })}
            choices={INTENTS}
          />
          <Check
            label="black brought to the paper’s black"
            checked={colour.blackPoint}
            onChange={(blackPoint) => set({ colour: { ...colour, blackPoint } })}
          />
        </>
      )}
      <p className="text-[12.5px] text-ink-2">
        {colour
          ? "Photos are brought there from their own profiles; those without one are taken for sRGB."
          : "Numbers go out as they are in the photos, and no profile says what they mean."}
      </p>
      <AddProfile
        label="Add a profile"
        className={`${button.quiet} -ml-3 self-start`}
        onAdded={({ id }) => set({ colour: withProfile(colour, id) })}
      />
    </div>
  );
}

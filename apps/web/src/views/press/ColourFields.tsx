import { Plus } from "lucide-react";
import { USUAL_PRESS, type Intent, type Job } from "@wide-quilt/core";
import { server } from "../../api/client.ts";
import { useAppDispatch } from "../../app/store.ts";
import { atPlaces, usePlaces } from "../../places/places.ts";
import { button } from "../../ui/button.ts";
import { Check } from "../../ui/Check.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { usePress } from "./usePress.ts";

const INTENTS: { value: Intent; text: string }[] = [
  { value: "perceptual", text: "Perceptual: the whole drawn together" },
  { value: "relative", text: "Relative colorimetric: true where it can be" },
  { value: "saturation", text: "Saturation: lively, for graphics" },
  { value: "absolute", text: "Absolute colorimetric: the other paper’s white too" },
];

const NONE = "none";

/** What colours are written for, and how they are brought there. */
export function ColourFields({ job }: { job: Job }) {
  const dispatch = useAppDispatch();
  const { press, set } = usePress(job);
  const { profiles } = usePlaces();
  const { colour } = press;
  const choose = (profile: string) =>
    set({ colour: profile === NONE ? null : { ...(colour ?? USUAL_PRESS.colour!), profile } });
  const add = async ([file]: File[]) => {
    const added = await dispatch(atPlaces(() => server.addProfile(file!)));
    if (added) choose(added.id);
  };
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-[13px] font-semibold">Colour</h2>
      <SelectField
        label="Profile"
        value={colour?.profile ?? NONE}
        onChange={choose}
        choices={[
          ...profiles.map(({ id, name, space }) => ({
            value: id,
            text: space === "CMYK" ? `${name} (CMYK)` : name,
          })),
          ...(colour && !profiles.some(({ id }) => id === colour.profile)
            ? [{ value: colour.profile, text: "A profile that was taken out" }]
            : []),
          { value: NONE, text: "No colour management" },
        ]}
      />
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
      <FileButton
        label="ICC profile"
        accept=".icc,.icm,application/vnd.iccprofile"
        className={`${button.quiet} -ml-3 self-start`}
        onFiles={(files) => void add(files)}
      >
        <Plus size={14} aria-hidden /> Add a profile
      </FileButton>
    </div>
  );
}

import { USUAL_PRESS, type ColourSetup } from "@wide-quilt/core";
import { SelectField } from "../ui/SelectField.tsx";
import { usePlaces } from "./places.ts";

interface Props {
  colour: ColourSetup | null;
  onChange(colour: ColourSetup | null): void;
}

const NONE = "none";

/** The colours as they are for a profile; the intent and the rest stay. */
export const withProfile = (colour: ColourSetup | null, profile: string): ColourSetup => ({
  ...(colour ?? USUAL_PRESS.colour!),
  profile,
});

/** The profile that colours are written for, or none at all. */
export function ProfileField({ colour, onChange }: Props) {
  const { profiles } = usePlaces();
  const isGone = colour !== null && !profiles.some(({ id }) => id === colour.profile);
  return (
    <SelectField
      label="Profile"
      value={colour?.profile ?? NONE}
      onChange={(profile) => onChange(profile === NONE ? null : withProfile(colour, profile))}
      choices={[
        ...profiles.map(({ id, name, space }) => ({
          value: id,
          text: space === "CMYK" ? `${name} (CMYK)` : name,
        })),
        ...(isGone ? [{ value: colour.profile, text: "A profile that was taken out" }] : []),
        { value: NONE, text: "No colour management" },
      ]}
    />
  );
}

import type { ColourSetup } from "@wide-quilt/core";
import { useEffect, useState } from "react";
import { address } from "../../api/client.ts";
import { prove } from "../../proofing/proofing.ts";

interface Proved {
  /** The address of the proved picture. */
  picture: string | null;
  /** Share of the sheet that cannot be printed, 0…1; null until it is known. */
  outside: number | null;
  failure: string | null;
}

const NOTHING: Proved = { picture: null, outside: null, failure: null };

/** The colour that covers what cannot be printed: one that no photo has, and no finding of the program. */
const COVER = [255, 0, 200] as const;

/** What a painted sheet will look like printed for a profile. The last picture stays while the next is proved. */
export function useSoftProof(
  proof: string | null,
  colour: ColourSetup | null,
  { paperWhite, overlay }: { paperWhite: boolean; overlay: boolean },
): Proved {
  const [proved, setProved] = useState<Proved>(NOTHING);
  useEffect(() => {
    if (proof === null || colour === null) return;
    let wanted = true;
    const { profile, intent, blackPoint } = colour;
    prove({
      picture: address.proofPicture(proof),
      wide: address.profile("oprgb"),
      printer: address.profile(profile),
      screen: address.profile("srgb"),
      setup: { intent, blackPoint, paperWhite, outside: overlay ? COVER : null },
    }).then(
      ({ picture, outside }) => {
        if (!wanted) return;
        const address = URL.createObjectURL(picture);
        setProved((before) => {
          if (before.picture) URL.revokeObjectURL(before.picture);
          return { picture: address, outside, failure: null };
        });
      },
      (error: unknown) =>
        wanted && setProved({ ...NOTHING, failure: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      wanted = false;
    };
  }, [proof, colour, paperWhite, overlay]);
  return colour === null ? NOTHING : proved;
}

import { kindOf, type Job } from "@wide-quilt/core";
import { ImagePlus } from "lucide-react";
import { useState } from "react";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { button } from "../../ui/button.ts";
import type { PanelProps } from "../panel.tsx";
import { bringArtIn } from "./bringIn.ts";

/** What an artwork is, for who has none yet. */
export const ABOUT_ART =
  "A PNG, TIFF, WebP or SVG of the whole page whose transparent parts are the windows. It lies in front; every window gets a photo behind it, straight or tilted as the window is.";

/** Asks for the file of an artwork; one that comes takes the place of the one before, photos stay by their places. */
export function BringArt({ job, change }: { job: Job; change: PanelProps["change"] }) {
  const dispatch = useAppDispatch();
  const [busy, setBusy] = useState(false);
  const isFirst = kindOf(job).wantsArt(job);
  const bring = async ([file]: File[]) => {
    if (!file) return;
    setBusy(true);
    try {
      const { edits, said } = await bringArtIn(file, job);
      const gesture = newId();
      for (const edit of edits) change(edit, gesture);
      for (const sentence of said) dispatch(noticed(`${file.name}: ${sentence}`));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <FileButton
        label="Artwork"
        accept=".png,.svg,.tif,.tiff,.webp,image/png,image/svg+xml,image/tiff,image/webp"
        className={isFirst ? button.main : button.plain}
        onFiles={(files) => void bring(files)}
      >
        <ImagePlus size={15} aria-hidden /> {isFirst ? "Bring an artwork in" : "Another artwork"}
      </FileButton>
      {busy && <span className="text-[12.5px] text-ink-2">Looking for windows …</span>}
    </>
  );
}

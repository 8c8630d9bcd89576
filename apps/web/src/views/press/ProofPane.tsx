import { isDrawing, type ColourSetup, type SheetPlan } from "@wide-quilt/core";
import { useState } from "react";
import { address } from "../../api/client.ts";
import type { ProofState } from "../../proofing/useProof.ts";
import { Check } from "../../ui/Check.tsx";
import { Progress } from "../../ui/Progress.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { SheetTurner } from "../../ui/SheetTurner.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { useSoftProof } from "./useSoftProof.ts";

/** What is shown: the file as it is written, or what it will look like printed. */
export type Look = "file" | "print";

interface Props {
  proof: ProofState;
  colour: ColourSetup | null;
  look: Look;
  onLook(look: Look): void;
  sheets: readonly SheetPlan[];
  sheet: number;
  onSheet(sheet: number): void;
}

type Scale = "fit" | "pixels";

/** The painted sheet: the pixels that are written, or their soft proof. */
export function ProofPane({ proof, colour, look, onLook, sheets, sheet, onSheet }: Props) {
  const [scale, setScale] = useState<Scale>("fit");
  const [paperWhite, setPaperWhite] = useState(false);
  const [overlay, setOverlay] = useState(false);
  const { shown, coming, failure, again, cancel } = proof;
  const soft = useSoftProof(look === "print" ? (shown?.id ?? null) : null, colour, { paperWhite, overlay });
  const fits = scale === "fit" || look === "print";
  return (
    <section aria-label="The painted sheet" className="relative flex min-h-0 flex-col bg-table">
      <div
        tabIndex={0}
        aria-label="Sheet, can be scrolled"
        role="region"
        className="min-h-0 grow overflow-auto p-8"
      >
        {sheets.length === 0 ? (
          <p className="py-24 text-center">
            There is no sheet, so there is nothing to write. Go back to the table and see what mends it.
          </p>
        ) : shown ? (
          <div className={fits ? "flex h-full items-center justify-center" : "min-h-full min-w-max"}>
            {look === "print" ? (
              soft.picture && (
                <img
                  src={soft.picture}
                  alt={`Sheet ${sheet} as it will look printed`}
                  className="max-h-full max-w-full object-contain shadow-[0_3px_14px_rgb(0_0_0/.28)]"
                />
              )
            ) : (
              <img
                key={shown.id}
                src={address.proofPicture(shown.id)}
                alt={`Sheet ${shown.sheet} as it is written`}
                className={`bg-white shadow-[0_3px_14px_rgb(0_0_0/.28)] ${fits ? "max-h-full max-w-full object-contain" : ""}`}
                style={
                  fits
                    ? undefined
                    : { width: shown.pixels.width / window.devicePixelRatio, imageRendering: "pixelated" }
                }
              />
            )}
          </div>
        ) : null}
      </div>
      {(coming ?? failure) && (
        <div className="absolute inset-x-0 bottom-24 mx-auto w-80 rounded-lg bg-white p-4 shadow-lg">
          {coming ? (
            <div className="flex flex-col gap-2.5">
              <Progress
                label="Painting the sheet"
                done={coming.progress?.done ?? 0}
                of={coming.progress?.of ?? 0}
              />
              <button type="button" className={button.plain} onClick={cancel}>
                Cancel
              </button>
            </div>
          ) : (
            <div role="alert" className="flex flex-col gap-2.5 text-[13px]">
              <p>{failure}</p>
              <button type="button" className={button.plain} onClick={again}>
                Paint it again
              </button>
            </div>
          )}
        </div>
      )}
      {look === "print" && (
        <ProofWords
          soft={soft}
          colour={colour}
          paperWhite={paperWhite}
          onPaperWhite={setPaperWhite}
          overlay={overlay}
          onOverlay={setOverlay}
        />
      )}
      <div className="flex items-center gap-4 border-t border-line bg-white px-4 py-1.5 text-[12.5px] text-ink-2">
        {sheets.length > 1 && <SheetTurner number={sheet} of={sheets.length} onTurn={onSheet} />}
        <span className="w-60 shrink-0">
          <Segments<Look>
            label="What is shown"
            value={look}
            onChange={onLook}
            choices={[
              { value: "file", text: "As written" },
              { value: "print", text: "As printed" },
            ]}
          />
        </span>
        <span className="grow">
          {look === "file" &&
            shown &&
            isDrawing(shown.format) &&
            "Painted to be looked at; the file keeps photos, words and lines."}
        </span>
        {look === "file" && (
          <span className="w-52 shrink-0">
            <Segments<Scale>
              label="Size on screen"
              value={scale}
              onChange={setScale}
              choices={[
                { value: "fit", text: "Fit" },
                { value: "pixels", text: "Pixel for pixel" },
              ]}
            />
          </span>
        )}
      </div>
    </section>
  );
}

interface ProofWordsProps {
  soft: ReturnType<typeof useSoftProof>;
  colour: ColourSetup | null;
  paperWhite: boolean;
  onPaperWhite(on: boolean): void;
  overlay: boolean;
  onOverlay(on: boolean): void;
}

/** What a soft proof found, and how it is looked at. */
function ProofWords({ soft, colour, paperWhite, onPaperWhite, overlay, onOverlay }: ProofWordsProps) {
  const words = useWords();
  if (!colour) {
    return (
      <p className="border-t border-line bg-white px-4 py-2 text-[12.5px] text-ink-2">
        Without colour management nobody knows what the print will look like. Choose a profile at the left.
      </p>
    );
  }
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-line bg-white px-4 py-2 text-[12.5px] text-ink-2">
      <p aria-live="polite">
        {soft.failure ??
          (soft.outside === null ? (
            "Proving the colours …"
          ) : (
            <>
              <span className="measure text-ink">{words.number(soft.outside * 100, 1, 1)}&nbsp;%</span> of the
              sheet cannot be printed in its own colour
            </>
          ))}
      </p>
      <span className="grow" />
      <Check label="paper white" checked={paperWhite} onChange={onPaperWhite} />
      <Check label="cover what cannot be printed" checked={overlay} onChange={onOverlay} />
    </div>
  );
}

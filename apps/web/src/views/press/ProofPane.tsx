import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import type { SheetPlan } from "@wide-quilt/core";
import { address } from "../../api/client.ts";
import { button } from "../../ui/button.ts";
import { Progress } from "../../ui/Progress.tsx";
import { Segments } from "../../ui/Segments.tsx";
import type { ProofState } from "./useProof.ts";

interface Props {
  proof: ProofState;
  sheets: readonly SheetPlan[];
  sheet: number;
  onSheet(sheet: number): void;
}

type Scale = "fit" | "pixels";

/** The painted sheet: these are the pixels that are written. */
export function ProofPane({
  proof: { shown, coming, failure, again, cancel },
  sheets,
  sheet,
  onSheet,
}: Props) {
  const [scale, setScale] = useState<Scale>("fit");
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
            Nothing fits on this sheet, so there is nothing to write. Go back to the table and see what mends
            it.
          </p>
        ) : shown ? (
          <div
            className={scale === "fit" ? "flex h-full items-center justify-center" : "min-h-full min-w-max"}
          >
            <img
              key={shown.id}
              src={address.proofPicture(shown.id)}
              alt={`Sheet ${shown.sheet} as it is written`}
              className={`bg-white shadow-[0_3px_14px_rgb(0_0_0/.28)] ${scale === "fit" ? "max-h-full max-w-full object-contain" : ""}`}
              style={
                scale === "pixels"
                  ? { width: shown.pixels.width / window.devicePixelRatio, imageRendering: "pixelated" }
                  : undefined
              }
            />
          </div>
        ) : null}
      </div>
      {(coming ?? failure) && (
        <div className="absolute inset-x-0 bottom-16 mx-auto w-80 rounded-lg bg-white p-4 shadow-lg">
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
      <div className="flex items-center gap-4 border-t border-line bg-white px-4 py-1.5 text-[12.5px] text-ink-2">
        {sheets.length > 1 && (
          <span className="flex items-center gap-1">
            <button
              type="button"
              aria-label="Sheet before"
              className="rounded p-0.5 hover:bg-chrome disabled:opacity-40"
              disabled={sheet <= 1}
              onClick={() => onSheet(sheet - 1)}
            >
              <ChevronLeft size={16} aria-hidden />
            </button>
            Sheet <span className="measure">{sheet}</span> of <span className="measure">{sheets.length}</span>
            <button
              type="button"
              aria-label="Next sheet"
              className="rounded p-0.5 hover:bg-chrome disabled:opacity-40"
              disabled={sheet >= sheets.length}
              onClick={() => onSheet(sheet + 1)}
            >
              <ChevronRight size={16} aria-hidden />
            </button>
          </span>
        )}
        <span>
          {shown?.format === "pdf" || shown?.format === "svg"
            ? "Painted in pixels to be looked at; the file itself keeps its photos whole, its words and its lines."
            : "These are the pixels that are written."}
        </span>
        <span className="grow" />
        <span className="w-56">
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
      </div>
    </section>
  );
}

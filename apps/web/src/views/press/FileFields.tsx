import type { Format, Job } from "@wide-quilt/core";
import { lazy, Suspense, useState } from "react";
import { Check } from "../../ui/Check.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { Slider } from "../../ui/Slider.tsx";
import { button } from "../../ui/button.ts";
import { usePress } from "./usePress.ts";

const QualityCurve = lazy(() => import("./QualityCurve.tsx"));

const FORMATS: { value: Format; text: string; about: string }[] = [
  { value: "jpeg", text: "JPEG", about: "What every shop takes." },
  { value: "png", text: "PNG", about: "Nothing lost, larger." },
  { value: "tiff", text: "TIFF", about: "Nothing lost, also for CMYK and 16 bits." },
  { value: "pdf", text: "PDF", about: "Photos at full resolution, words as text, marks as lines." },
  { value: "svg", text: "SVG", about: "The same as a drawing, a file a sheet." },
];

/** What a limit begins with when one is asked for: a megabyte. */
const USUAL_LIMIT = 1_000_000;

/** The format and what belongs to it. */
export function FileFields({
  job,
  jobId,
  sheet,
  version,
}: {
  job: Job;
  jobId: string;
  sheet: number;
  version: number;
}) {
  const { press, set, setFile } = usePress(job);
  const { format, quality, chroma, most, depth, packing } = press.file;
  const [curve, setCurve] = useState(false);
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-[13px] font-semibold">File</h2>
      <Segments<Format>
        label="File format"
        value={format}
        onChange={(next) => setFile({ format: next })}
        choices={FORMATS}
      />
      <p className="text-[12.5px] text-ink-2">{FORMATS.find(({ value }) => value === format)!.about}</p>
      {format === "jpeg" && (
        <>
          <Slider
            label="Quality"
            value={quality}
            least={1}
            most={100}
            step={1}
            shown={String(quality)}
            onChange={(next, gesture) => setFile({ quality: next }, gesture)}
          />
          <Check
            label="colour half as fine as brightness"
            checked={chroma === "4:2:0"}
            onChange={(half) => setFile({ chroma: half ? "4:2:0" : "4:4:4" })}
          />
          <Check
            label="a limit for its bytes"
            checked={most !== null}
            onChange={(limited) => setFile({ most: limited ? USUAL_LIMIT : null })}
          />
          {most !== null && (
            <NumberField
              label="At most"
              unit="kB"
              value={Math.round(most / 1000)}
              least={10}
              most={2_000_000}
              whole
              onChange={(kb, gesture) => setFile({ most: kb * 1000 }, gesture)}
            />
          )}
          <button
            type="button"
            className={`${button.quiet} -ml-3 self-start`}
            aria-expanded={curve}
            onClick={() => setCurve(!curve)}
          >
            {curve ? "Put the curve away" : "Size against quality"}
          </button>
          {curve && (
            <Suspense fallback={<p className="text-[12.5px] text-ink-2">Weighing …</p>}>
              <QualityCurve jobId={jobId} sheet={sheet} version={version} quality={quality} />
            </Suspense>
          )}
        </>
      )}
      {(format === "tiff" || format === "png") && (
        <Segments
          label="Bits a channel"
          value={String(depth)}
          onChange={(bits) => setFile({ depth: bits === "16" ? 16 : 8 })}
          choices={[
            { value: "8", text: "8 bits" },
            { value: "16", text: "16 bits" },
          ]}
        />
      )}
      {format === "tiff" && (
        <Segments
          label="Packed by"
          value={packing}
          onChange={(next) => setFile({ packing: next })}
          choices={[
            { value: "deflate", text: "Deflate" },
            { value: "lzw", text: "LZW" },
            { value: "none", text: "Not packed" },
          ]}
        />
      )}
      {(format === "pdf" || format === "svg") && (
        <>
          <Check
            label="photos at most at so many ppi"
            checked={press.photoPpi !== null}
            onChange={(limited) => set({ photoPpi: limited ? job.target.ppi : null })}
          />
          {press.photoPpi !== null && (
            <NumberField
              label="Photos at"
              unit="ppi"
              value={press.photoPpi}
              least={36}
              most={2400}
              onChange={(photoPpi, gesture) => set({ photoPpi }, gesture)}
            />
          )}
        </>
      )}
    </div>
  );
}

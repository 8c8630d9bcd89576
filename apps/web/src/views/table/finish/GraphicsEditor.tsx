import { mm, um, type Graphic, type GraphicRole } from "@wide-quilt/core";
import { ImagePlus, Trash2, Type as TypeIcon } from "lucide-react";
import { server } from "../../../api/client.ts";
import { sentenceOf } from "../../../api/problem.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { noticed } from "../../../app/noticeSlice.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob } from "../../../table/sheets.ts";
import { FileButton } from "../../../ui/FileButton.tsx";
import { button } from "../../../ui/button.ts";
import { GraphicFields } from "./GraphicFields.tsx";
import { freeName } from "./freeName.ts";
import type { EditorProps } from "./useFinish.ts";

const ROLES: Record<GraphicRole, string> = {
  stamp: "Stamp, once on the sheet",
  overlay: "Overlay, over every photo",
  backing: "Backing, behind all cells",
  watermark: "Watermark, across every photo",
};

/** A graphic as it is when it first comes in. */
const fresh = (role: GraphicRole, of: Graphic["of"]): Graphic => ({
  role,
  of,
  width: role === "stamp" ? mm(30) : mm(40),
  at: role === "stamp" ? "bottom right" : "middle",
  away: role === "stamp" ? mm(8) : um(0),
  turn: role === "watermark" ? -30 : 0,
  tiled: role === "watermark",
  apart: mm(8),
  fit: role === "overlay" ? "stretch" : "fill",
  opacity: role === "watermark" ? 0.35 : role === "backing" && of.kind === "photo" ? 0.25 : 1,
  blend: "normal",
  sheet: null,
});

/** Graphics of the job: what they are used for, where and how strongly. */
export function GraphicsEditor({ finish: { words } }: EditorProps) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  if (!job) return null;
  const change = (name: string, graphic: Graphic | null, gesture?: string) =>
    dispatch(edit({ do: "graphics", graphics: { [name]: graphic } }, gesture));
  const add = (graphic: Graphic) => change(freeName("g", job.graphics), graphic);
  const bring = (role: GraphicRole) => async (files: File[]) => {
    for (const file of files.slice(0, 1)) {
      try {
        const { id, name, proportion, said } = await server.addGraphic(file);
        add(fresh(role, { kind: "file", file: id, name: name.slice(0, 200), proportion }));
        for (const sentence of said) dispatch(noticed(`${name}: ${sentence}`));
      } catch (error) {
        dispatch(noticed(sentenceOf(error), "wrong"));
      }
    }
  };
  return (
    <>
      {Object.entries(job.graphics).map(([name, graphic]) => (
        <section
          key={name}
          aria-label={nameOf(graphic, job.stash)}
          className="flex flex-col gap-2.5 rounded-md border border-line bg-white p-2.5"
        >
          <div className="flex items-start justify-between gap-2">
            <div className="min-w-0">
              <h3 className="truncate text-[13px] font-semibold">{nameOf(graphic, job.stash)}</h3>
              <p className="text-[12px] text-ink-2">{ROLES[graphic.role]}</p>
            </div>
            <button
              type="button"
              aria-label={`Take ${nameOf(graphic, job.stash)} out`}
              title="Take it out"
              className="rounded p-1 text-ink-3 hover:bg-chrome hover:text-wrong"
              onClick={() => change(name, null)}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </div>
          <GraphicFields
            graphic={graphic}
            words={words}
            onChange={(next, gesture) => change(name, { ...graphic, ...next }, gesture)}
          />
        </section>
      ))}
      <div className="flex flex-col gap-1.5">
        <h3 className="text-[12px] text-ink-3">Bring a graphic in (PNG or SVG)</h3>
        {(Object.keys(ROLES) as GraphicRole[]).map((role) => (
          <FileButton
            key={role}
            label={`Graphic for ${role}`}
            accept=".svg,.png,image/svg+xml,image/png,image/jpeg,image/webp"
            className={`${button.plain} !justify-start`}
            onFiles={(files) => void bring(role)(files)}
          >
            <ImagePlus size={14} aria-hidden /> {ROLES[role]}
          </FileButton>
        ))}
        <button
          type="button"
          className={`${button.plain} !justify-start`}
          onClick={() =>
            add(fresh("watermark", { kind: "words", text: "PROOF", font: "hanken", colour: "#ffffff" }))
          }
        >
          <TypeIcon size={14} aria-hidden /> Words as a watermark
        </button>
      </div>
      {job.stash.length > 0 && (
        <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
          A photo as backing, pale behind the cells
          <select
            className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-ink"
            value=""
            onChange={({ target }) => add(fresh("backing", { kind: "photo", photo: target.value, order: 1 }))}
          >
            <option value="">Choose a photo …</option>
            {job.stash.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  );
}

function nameOf({ of }: Graphic, stash: readonly { id: string; name: string }[]): string {
  if (of.kind === "file") return of.name;
  if (of.kind === "words") return `“${of.text}”`;
  if (of.photo === null) return stash[of.order - 1]?.name ?? `Photo ${of.order} of the job`;
  return stash.find(({ id }) => id === of.photo)?.name ?? "A photo";
}

import type { ShapeFill } from "@wide-quilt/core";
import { ImagePlus } from "lucide-react";
import { server } from "../../../api/client.ts";
import { sentenceOf } from "../../../api/problem.ts";
import { useAppDispatch } from "../../../app/hooks.ts";
import { noticed } from "../../../app/noticeSlice.ts";
import { FileButton } from "../../../ui/FileButton.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { button } from "../../../ui/button.ts";
import { ColourField } from "./ColourField.tsx";

interface Props {
  fill: ShapeFill | null;
  onChange(fill: ShapeFill | null, gesture?: string): void;
}

/** What a shape is filled with: nothing, a colour, two colours, or a picture such as a texture or a photo. */
export function ShapeFillFields({ fill, onChange }: Props) {
  const dispatch = useAppDispatch();
  const first = fill?.kind === "flat" ? fill.colour : fill?.kind === "gradient" ? fill.from : "#2d5a66";
  const bring = async ([file]: File[]) => {
    if (!file) return;
    try {
      const { id, name, proportion, said } = await server.addGraphic(file);
      onChange({ kind: "picture", of: { kind: "file", file: id, name: name.slice(0, 200), proportion } });
      for (const sentence of said) dispatch(noticed(`${name}: ${sentence}`));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  return (
    <>
      <Segments
        label="Filled with"
        value={fill?.kind ?? "none"}
        onChange={(kind) => {
          if (kind === "none") onChange(null);
          else if (kind === "flat") onChange({ kind, colour: first });
          else if (kind === "gradient") onChange({ kind, from: first, to: "#f4ead2", angle: 0 });
        }}
        choices={[
          { value: "none", text: "Nothing" },
          { value: "flat", text: "Colour" },
          { value: "gradient", text: "Two" },
        ]}
      />
      {fill?.kind === "flat" && (
        <ColourField
          label="Colour"
          value={fill.colour}
          onChange={(colour, g) => onChange({ ...fill, colour }, g)}
        />
      )}
      {fill?.kind === "gradient" && (
        <div className="grid grid-cols-2 items-end gap-2">
          <ColourField
            label="From"
            value={fill.from}
            onChange={(from, g) => onChange({ ...fill, from }, g)}
          />
          <ColourField label="To" value={fill.to} onChange={(to, g) => onChange({ ...fill, to }, g)} />
          <NumberField
            label="Turned from downwards"
            value={fill.angle}
            least={-180}
            most={180}
            unit="°"
            onChange={(angle, g) => onChange({ ...fill, angle }, g)}
          />
        </div>
      )}
      <div className="flex min-w-0 items-center gap-2">
        <FileButton
          label="Picture to fill it with"
          accept=".svg,.png,image/svg+xml,image/png,image/jpeg,image/webp"
          className={button.plain}
          onFiles={(files) => void bring(files)}
        >
          <ImagePlus size={14} aria-hidden /> {fill?.kind === "picture" ? "Another" : "A picture"}
        </FileButton>
        {fill?.kind === "picture" && (
          <span className="min-w-0 truncate text-[12.5px] text-ink-2" title={fill.of.name}>
            {fill.of.name}
          </span>
        )}
      </div>
    </>
  );
}

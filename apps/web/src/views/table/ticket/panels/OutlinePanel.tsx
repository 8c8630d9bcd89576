import { LIMITS, OUTLINE_COLOURS, um, type Finish } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { LengthField } from "../../../../ui/LengthField.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** The outline that a piece gets when it first gets one: fine and grey. */
const USUAL: NonNullable<Finish["outline"]> = { width: um(200), colour: "#9a9a9a" };

/** A thin line on the finished edge. */
export function OutlinePanel({ job, words, change }: PanelProps) {
  const { outline } = job.finish;
  const set = (next: Finish["outline"], gesture?: string) =>
    change({ do: "finish", change: { outline: next } }, gesture);
  const colours: { value: string; text: string }[] = Object.entries(OUTLINE_COLOURS).map(([value, text]) => ({
    value,
    text,
  }));
  if (outline && !(outline.colour in OUTLINE_COLOURS))
    colours.push({ value: outline.colour, text: outline.colour });
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="Outline colour"
        value={outline?.colour ?? "none"}
        onChange={(colour) => set(colour === "none" ? null : { ...(outline ?? USUAL), colour })}
        choices={[
          { value: "none", text: "No outline", picture: <Swatch colour={null} /> },
          ...colours.map(({ value, text }) => ({
            value,
            text: text[0]!.toUpperCase() + text.slice(1),
            picture: <Swatch colour={value} />,
          })),
        ]}
      />
      {outline && (
        <div className="grid grid-cols-2 items-end gap-2">
          <LengthField
            label="Line width"
            value={outline.width}
            range={LIMITS.line}
            words={words}
            onChange={(width, g) => set({ ...outline, width }, g)}
          />
          <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
            Any colour
            <input
              type="color"
              value={outline.colour}
              className="h-[34px] w-full rounded-md border border-edge bg-white p-1"
              onChange={(event) => set({ ...outline, colour: event.target.value }, "outline-colour")}
            />
          </label>
        </div>
      )}
    </div>
  );
}

const Swatch = ({ colour }: { colour: string | null }) => (
  <span
    aria-hidden
    className={`size-4 shrink-0 rounded-sm border ${colour === null ? "border-dashed border-edge" : "border-edge"}`}
    style={colour === null ? undefined : { background: colour }}
  />
);

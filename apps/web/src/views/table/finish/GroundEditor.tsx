import { useAppSelector } from "../../../app/hooks.ts";
import { selectJob } from "../../../table/sheets.ts";
import { Segments } from "../../../ui/Segments.tsx";
import { ColourField } from "./ColourField.tsx";
import type { EditorProps } from "./useFinish.ts";

/** The colour of the whole sheet behind everything. */
export function GroundEditor({ finish: { change } }: EditorProps) {
  const ground = useAppSelector((state) => selectJob(state)?.ground ?? null);
  const first = ground?.kind === "flat" ? ground.colour : (ground?.top ?? "#e9e4d8");
  return (
    <>
      <Segments
        label="Behind the cells"
        value={ground?.kind ?? "none"}
        onChange={(kind) =>
          change({
            do: "ground",
            ground:
              kind === "none"
                ? null
                : kind === "flat"
                  ? { kind, colour: first }
                  : { kind: "gradient", top: first, bottom: "#b9c4cc" },
          })
        }
        choices={[
          { value: "none", text: "Paper" },
          { value: "flat", text: "A colour" },
          { value: "gradient", text: "Two colours" },
        ]}
      />
      {ground?.kind === "flat" && (
        <ColourField
          label="Colour"
          value={ground.colour}
          onChange={(colour, g) => change({ do: "ground", ground: { kind: "flat", colour } }, g)}
        />
      )}
      {ground?.kind === "gradient" && (
        <div className="grid grid-cols-2 gap-2">
          <ColourField
            label="At the top"
            value={ground.top}
            onChange={(top, g) => change({ do: "ground", ground: { ...ground, top } }, g)}
          />
          <ColourField
            label="At the foot"
            value={ground.bottom}
            onChange={(bottom, g) => change({ do: "ground", ground: { ...ground, bottom } }, g)}
          />
        </div>
      )}
    </>
  );
}

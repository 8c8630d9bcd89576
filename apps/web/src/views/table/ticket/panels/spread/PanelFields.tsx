import {
  hooksOf,
  LIMITS,
  MOST_PANELS,
  piecesOf,
  prefersLetter,
  TRIPTYCH,
  TRIPTYCH_IN_INCHES,
  type Panels,
  type Side,
  type Size,
  type Wrap,
} from "@wide-quilt/core";
import { LOCALE } from "../../../../../app/preferences.ts";
import { Check } from "../../../../../ui/Check.tsx";
import { LengthField } from "../../../../../ui/LengthField.tsx";
import { NumberField } from "../../../../../ui/NumberField.tsx";
import { Segments } from "../../../../../ui/Segments.tsx";
import { SelectField } from "../../../../../ui/SelectField.tsx";
import type { Words } from "../../../../../words/words.ts";
import { ColourField } from "../../../finish/ColourField.tsx";
import type { ImposeProps } from "./PaperFields.tsx";

interface Props extends ImposeProps {
  /** The finished page. */
  page: Size | undefined;
}

const WAYS: { value: Wrap["way"]; text: string }[] = [
  { value: "none", text: "nothing" },
  { value: "mirrored", text: "the picture, reflected at the edge" },
  { value: "picture", text: "the picture as it goes on" },
  { value: "stretched", text: "its last strip, stretched" },
  { value: "colour", text: "a colour" },
];

/** What panels begin with. */
const FIRST = prefersLetter(LOCALE) ? TRIPTYCH_IN_INCHES : TRIPTYCH;

const even = (count: number): Side[] => Array.from({ length: count }, () => ({ share: 1 }));

/** The pieces that a picture hangs in: how many, how far apart, what goes around their edges and where their hooks are. */
export function PanelFields({ impose, words, set, page }: Props) {
  const { panels } = impose;
  return (
    <div className="flex flex-col gap-3">
      <Segments
        label="How it hangs"
        value={panels ? "panels" : "one"}
        choices={[
          { value: "one", text: "In one piece" },
          { value: "panels", text: "In panels" },
        ]}
        onChange={(way) => set({ panels: way === "one" ? null : (panels ?? FIRST) })}
      />
      {panels && (
        <Divided
          panels={panels}
          words={words}
          page={page}
          change={(next, gesture) => set({ panels: { ...panels, ...next } }, gesture)}
        />
      )}
    </div>
  );
}

interface DividedProps {
  panels: Panels;
  words: Words;
  page: Size | undefined;
  change(next: Partial<Panels>, gesture?: string): void;
}

function Divided({ panels, words, page, change }: DividedProps) {
  const { columns, rows, gap, behind, step, wrap, hang } = panels;
  const pieces = page ? piecesOf(page, panels) : null;
  const hooks = pieces ? hooksOf(pieces, hang) : [];
  const setWrap = (next: Partial<Wrap>, gesture?: string) => change({ wrap: { ...wrap, ...next } }, gesture);
  const setHang = (next: Partial<Panels["hang"]>, gesture?: string) =>
    change({ hang: { ...hang, ...next } }, gesture);
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Panels across"
          value={columns.length}
          least={1}
          most={MOST_PANELS}
          whole
          onChange={(count, g) => change({ columns: even(count) }, g)}
        />
        <NumberField
          label="Panels down"
          value={rows.length}
          least={1}
          most={MOST_PANELS}
          whole
          onChange={(count, g) => change({ rows: even(count) }, g)}
        />
        <LengthField
          label="Apart on the wall"
          value={gap}
          range={LIMITS.gap}
          words={words}
          onChange={(to, g) => change({ gap: to }, g)}
        />
        {rows.length === 1 && columns.length > 2 && (
          <LengthField
            label="Lower by, at each step"
            value={step}
            range={LIMITS.gap}
            words={words}
            onChange={(to, g) => change({ step: to }, g)}
          />
        )}
      </div>
      <Check
        label="The picture runs on behind the gaps"
        checked={behind}
        onChange={(on) => change({ behind: on })}
      />
      {!pieces && page && (
        <p role="alert" className="rounded-md bg-wrong-soft p-2 text-[12.5px] text-wrong">
          Panels and gaps so have no room in {words.size(page)}. Take fewer panels, or let them be smaller or
          closer.
        </p>
      )}
      <Sides
        label="Width of panel"
        sides={columns}
        lengths={pieces?.filter(({ row }) => row === 0).map(({ face }) => face.width)}
        words={words}
        onChange={(to, g) => change({ columns: to }, g)}
      />
      {rows.length > 1 && (
        <Sides
          label="Height of row"
          sides={rows}
          lengths={pieces?.filter(({ column }) => column === 0).map(({ face }) => face.height)}
          words={words}
          onChange={(to, g) => change({ rows: to }, g)}
        />
      )}
      <div className="grid grid-cols-2 gap-2 border-t border-line pt-3">
        <SelectField
          label="Around the edges of frames"
          value={wrap.way}
          choices={WAYS}
          onChange={(way) => setWrap({ way })}
        />
        {wrap.way !== "none" && (
          <LengthField
            label="So far around"
            value={wrap.deep}
            range={LIMITS.wrap}
            words={words}
            onChange={(deep, g) => setWrap({ deep }, g)}
          />
        )}
        {wrap.way === "colour" && (
          <ColourField label="Colour" value={wrap.colour} onChange={(to, g) => setWrap({ colour: to }, g)} />
        )}
      </div>
      <div className="grid grid-cols-3 gap-2 border-t border-line pt-3">
        <LengthField
          label="Floor to middle"
          value={hang.middle}
          range={LIMITS.mural}
          words={words}
          onChange={(middle, g) => setHang({ middle }, g)}
        />
        <NumberField
          label="Hooks to each"
          value={hang.hooks}
          least={1}
          most={4}
          whole
          onChange={(to, g) => setHang({ hooks: to }, g)}
        />
        <LengthField
          label="Below its edge"
          value={hang.below}
          range={LIMITS.gap}
          words={words}
          onChange={(below, g) => setHang({ below }, g)}
        />
      </div>
      {hooks.length > 0 && (
        <div className="max-h-40 overflow-y-auto" tabIndex={0} role="region" aria-label="Where hooks are">
          <table className="w-full text-[12.5px]">
            <thead className="sticky top-0 bg-white text-left text-ink-2">
              <tr className="border-b border-line">
                <th className="py-1 font-medium">Hook of panel</th>
                <th className="py-1 text-right font-medium">from the left edge</th>
                <th className="py-1 text-right font-medium">above the floor</th>
              </tr>
            </thead>
            <tbody>
              {hooks.map(({ panel, x, y }, i) => (
                <tr key={i} className="border-b border-line">
                  <td className="py-1">{panel}</td>
                  <td className="measure py-1 text-right">{words.measure(x)}</td>
                  <td className="measure py-1 text-right">{words.measure(y)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

interface SidesProps {
  label: string;
  sides: readonly Side[];
  /** How long they come out; left out where they do not fit. */
  lengths: readonly Size["width"][] | undefined;
  words: Words;
  onChange(sides: Side[], gesture?: string): void;
}

/** The sides of panels: one that is typed is kept, and the others share what is left. */
function Sides({ label, sides, lengths, words, onChange }: SidesProps) {
  if (sides.length === 1) return null;
  const isGiven = sides.some((side) => "size" in side);
  const free = sides.filter((side) => "share" in side).length;
  return (
    <div className="flex flex-col gap-1.5">
      <div className="grid grid-cols-3 gap-2">
        {sides.map((side, i) => {
          const value = "size" in side ? side.size : lengths?.[i];
          if (value === undefined) return null;
          // The last one takes what the others leave.
          if ("share" in side && free === 1) {
            return (
              <p key={i} className="flex flex-col gap-1 text-[12.5px] text-ink-2">
                {`${label} ${i + 1}`}
                <span className="measure py-1.5 text-[13px] text-ink">{words.measure(value)}, the rest</span>
              </p>
            );
          }
          return (
            <LengthField
              key={i}
              label={`${label} ${i + 1}`}
              value={value}
              range={LIMITS.mural}
              words={words}
              onChange={(size, g) =>
                onChange(
                  sides.map((own, at) => (at === i ? { size } : own)),
                  g,
                )
              }
            />
          );
        })}
      </div>
      {isGiven && (
        <button
          type="button"
          className="min-h-6 self-start rounded px-1 text-[12.5px] text-accent hover:bg-accent-soft"
          onClick={() => onChange(even(sides.length))}
        >
          All alike again
        </button>
      )}
    </div>
  );
}

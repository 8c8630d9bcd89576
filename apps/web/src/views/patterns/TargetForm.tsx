import {
  edgePx,
  FITS,
  kindOf,
  LIMITS,
  nearest,
  PAPERS,
  umPer,
  type Made,
  type MadeFor,
  type Size,
} from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import { FIT_NAMES } from "../../kinds/artwork/FitPanel.tsx";
import { usePlaces } from "../../places/places.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { TextField } from "../../ui/TextField.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { SizeFields } from "../table/ticket/panels/SizeFields.tsx";
import { SaidList } from "./TargetCard.tsx";
import type { Said } from "./usePattern.ts";

interface Props {
  pattern: PatternView;
  madeFor: MadeFor;
  made: Made & { said: Said[] };
  isNew: boolean;
  onChange(madeFor: MadeFor): void;
  onKeep(): void;
  onLeave(): void;
}

const OWN = "own";
const idOf = ({ width, height }: Size) =>
  PAPERS.find((one) => one.width === width && one.height === height)?.id ?? OWN;
const PAPER_CHOICES = PAPERS.map(({ id, name, alias }) => ({
  value: id,
  text: alias ? `${name} (${alias})` : name,
}));

/** “Make it for …”: another printer, its page and how the pattern comes to it; the picture beside it shows every change. */
export function TargetForm({ pattern, madeFor, made, isNew, onChange, onKeep, onLeave }: Props) {
  const { printers } = usePlaces();
  const { printer, page, fit, most, onPaper } = madeFor;
  const words = useWords(printer.ppi);
  const set = (change: Partial<MadeFor>) => onChange({ ...madeFor, ...change });
  const setPrinter = (change: Partial<MadeFor["printer"]>) => set({ printer: { ...printer, ...change } });
  const lying =
    page.lie === "landscape" ? { width: page.paper.height, height: page.paper.width } : page.paper;
  const pageOf = (size: Size, page: MadeFor["page"]): MadeFor["page"] => {
    const upright = {
      width: Math.min(size.width, size.height),
      height: Math.max(size.width, size.height),
    } as Size;
    return {
      ...page,
      // In the reader’s unit: pixels that were typed are round in no other.
      paper: { name: `${words.figure(upright.width)} × ${words.measure(upright.height)}`, ...upright },
      lie: size.width > size.height ? "landscape" : "portrait",
    };
  };
  const choosePaper = (id: string) => {
    const paper = PAPERS.find((one) => one.id === id);
    if (paper)
      set({ page: { ...page, paper: { name: paper.name, width: paper.width, height: paper.height } } });
  };
  const choosePrinter = (id: string) => {
    const chosen = printers.find((one) => one.id === id);
    if (!chosen) return;
    const named = madeFor.name === printer.name ? chosen.name : madeFor.name;
    const bleed = chosen.bleed > 0 ? chosen.bleed : printer.bleed;
    const next = { ...madeFor, name: named, printer: { ...chosen, bleed } };
    // A printer that takes one size of page has that.
    const { pixels, ppi } = chosen;
    const side = (count: number) => nearest(count * umPer("px", ppi));
    const size = pixels && { width: side(pixels.width), height: side(pixels.height) };
    onChange(size ? { ...next, page: pageOf(size, next.page) } : next);
  };
  const pixels = `${words.number(edgePx(lying.width, printer.ppi))}\u00a0×\u00a0${words.number(edgePx(lying.height, printer.ppi))}\u00a0px`;
  return (
    <form
      aria-label="Make it for"
      className="flex flex-col gap-3 text-[13px]"
      // Enter in a field takes over what was typed; what is made is asked for by its button.
      onSubmit={(event) => event.preventDefault()}
    >
      <h2 className="text-[15px] font-semibold">{isNew ? "Make it for …" : "Make it otherwise"}</h2>
      <SelectField
        label="Printer"
        value={printers.some(({ id }) => id === printer.id) ? printer.id : OWN}
        choices={[
          ...printers.map(({ id, name }) => ({ value: id, text: name })),
          ...(printers.some(({ id }) => id === printer.id) ? [] : [{ value: OWN, text: printer.name }]),
        ]}
        onChange={choosePrinter}
      />
      <TextField
        label="Called"
        value={madeFor.name}
        most={200}
        onChange={(name) => name.trim() !== "" && set({ name: name.trim() })}
      />
      <SelectField
        label="Page"
        value={idOf(page.paper)}
        choices={
          idOf(page.paper) === OWN ? [{ value: OWN, text: page.paper.name }, ...PAPER_CHOICES] : PAPER_CHOICES
        }
        onChange={choosePaper}
      />
      <SizeFields
        size={lying}
        range={LIMITS.paper}
        words={words}
        onChange={(size) => set({ page: pageOf(size, page) })}
      />
      <p className="-mt-1.5 text-[12px] text-ink-3">
        <span className="measure">{pixels}</span>; “1400px” typed as a size is pixels at this resolution.
      </p>
      {onPaper && (
        <SelectField
          label="Cut from"
          value={idOf(onPaper)}
          choices={
            idOf(onPaper) === OWN ? [{ value: OWN, text: onPaper.name }, ...PAPER_CHOICES] : PAPER_CHOICES
          }
          onChange={(id) => {
            const paper = PAPERS.find((one) => one.id === id);
            if (paper) set({ onPaper: { name: paper.name, width: paper.width, height: paper.height } });
          }}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Resolution, ppi"
          value={printer.ppi}
          least={LIMITS.ppi.least}
          most={LIMITS.ppi.most}
          onChange={(ppi) => setPrinter({ ppi })}
        />
        <LengthField
          label="Bleed"
          value={printer.bleed}
          range={LIMITS.bleed}
          words={words}
          onChange={(bleed) => setPrinter({ bleed })}
        />
      </div>
      <NumberField
        label="Enlarged to print without a border, %"
        value={printer.enlarged}
        least={0}
        most={20}
        onChange={(enlarged) => setPrinter({ enlarged })}
      />
      <div className="flex flex-col gap-1.5">
        <span className="text-[12.5px] text-ink-2">How everything comes to that page</span>
        <Segments
          label="How everything comes to that page"
          value={fit}
          choices={FITS.map((value) => ({ value, text: FIT_NAMES[value] }))}
          onChange={(next) => set({ fit: next })}
        />
      </div>
      {fit === "stretch" && (
        <NumberField
          label="Stretched at most by, then it covers"
          value={most}
          least={0}
          most={100}
          unit="%"
          onChange={(next) => set({ most: next })}
        />
      )}
      {kindOf(pattern.job).keepsSizes && (
        <p className="text-[12.5px] text-ink-2">
          Pieces keep the size that was asked for; words, graphics and shapes go with the page.
        </p>
      )}
      <div className="border-t border-line pt-3">
        <SaidList said={made.said} />
      </div>
      <div className="flex gap-2 border-t border-line pt-3">
        <button type="button" className={button.main} onClick={onKeep}>
          {isNew ? "Make it" : "Change it"}
        </button>
        <button type="button" className={button.plain} onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}

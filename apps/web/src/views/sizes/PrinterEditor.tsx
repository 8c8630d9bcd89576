import { LIMITS, type Printer, type Um } from "@wide-quilt/core";
import { useState, type ReactNode } from "react";
import { CURRENCIES } from "../../app/preferences.ts";
import { MediumField } from "../../places/MediumField.tsx";
import { ProfileField } from "../../places/ProfileField.tsx";
import { LengthField } from "../../ui/LengthField.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { OverPage } from "../../ui/OverPage.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { TextField } from "../../ui/TextField.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { AskPrinter } from "./AskPrinter.tsx";
import { ScaleFields } from "./ScaleFields.tsx";

interface Props {
  printer: Printer;
  onClose(): void;
  onKeep(printer: Printer): void;
}

const SIDES = ["top", "right", "bottom", "left"] as const;
const PRICES: { part: Exclude<keyof Printer["price"], "currency">; label: string }[] = [
  { part: "perSheet", label: "A sheet" },
  { part: "perSquareMetre", label: "A square metre of paper" },
  { part: "ink", label: "Ink for a square metre, fully covered" },
];

/** Everything that is known of a printer with its paper. */
export function PrinterEditor({ printer: before, onClose, onKeep }: Props) {
  const [printer, setPrinter] = useState(before);
  const words = useWords(printer.ppi);
  const set = (change: Partial<Printer>) => setPrinter((now) => ({ ...now, ...change }));
  const { unprintable, price } = printer;
  const length = (label: string, value: Um, range: typeof LIMITS.margin, onChange: (um: Um) => void) => (
    <LengthField key={label} label={label} value={value} range={range} words={words} onChange={onChange} />
  );
  return (
    <OverPage title={before.name} open onClose={onClose} wide>
      <div className="grid grid-cols-2 gap-x-8 gap-y-6 max-[800px]:grid-cols-1">
        <Group title="What it is">
          <TextField
            label="Name"
            value={printer.name}
            most={200}
            onChange={(name) => name !== "" && set({ name })}
          />
          <TextField
            label="Address, where it prints by IPP"
            value={printer.address ?? ""}
            placeholder="ipp://192.168.1.20/ipp/print"
            most={300}
            onChange={(address) => set({ address: address === "" ? null : address })}
          />
          {printer.address !== null && <AskPrinter printer={printer} set={set} />}
          <MediumField
            label="Paper, for sharpening"
            medium={printer.medium}
            onChange={(medium) => set({ medium })}
          />
          <ProfileField colour={printer.colour} onChange={(colour) => set({ colour })} />
        </Group>
        <Group title="Edges, paper upright">
          <div className="grid grid-cols-2 gap-2">
            {SIDES.map((side) =>
              length(`Unprintable, ${side}`, unprintable[side], LIMITS.margin, (um) =>
                set({ unprintable: { ...unprintable, [side]: um } }),
              ),
            )}
          </div>
          <div className="grid grid-cols-2 gap-2">
            {length("May lose", printer.mayLose, LIMITS.margin, (mayLose) => set({ mayLose }))}
            {length("Bleed", printer.bleed, LIMITS.bleed as typeof LIMITS.margin, (bleed) => set({ bleed }))}
          </div>
          <NumberField
            label="Enlarges by, %"
            value={printer.enlarged}
            least={0}
            most={20}
            onChange={(enlarged) => set({ enlarged })}
          />
        </Group>
        <Group title="Pixels">
          <NumberField
            label="Best sent at"
            unit="ppi"
            value={printer.ppi}
            least={LIMITS.ppi.least}
            most={LIMITS.ppi.most}
            onChange={(ppi) => set({ ppi })}
          />
          <PagePixels printer={printer} set={set} />
        </Group>
        <Group title="Price">
          <SelectField
            label="In"
            value={price.currency}
            choices={currenciesWith(price.currency).map((value) => ({ value, text: value }))}
            onChange={(currency) => set({ price: { ...price, currency } })}
          />
          {PRICES.map(({ part, label }) => (
            <NumberField
              key={part}
              label={label}
              value={price[part]}
              least={0}
              most={1e6}
              onChange={(value) => set({ price: { ...price, [part]: value } })}
            />
          ))}
        </Group>
        <div className="col-span-full">
          <Group title="True size">
            <ScaleFields scale={printer.scale} words={words} onChange={(scale) => set({ scale })} />
          </Group>
        </div>
      </div>
      <div className="mt-6 flex justify-end gap-2">
        <button type="button" className={button.plain} onClick={onClose}>
          Leave it as it was
        </button>
        <button type="button" className={button.main} onClick={() => onKeep(printer)}>
          Keep
        </button>
      </div>
    </OverPage>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-[13px] font-semibold">{title}</legend>
      {children}
    </fieldset>
  );
}

/** The currencies that are offered, and the one that is set. */
const currenciesWith = (own: string): string[] => [...new Set([own, ...CURRENCIES])];

/** The page of a printer that takes just one size of pixels. */
function PagePixels({ printer: { pixels }, set }: { printer: Printer; set(change: Partial<Printer>): void }) {
  const side = (label: string, part: "width" | "height") => (
    <NumberField
      label={label}
      unit="px"
      value={pixels![part]}
      least={16}
      most={65_500}
      whole
      onChange={(value) => set({ pixels: { ...pixels!, [part]: value } })}
    />
  );
  return (
    <>
      <label className="flex items-center gap-2 text-[12.5px] text-ink-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={pixels !== null}
          onChange={({ target }) => set({ pixels: target.checked ? { width: 1240, height: 1844 } : null })}
        />
        takes pages of just one size
      </label>
      {pixels && (
        <div className="grid grid-cols-2 gap-2">
          {side("Page width", "width")}
          {side("Page height", "height")}
        </div>
      )}
    </>
  );
}

import { isTrue, type Printer } from "@wide-quilt/core";
import type { ProfileView } from "@wide-quilt/server/contract";
import { PenLine, Trash2 } from "lucide-react";
import { button } from "../../ui/button.ts";
import { moneyIn, useWords, type Words } from "../../words/words.ts";

interface Props {
  printer: Printer;
  profiles: readonly ProfileView[];
  onEdit(): void;
  onRemove(): void;
}

/** A printer in one line of words and one of figures. */
export function PrinterRow({ printer, profiles, onEdit, onRemove }: Props) {
  const words = useWords(printer.ppi);
  const money = moneyIn(printer.price.currency);
  const { name, ppi, colour, price, scale, address } = printer;
  const profile = colour ? profiles.find(({ id }) => id === colour.profile)?.name : "no colour management";
  return (
    <li className="flex items-center gap-4 rounded-lg border border-line bg-white px-4 py-3">
      <div className="min-w-0 grow">
        <h3 className="text-[14px] font-semibold">{name}</h3>
        <p className="text-[12.5px] text-ink-2">
          {sayEdges(printer, words)}, {profile ?? "a profile that was taken out"}
          {address !== null && `, at ${address}`}
        </p>
        <p className="measure text-[12px] text-ink-2">
          {words.number(ppi, 0, 2)} ppi
          {price.perSheet > 0 && ` · ${money(price.perSheet)} a sheet`}
          {price.perSquareMetre > 0 && ` · ${money(price.perSquareMetre)}/m²`}
          {price.ink > 0 && ` · ink ${money(price.ink)}/m²`}
          {!isTrue(scale) &&
            ` · prints ${words.number(scale.across * 100, 2, 2)} % × ${words.number(scale.down * 100, 2, 2)} %`}
        </p>
      </div>
      <button type="button" className={button.plain} onClick={onEdit}>
        <PenLine size={14} aria-hidden /> Change
      </button>
      <button type="button" aria-label={`Take out ${name}`} className={button.quiet} onClick={onRemove}>
        <Trash2 size={15} aria-hidden />
      </button>
    </li>
  );
}

/** What a printer does at the edges of the paper. */
export function sayEdges(
  { unprintable, mayLose }: Pick<Printer, "unprintable" | "mayLose">,
  words: Words,
): string {
  const { top, right, bottom, left } = unprintable;
  if (Math.max(top, right, bottom, left) > 0) {
    return `cannot print ${[top, right, bottom, left].map((edge) => words.figure(edge)).join(", ")} ${words.unit} (top, right, bottom, left)`;
  }
  return mayLose > 0
    ? `prints to the edge, may lose ${words.length(mayLose)}`
    : "the whole sheet, nothing lost";
}

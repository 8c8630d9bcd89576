import {
  writeFigure,
  writeLength,
  writeMeasure,
  writeNumber,
  writeSize,
  writeSpan,
  type Size,
  type Um,
  type Unit,
} from "@wide-quilt/core";
import { useMemo } from "react";
import { useMatch } from "react-router";
import { useAppSelector } from "../app/hooks.ts";
import { LOCALE } from "../app/preferences.ts";

/** How lengths and numbers are written for this reader. */
export interface Words {
  unit: Unit;
  locale: string;
  ppi: number;
  /** A length that was chosen, in the unit that it is round in. */
  length(um: Um): string;
  /** A length that was measured, in the reader’s unit. */
  measure(um: Um): string;
  /** The bare figure in the reader’s unit. */
  figure(um: Um): string;
  size(size: Size): string;
  span(span: { from: Um; to: Um }): string;
  number(value: number, least?: number, most?: number): string;
  percent(share: number): string;
}

/** The words of the job whose page this is, or on other pages the reader’s, for a sheet of some ppi. */
export function useWords(ppi = 300): Words {
  const isOfJob = useMatch("/jobs/:job/*") !== null;
  const unit = useAppSelector(
    (state) => (isOfJob ? state.openJob.job?.unit : undefined) ?? state.preferences.unit,
  );
  return useMemo(() => {
    const write = { unit, ppi, locale: LOCALE };
    return {
      ...write,
      length: (um) => writeLength(um, write),
      measure: (um) => writeMeasure(um, write),
      figure: (um) => writeFigure(um, write),
      size: (size) => writeSize(size, write),
      span: (span) => writeSpan(span, write),
      number: (value, least = 0, most = 0) => writeNumber(value, LOCALE, least, most),
      percent: (share) => `${writeNumber(share * 100, LOCALE, 0, 0)}\u00a0%`,
    };
  }, [unit, ppi]);
}

/**
 * Writes money, rounded as its currency is: cents where it has them; what a single piece costs with a digit more where it is
 * less than one of the currency, as hundreds of it are made.
 */
export function moneyIn(currency: string): (value: number, of?: "piece") => string {
  let write = writers.get(currency);
  if (!write) writers.set(currency, (write = writerOf(currency)));
  return write;
}

const writers = new Map<string, (value: number, of?: "piece") => string>();

function writerOf(currency: string): (value: number, of?: "piece") => string {
  const style = { style: "currency", currency } as const;
  const usual = new Intl.NumberFormat(LOCALE, style);
  const digits = (usual.resolvedOptions().maximumFractionDigits ?? 2) + 1;
  const fine = new Intl.NumberFormat(LOCALE, { ...style, maximumFractionDigits: digits });
  return (value, of) => (of === "piece" && value < 1 ? fine : usual).format(value);
}

/** Bytes as people say file sizes: "1.24 MB". */
export function fileSize(bytes: number): string {
  const [value, unit] =
    bytes < 1e6 ? [bytes / 1e3, "kB"] : bytes < 1e9 ? [bytes / 1e6, "MB"] : [bytes / 1e9, "GB"];
  return `${writeNumber(value, LOCALE, 0, value < 10 ? 2 : value < 100 ? 1 : 0)}\u00a0${unit}`;
}

const time = new Intl.DateTimeFormat(LOCALE, { hour: "2-digit", minute: "2-digit" });
const day = new Intl.DateTimeFormat(LOCALE, { day: "numeric", month: "short", year: "numeric" });

/** The time of today, the day of any other. */
export function when(iso: string): string {
  const date = new Date(iso);
  return date.toDateString() === new Date().toDateString() ? time.format(date) : day.format(date);
}

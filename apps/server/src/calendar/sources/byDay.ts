import type { DayEntry } from "@wide-quilt/core";

/** Days in their order, as written: those of years of four digits follow each other as text. */
export const byDay = (a: DayEntry, b: DayEntry): number => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0);

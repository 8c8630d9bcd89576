import { dateOf, dayOf, daysInMonth, YEARS, type Day } from "./civil.ts";

/** A month, counted through the years: 12 · year + month − 1. */
export type Month = number & { readonly month?: never };

export const monthOf = (year: number, month: number): Month => year * 12 + month - 1;

/** Its year, and its number in the year from 1. */
export const inYear = (month: Month): { year: number; month: number } => ({
  year: Math.floor(month / 12),
  month: (month % 12) + 1,
});

/** The first day of a month, and how many it has. */
export function daysOfMonth(month: Month): { first: Day; count: number } {
  const at = inYear(month);
  return { first: dayOf(at.year, at.month, 1), count: daysInMonth(at.year, at.month) };
}

/** The month that a day is in. */
export function monthOfDay(day: Day): Month {
  const { year, month } = dateOf(day);
  return monthOf(year, month);
}

const digits = (value: number, count: number): string => String(value).padStart(count, "0");

/** “2027-03-28” */
export function writeDay(day: Day): string {
  const { year, month, day: number } = dateOf(day);
  return `${digits(year, 4)}-${digits(month, 2)}-${digits(number, 2)}`;
}

/** “2027-03” */
export function writeMonth(month: Month): string {
  const at = inYear(month);
  return `${digits(at.year, 4)}-${digits(at.month, 2)}`;
}

/** Reads “2027-03-28”; null for what is no day of the years 1583 to 9999. */
export function readDay(text: string): Day | null {
  const found = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text);
  if (!found) return null;
  const [year, month, day] = found.slice(1).map(Number) as [number, number, number];
  return isDate(year, month, day) ? dayOf(year, month, day) : null;
}

/** Reads “2027-03”; null for what is no month of these years. */
export function readMonth(text: string): Month | null {
  const found = /^(\d{4})-(\d\d)$/.exec(text);
  if (!found) return null;
  const [year, month] = found.slice(1).map(Number) as [number, number];
  return isDate(year, month, 1) ? monthOf(year, month) : null;
}

export const isDate = (year: number, month: number, day: number): boolean =>
  year >= YEARS.least &&
  year <= YEARS.most &&
  month >= 1 &&
  month <= 12 &&
  day >= 1 &&
  day <= daysInMonth(year, month);

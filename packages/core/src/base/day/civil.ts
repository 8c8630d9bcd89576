/**
 * A civil day: whole days since 1 January 1970 of the Gregorian calendar, which is carried back before its own beginning.
 * No clock and no time zone is part of it.
 */
export type Day = number & { readonly day?: never };

/** A day by its year, its month from 1 and its number in the month. */
export interface CivilDate {
  year: number;
  month: number;
  day: number;
}

/** The years that days are written in: the first whole one of the Gregorian calendar, and the last of four digits. */
export const YEARS = { least: 1583, most: 9999 } as const;

/**
 * The day of a date. Months beyond 1 to 12 and days beyond a month run on into the next, as 31 April is 1 May.
 *
 * The year is taken from March, so that the day that is put in stands at its end: the days before month m of it are
 * ⌊(153 m + 2) / 5⌋, and 400 years have 146 097 days (Gregorian reform: 97 leap years in 400).
 */
export function dayOf(year: number, month: number, day: number): Day {
  const months = year * 12 + month - 1;
  const [y, m] = [Math.floor(months / 12), mod(months, 12)];
  const [marchYear, marchMonth] = m < 2 ? [y - 1, m + 10] : [y, m - 2];
  const era = Math.floor(marchYear / 400);
  const inEra = marchYear - era * 400;
  const before = Math.floor((153 * marchMonth + 2) / 5);
  const leaps = Math.floor(inEra / 4) - Math.floor(inEra / 100);
  return era * 146_097 + inEra * 365 + leaps + before + day - 1 - MARCH_0000;
}

/** Days from 1 March of the year 0 to 1 January 1970. */
const MARCH_0000 = 719_468;

/** The date of a day: `dayOf` the other way round. */
export function dateOf(day: Day): CivilDate {
  const since = day + MARCH_0000;
  const era = Math.floor(since / 146_097);
  const inEra = since - era * 146_097;
  const year = Math.floor(
    (inEra - Math.floor(inEra / 1460) + Math.floor(inEra / 36_524) - Math.floor(inEra / 146_096)) / 365,
  );
  const inYear = inEra - (365 * year + Math.floor(year / 4) - Math.floor(year / 100));
  const marchMonth = Math.floor((5 * inYear + 2) / 153);
  const month = marchMonth < 10 ? marchMonth + 3 : marchMonth - 9;
  return {
    year: year + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: inYear - Math.floor((153 * marchMonth + 2) / 5) + 1,
  };
}

export const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** 28 to 31. */
export const daysInMonth = (year: number, month: number): number =>
  dayOf(year, month + 1, 1) - dayOf(year, month, 1);

export const mod = (value: number, by: number): number => ((value % by) + by) % by;

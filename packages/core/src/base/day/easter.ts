import { dayOf, type Day } from "./civil.ts";

/**
 * Easter Sunday of the Gregorian calendar, from 1583 on: the algorithm that appeared without a name in Nature of 20 April
 * 1876, as J. Meeus gives it in Astronomical Algorithms (2nd ed. 1998), chapter 8.
 */
export function easter(year: number): Day {
  const a = year % 19;
  const b = Math.floor(year / 100);
  const c = year % 100;
  const d = Math.floor(b / 4);
  const e = b % 4;
  const f = Math.floor((b + 8) / 25);
  const g = Math.floor((b - f + 1) / 3);
  const h = (19 * a + b - d - g + 15) % 30;
  const i = Math.floor(c / 4);
  const k = c % 4;
  const l = (32 + 2 * e + 2 * i - h - k) % 7;
  const m = Math.floor((a + 11 * h + 22 * l) / 451);
  const n = h + l - 7 * m + 114;
  return dayOf(year, Math.floor(n / 31), (n % 31) + 1);
}

/**
 * Easter Sunday of the Julian calendar, as a day of the Gregorian one (Meeus, the same chapter). The Julian calendar is
 * behind by ⌊century⌋ − ⌊century / 4⌋ − 2 days.
 */
export function julianEaster(year: number): Day {
  const a = year % 4;
  const b = year % 7;
  const c = year % 19;
  const d = (19 * c + 15) % 30;
  const e = (2 * a + 4 * b - d + 34) % 7;
  const n = d + e + 114;
  const century = Math.floor(year / 100);
  const behind = century - Math.floor(century / 4) - 2;
  return dayOf(year, Math.floor(n / 31), (n % 31) + 1 + behind);
}

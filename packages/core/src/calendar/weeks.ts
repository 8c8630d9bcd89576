import type { Weekday, WeekRule } from "../base/day/index.ts";

/** How a country counts its weeks, and which days it rests on. */
export interface WeekOf extends WeekRule {
  weekend: Weekday[];
}

/**
 * Countries that differ from weeks from Monday, with Saturday and Sunday for rest and 1 January in the first of them
 * (Unicode CLDR 48, supplemental/weekData): by what differs.
 */
const FROM: Readonly<Partial<Record<Weekday, string>>> = {
  7: "AG AS BD BR BS BT BU BW BZ CA CO DM DO ET GT GU HK HN ID IL IN IS JM JP KE KH KR LA MH MM MO MT MX MZ NI NP PA PE PH PK PR PT PY RH SA SG SV TH TT TW UM US VE VI WS YD YE ZA ZW",
  6: "AF BH DJ DZ EG IQ IR JO KW LY OM QA SD SY",
  5: "MV",
};
const FOUR_DAYS =
  "AD AT AX BE BG CH CZ DD DE DK EE ES FI FJ FO FR FX GB GF GG GI GP GR HU IE IM IS IT JE LI LT LU MC MQ NL NO PL PT RE RU SE SJ SK SM SU UK VA";
const RESTS: readonly (readonly [weekend: readonly Weekday[], countries: string])[] = [
  [[5, 6], "BH DZ EG IL IQ JO KW LY OM QA SA SD SY YD YE"],
  [[4, 5], "AF"],
  [[5], "IR"],
  [[7], "IN UG"],
];

const has = (countries: string | undefined, country: string): boolean =>
  countries?.split(" ").includes(country) ?? false;

/** The country of a language tag: the one it names, or where most people speak it. */
export const countryOf = (locale: string): string => new Intl.Locale(locale).maximize().region ?? "001";

/** How weeks are counted where a locale is at home. */
export function weeksOf(locale: string): WeekOf {
  const country = countryOf(locale);
  const first = ([7, 6, 5] as const).find((day) => has(FROM[day], country)) ?? 1;
  const [weekend] = RESTS.find(([, countries]) => has(countries, country)) ?? [[6, 7] as const];
  return { first, least: has(FOUR_DAYS, country) ? 4 : 1, weekend: [...weekend] };
}

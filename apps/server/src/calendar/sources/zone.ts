import { dayOf, type Day } from "@wide-quilt/core";

const formats = new Map<string, Intl.DateTimeFormat>();

/** Whether the platform knows a time zone by this name. */
export function isZone(zone: string): boolean {
  try {
    formatOf(zone);
    return true;
  } catch {
    return false;
  }
}

function formatOf(zone: string): Intl.DateTimeFormat {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat("en-GB-u-ca-iso8601", {
      timeZone: zone,
      year: "numeric",
      month: "numeric",
      day: "numeric",
      hour: "numeric",
      minute: "numeric",
      second: "numeric",
      hourCycle: "h23",
    });
    formats.set(zone, format);
  }
  return format;
}

/** What a clock on the wall in a time zone says. */
export interface Clock {
  day: Day;
  hour: number;
  minute: number;
}

export function clockAt(instant: number, zone: string): Clock {
  const parts = partsAt(instant, zone);
  return { day: dayOf(parts.year!, parts.month!, parts.day!), hour: parts.hour!, minute: parts.minute! };
}

const partsAt = (instant: number, zone: string): Record<string, number> =>
  Object.fromEntries(
    formatOf(zone)
      .formatToParts(instant)
      .map(({ type, value }) => [type, Number(value)]),
  );

/** Milliseconds since 1970 when a clock in a time zone says so; of a time that a clock is set back over, the first. */
export function instantOf(day: Day, seconds: number, zone: string): number {
  const wall = day * 86_400_000 + seconds * 1000;
  const offset = (instant: number) => {
    const { year, month, day: date, hour, minute, second } = partsAt(instant, zone);
    return (dayOf(year!, month!, date!) * 86_400 + hour! * 3600 + minute! * 60 + second!) * 1000 - instant;
  };
  const first = wall - offset(wall - 86_400_000);
  const guess = wall - offset(first);
  return offset(first) === wall - first ? first : guess;
}

/** “06:05” */
export const writeClock = ({ hour, minute }: Clock): string =>
  `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;

/** The clock on the wall at a time in milliseconds since 1970: "2026-10-03T14:05:00". */
export function wallClock(at: number): string {
  const date = new Date(at);
  const two = (value: number) => String(value).padStart(2, "0");
  const day = `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
  return `${day}T${two(date.getHours())}:${two(date.getMinutes())}:${two(date.getSeconds())}`;
}

/** A name for one more thing of a job: a letter and the next number. */
export function freeName(letter: string, taken: Readonly<Record<string, unknown>>): string {
  const numbers = Object.keys(taken).map((name) => Number(name.slice(1)));
  return `${letter}${Math.max(0, ...numbers) + 1}`;
}

/**
 * A name that nothing else has: 128 bits of chance in hexadecimal. It is made in this one way, as the browser's own is
 * not there on pages that came over plain HTTP from another machine.
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
}

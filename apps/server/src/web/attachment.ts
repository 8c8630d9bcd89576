/** A Content-Disposition that saves a file under its name, in any script (RFC 6266, RFC 8187). */
export function attachment(given: string, how: "attachment" | "inline" = "attachment"): string {
  // Half a letter cannot be written in UTF-8.
  const name = given.toWellFormed();
  const plain = name.replaceAll(/[^\x20-\x7e]|["\\]/g, "_");
  return `${how}; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name).replaceAll("'", "%27")}`;
}

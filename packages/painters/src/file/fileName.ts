/** Characters that file systems refuse, and control characters. */
// eslint-disable-next-line no-control-regex
const REFUSED = /[<>:"/\\|?*\u0000-\u001f\u007f]/g;
/** Names that Windows keeps for devices, whatever their ending. */
const DEVICES = /^(con|prn|aux|nul|com\d|lpt\d)$/i;

/** Characters of a name that are looked at. */
const MOST_READ = 1000;

/** A name that every file system takes, as near to what was asked for as can be. */
export function fileName(asked: string): string {
  const plain = asked
    // No more than could be left in the end: what is asked for may be a book.
    .slice(0, MOST_READ)
    .toWellFormed()
    .normalize("NFC")
    .replaceAll(REFUSED, "-")
    .replaceAll(/\s+/g, " ")
    .trim()
    .replace(/^\.+|[. ]+$/g, "");
  const name = plain === "" || DEVICES.test(plain) ? `sheet ${plain}`.trim() : plain;
  // 255 bytes is the least that common file systems take; the ending and a number need room too.
  let short = name;
  while (Buffer.byteLength(short) > 200) short = [...short].slice(0, -1).join("");
  return short;
}

/**
 * The names of a run's files, made fit for every file system. Files of one run that would be called the same get numbers;
 * where a file of such a name is there already, all of them get a further number: nothing that was written before is
 * overwritten.
 */
export function outputNames(
  asked: readonly string[],
  ending: string,
  taken: (name: string) => boolean,
): string[] {
  const bases = apart(asked.map(fileName));
  for (let again = 1; ; again++) {
    const names = bases.map((base) => `${again === 1 ? base : `${base} (${again})`}.${ending}`);
    if (!names.some(taken)) return names;
  }
}

/** Names that are each given once; whether letters are large or small makes no difference to some file systems. */
function apart(names: readonly string[]): string[] {
  const given = new Set<string>();
  return names.map((name) => {
    for (let again = 1; ; again++) {
      const own = again === 1 ? name : `${name} (${again})`;
      if (given.has(own.toLowerCase())) continue;
      given.add(own.toLowerCase());
      return own;
    }
  });
}

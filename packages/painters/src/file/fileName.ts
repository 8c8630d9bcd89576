/** Characters that file systems refuse, and control characters. */
// eslint-disable-next-line no-control-regex
const REFUSED = /[<>:"/\\|?*\u0000-\u001f\u007f]/g;
/** Names that Windows keeps for devices, whatever their ending. */
const DEVICES = /^(con|prn|aux|nul|com\d|lpt\d)$/i;

/** A name that every file system takes, as near to what was asked for as can be. */
export function fileName(asked: string): string {
  const plain = asked
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

/** The names of a job's files: after the people they are of, where they are of people, otherwise after the job. */
export const outputNames = (
  files: readonly { person: string | null }[],
  base: string,
  ending: string,
  taken: (name: string) => boolean,
): string[] =>
  files.some(({ person }) => person !== null)
    ? ownNames(
        files.map(({ person }) => person ?? base),
        ending,
        taken,
      )
    : fileNames(base, ending, files.length, taken);

/**
 * Names of files that are each called after something of their own, such as a person. Where two are called the same, or a
 * file of that name is there, the later one gets a number: nothing that was written before is overwritten.
 */
function ownNames(asked: readonly string[], ending: string, taken: (name: string) => boolean): string[] {
  const given = new Set<string>();
  return asked.map((wanted) => {
    const base = fileName(wanted);
    for (let again = 1; ; again++) {
      const name = `${again === 1 ? base : `${base} (${again})`}.${ending}`;
      if (given.has(name.toLowerCase()) || taken(name)) continue;
      given.add(name.toLowerCase());
      return name;
    }
  });
}

/**
 * The names of a run's files: "Badges.jpg", or "Badges 01.jpg", "Badges 02.jpg" … Where one is taken, all of them get
 * a further number: nothing that was written before is overwritten.
 */
export function fileNames(
  asked: string,
  ending: string,
  count: number,
  taken: (name: string) => boolean,
): string[] {
  const base = fileName(asked);
  const digits = Math.max(2, String(count).length);
  for (let again = 1; ; again++) {
    const stem = again === 1 ? base : `${base} (${again})`;
    const names = Array.from({ length: count }, (_, i) =>
      count === 1 ? `${stem}.${ending}` : `${stem} ${String(i + 1).padStart(digits, "0")}.${ending}`,
    );
    if (!names.some(taken)) return names;
  }
}

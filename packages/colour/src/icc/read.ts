/** A profile that cannot be used, with a sentence that says why and what to do. */
export class BadProfile extends Error {
  override name = "BadProfile";
}

/** What a profile says of itself. */
export interface ProfileFacts {
  name: string;
  /** What it describes: a display, a printer, a camera or scanner, a colour space. */
  of: "display" | "printer" | "input" | "space";
  space: "RGB" | "CMYK" | "GRAY";
}

const CLASSES: Record<string, ProfileFacts["of"]> = {
  mntr: "display",
  prtr: "printer",
  scnr: "input",
  spac: "space",
};
const NO_DEVICE: Record<string, string> = {
  link: "a link between two devices",
  abst: "an abstract effect",
  nmcl: "a list of named colours",
};
const SPACES: Record<string, ProfileFacts["space"]> = { "RGB ": "RGB", CMYK: "CMYK", GRAY: "GRAY" };

const HEADER = 128;
/** Large printer profiles have some megabytes. */
const MOST = 32 * 1024 ** 2;

/** Reads the header of an ICC profile (ICC.1:2022, 7.2). Throws BadProfile. */
export function readProfile(bytes: Uint8Array): ProfileFacts {
  const file = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const text = (at: number) => letters(bytes, at, at + 4);
  if (bytes.length < HEADER + 4 || text(36) !== "acsp") {
    throw new BadProfile("This is not an ICC profile. Choose a file that ends in .icc or .icm.");
  }
  if (bytes.length > MOST)
    throw new BadProfile("This profile is larger than 32 MB, more than any printer needs.");
  if (file.getUint32(0) > bytes.length) {
    throw new BadProfile("This profile is broken off: it is shorter than it says. Copy it again.");
  }
  const of = CLASSES[text(12)];
  if (!of) {
    throw new BadProfile(
      `This profile describes ${NO_DEVICE[text(12)] ?? "something unknown"}, not a device. Choose the profile of a printer, a paper or a display.`,
    );
  }
  const space = SPACES[text(16)];
  if (!space) {
    throw new BadProfile(
      `This profile is for ${text(16).trim()} colours; RGB, CMYK and grey ones can be used.`,
    );
  }
  return { name: nameIn(bytes, file), of, space };
}

/**
 * The name in an ICC profile's description tag: `desc` type of version 2, `mluc` of version 4
 * (ICC.1:2022, 10.15; ICC.1:2001-04, 6.5.17).
 */
function nameIn(bytes: Uint8Array, file: DataView): string {
  try {
    const tags = file.getUint32(HEADER);
    for (let i = 0; i < tags; i++) {
      const entry = HEADER + 4 + i * 12;
      if (letters(bytes, entry, entry + 4) !== "desc") continue;
      const at = file.getUint32(entry + 4);
      if (letters(bytes, at, at + 4) === "desc") {
        return clean(letters(bytes, at + 12, at + 11 + file.getUint32(at + 8)));
      }
      const start = at + file.getUint32(at + 24);
      const name = bytes.subarray(start, start + file.getUint32(at + 20));
      return clean(new TextDecoder("utf-16be").decode(name));
    }
  } catch {
    // A profile with a broken description still has its colours.
  }
  return "unnamed profile";
}

const letters = (bytes: Uint8Array, from: number, to: number): string =>
  String.fromCharCode(...bytes.subarray(from, to));

const clean = (name: string): string => name.replaceAll("\0", "").trim().slice(0, 120) || "unnamed profile";

import { textByGuess } from "./encoding.ts";
import { NotReadable } from "./problem.ts";

/** No list that was made for a job is larger than this. */
const MOST_BYTES = 2_000_000;

/** The text of a list, and what it was taken to be saved in where the file itself does not say. */
export interface TableText {
  text: string;
  guess: string | null;
}

/**
 * The text of a table file, whatever it was saved as: UTF-8 or UTF-16 with its mark, UTF-8 without one, and otherwise what
 * its letters look like. Throws NotReadable for what is no text.
 */
export async function textOf(file: Blob): Promise<TableText> {
  if (file.size > MOST_BYTES) {
    throw new NotReadable("This file is too large for a list. Take the table saved as CSV.");
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  const begins = (...mark: number[]) => mark.every((byte, i) => bytes[i] === byte);
  const by = (label: string) => ({
    text: new TextDecoder(label, { fatal: label === "utf-8" }).decode(bytes),
    guess: null,
  });
  if (begins(0xff, 0xfe)) return by("utf-16le");
  if (begins(0xfe, 0xff)) return by("utf-16be");
  if (begins(0x50, 0x4b) || bytes.includes(0)) {
    throw new NotReadable("This is not a text file. Save the table as CSV and read that.");
  }
  try {
    return by("utf-8");
  } catch {
    const { text, name } = textByGuess(bytes);
    return { text, guess: name };
  }
}

/** What is said of a list whose encoding had to be guessed. */
export const sayGuess = (guess: string | null): string[] =>
  guess === null
    ? []
    : [
        `The file does not say how its letters are written; it was read as ${guess}. If names look wrong, save it as UTF-8.`,
      ];

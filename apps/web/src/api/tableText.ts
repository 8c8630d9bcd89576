import { NotReadable } from "./problem.ts";

/** No list that was made for a job is larger than this. */
const MOST_BYTES = 2_000_000;

/**
 * The text of a table file, whatever it was saved as: UTF-8 or UTF-16 with its mark, UTF-8 without one, and otherwise
 * Windows-1252, as spreadsheets on Windows save. Throws NotReadable for what is no text.
 */
export async function textOf(file: Blob): Promise<string> {
  if (file.size > MOST_BYTES) {
    throw new NotReadable("This file is too large for a list. Take the table saved as CSV.");
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  const begins = (...mark: number[]) => mark.every((byte, i) => bytes[i] === byte);
  if (begins(0xff, 0xfe)) return new TextDecoder("utf-16le").decode(bytes);
  if (begins(0xfe, 0xff)) return new TextDecoder("utf-16be").decode(bytes);
  if (begins(0x50, 0x4b) || bytes.includes(0)) {
    throw new NotReadable("This is not a text file. Save the table as CSV and read that.");
  }
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

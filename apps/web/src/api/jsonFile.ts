import { NotReadable } from "./problem.ts";

/** What a chosen JSON file holds. Throws NotReadable when it is not JSON. */
export async function readJsonFile(file: File, kind: "job" | "pattern" | "printers"): Promise<unknown> {
  const text = await file.text();
  try {
    return JSON.parse(text);
  } catch {
    throw new NotReadable(
      `${file.name} is not a ${kind} file: it is not JSON. Choose a file that was saved by Wide Quilt.`,
    );
  }
}

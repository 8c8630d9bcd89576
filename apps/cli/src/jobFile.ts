import { readFile } from "node:fs/promises";
import { readJob, type Job } from "@wide-quilt/core";
import { Said } from "./said.ts";

/** Reads a job file. Throws Said with everything that is wrong in it. */
export async function readJobFile(path: string): Promise<Job> {
  let text: string;
  try {
    text = await readFile(path, "utf8");
  } catch {
    throw new Said(`There is no job file at ${path}.`);
  }
  let value: unknown;
  try {
    // Some editors begin a file with a mark of its byte order.
    value = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    throw new Said(`${path} is not a job file: it is not JSON.`);
  }
  const reading = readJob(value);
  if (!reading.ok)
    throw new Said([`${path} cannot be read:`, ...reading.faults.map(({ why }) => `  ${why}`)].join("\n"));
  return reading.job;
}

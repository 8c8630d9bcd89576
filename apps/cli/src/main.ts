import { parseArgs } from "node:util";
import { arrange, check, LIMITS, type Finding } from "@wide-quilt/core";
import { readJobFile } from "./jobFile.ts";
import { kept } from "./kept.ts";
import { findPhotos } from "./photoFolder.ts";
import { render } from "./render.ts";
import { Said } from "./said.ts";

const USAGE = `Usage:
  npx wide-quilt render JOB.json --photos DIR --out sheet.jpg [--ppi 300] [--quality 92]
  npx wide-quilt arrange JOB.json [--photos DIR]     the plan of the sheets as JSON
  npx wide-quilt check JOB.json [--photos DIR]       what would spoil the print; ends with 1 where something is wrong
  npx wide-quilt kept [--data DIR] [--clear]         what a running Wide Quilt keeps; clears what nothing uses

  --out       ends in .jpg, .png, .tif, .pdf or .svg; several sheets become numbered files
  --photos    the folder that the job's photos lie in`;

const MARK: Record<Finding["level"], string> = { wrong: "wrong", look: "look ", right: "right" };

/** Runs one command; what it prints is its result, what it returns its exit code. */
async function run(args: string[]): Promise<number> {
  const { values, positionals } = read(args);
  const [command, file] = positionals;
  if (values.help || command === undefined) {
    console.log(USAGE);
    return 0;
  }
  if (command === "kept" && positionals.length === 1) {
    for (const line of await kept(values.data, values.clear)) console.log(line);
    return 0;
  }
  if (!["render", "arrange", "check"].includes(command) || file === undefined || positionals.length > 2) {
    throw new Said(`“${positionals.join(" ")}” is not a command.\n\n${USAGE}`);
  }
  const job = await readJobFile(file);
  const photos = await findPhotos(job, values.photos);
  if (command === "arrange") {
    console.log(JSON.stringify(arrange(job, photos.records), null, 2));
    return 0;
  }
  if (command === "check") {
    const findings = check(job, photos.records, arrange(job, photos.records));
    for (const { level, sentence } of findings) console.log(`${MARK[level]}  ${sentence}`);
    return findings.some(({ level }) => level === "wrong") ? 1 : 0;
  }
  if (values.out === undefined) throw new Said(`Say where to write: --out sheet.jpg\n\n${USAGE}`);
  if (values.photos === undefined) throw new Said(`Say where the photos are: --photos DIR\n\n${USAGE}`);
  const ppi =
    values.ppi === undefined ? undefined : number("ppi", values.ppi, LIMITS.ppi.least, LIMITS.ppi.most);
  const quality = values.quality === undefined ? undefined : number("quality", values.quality, 1, 100);
  for (const path of await render(job, photos, { out: values.out, ppi, quality })) console.log(path);
  return 0;
}

function read(args: string[]) {
  try {
    return parseArgs({
      args,
      allowPositionals: true,
      options: {
        photos: { type: "string" },
        out: { type: "string" },
        ppi: { type: "string" },
        quality: { type: "string" },
        data: { type: "string" },
        clear: { type: "boolean", default: false },
        help: { type: "boolean", default: false },
      },
    });
  } catch (error) {
    throw new Said(`${(error as Error).message}\n\n${USAGE}`);
  }
}

function number(name: string, text: string, least: number, most: number): number {
  const value = Number(text);
  if (!Number.isFinite(value) || value < least || value > most) {
    throw new Said(`--${name} must be a number from ${least} to ${most}, not “${text}”.`);
  }
  return value;
}

try {
  process.exitCode = await run(process.argv.slice(2));
} catch (error) {
  console.error(error instanceof Said ? error.message : error);
  process.exitCode = 2;
}

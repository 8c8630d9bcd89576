import type { Job } from "../index.ts";
import { photosByName } from "./named.ts";
import type { NewPhoto } from "./schema.ts";
import { PHOTO_HEADINGS, plainHeading, readTable } from "./table.ts";

/** What a list of photos came to: what it says of each, and a sentence for every line that was left out. */
export interface ListReading {
  list: Job["list"];
  columns: string[];
  problems: string[];
}

const MOST_COLUMNS = 40;

/**
 * Reads what a table of text says of photos (RFC 4180; comma, semicolon or tab, found by itself; a first line with
 * headings). A line belongs to the photo that its photo column names; without such a column, lines belong to the photos
 * in their order.
 */
export function readPhotoList(text: string, stash: readonly NewPhoto[]): ListReading {
  const { head, lines, problems } = readTable(text);
  const headings = head.map((heading) =>
    heading
      .trim()
      .slice(0, 80)
      .replaceAll(/[[\],]/g, " ")
      .trim(),
  );
  if (lines.length === 0) {
    return {
      list: {},
      columns: [],
      problems: [
        ...problems,
        "The list has no lines under its headings. Put a first line such as “photo,title,place” above them.",
      ],
    };
  }
  const by = headings.findIndex((heading) => PHOTO_HEADINGS.includes(plainHeading(heading)));
  const columns = headings
    .map((name, at) => ({ name, at }))
    .filter(({ name, at }) => name !== "" && at !== by && headings.indexOf(name) === at)
    .slice(0, MOST_COLUMNS);
  const list: Job["list"] = {};
  const named = photosByName(stash);
  lines.forEach(({ cells, line }, i) => {
    const photo = by === -1 ? stash[i] : named(cells[by] ?? "")?.photo;
    if (!photo) {
      const which =
        by === -1
          ? "there is no photo left for it"
          : `there is no photo “${(cells[by] ?? "").trim()}” in this job`;
      problems.push(`Line ${line} was left out: ${which}.`);
      return;
    }
    list[photo.id] = Object.fromEntries(
      columns.map(({ name, at }) => [name, (cells[at] ?? "").trim().slice(0, 1000)]),
    );
  });
  return { list, columns: columns.map(({ name }) => name), problems };
}

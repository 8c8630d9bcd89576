import { FIELDS, type FieldSource } from "./fields.ts";

/** A part of a template: words as they stand, or a field and the way it is written. */
export type TemplatePart = { words: string } | { field: string; way: string | null };

/** "[sheet, 3 digits]" */
const FIELD = /\[([^[\]\n]+)\]/g;

/**
 * Takes a template apart. What stands in square brackets is a field, whether it is known or not.
 *
 *     partsOf("[name], [date, short]")  // field name · words ", " · field date, way "short"
 */
export function partsOf(template: string): TemplatePart[] {
  const parts: TemplatePart[] = [];
  let end = 0;
  for (const match of template.matchAll(FIELD)) {
    if (match.index > end) parts.push({ words: template.slice(end, match.index) });
    const [field, way] = match[1]!.split(",").map((part) => part.trim()) as [string, string?];
    parts.push({ field, way: way ?? null });
    end = match.index + match[0].length;
  }
  if (end < template.length) parts.push({ words: template.slice(end) });
  return parts;
}

const known = (name: string) => FIELDS.find((field) => field.name === name.toLowerCase());

/** A column of the list, whatever letters its heading is written in. */
function ownField(own: FieldSource["own"], name: string): string | undefined {
  const heading = Object.keys(own).find((one) => one.toLowerCase() === name.toLowerCase());
  return heading === undefined ? undefined : own[heading];
}

/** The fields of a template that neither the program nor a list has, as they were written. */
export const unknownFields = (template: string, columns: readonly string[]): string[] =>
  partsOf(template).flatMap((part) =>
    "field" in part &&
    !known(part.field) &&
    !columns.some((column) => column.toLowerCase() === part.field.toLowerCase())
      ? [part.field]
      : [],
  );

const valueOf = (source: FieldSource, { field, way }: { field: string; way: string | null }): string =>
  (ownField(source.own, field) ?? known(field)?.write(source, way) ?? "").trim();

/** Signs that part one thing from the next. */
const PARTING = String.raw`\s·•,;:|/–—‒+&(\[-`;
const LEADING = new RegExp(`^[${PARTING}]+`, "u");
const TRAILING = new RegExp(`[${PARTING}]+$`, "u");
const LEADS_UP = new RegExp(`(^|[${PARTING}]*[·•,;:|/–—+&(-][${PARTING}]*|\\.\\s+)([^·•,;:|/–—+&(-]*)$`, "u");

/**
 * Fills a template in, line by line. Where a field is missing, the words that lead up to it go with it, back to the last
 * sign that parts them from what stands before, and so does a bracket around it: nothing is left hanging.
 *
 *     fill("[name] · [camera], [shutter] at [aperture]", …)
 *     // all there       "Gull · Tern 5, 1/250 at f/8"
 *     // no camera       "Gull, 1/250 at f/8"
 *     // no aperture     "Gull · Tern 5, 1/250"
 *
 * A line whose fields are all missing goes as a whole.
 */
export function fill(template: string, source: FieldSource): string {
  const lines = template.split("\n").flatMap((line) => {
    const filled = fillLine(partsOf(line), source);
    return filled === null ? [] : [filled];
  });
  return lines.join("\n");
}

function fillLine(parts: readonly TemplatePart[], source: FieldSource): string | null {
  const fields = parts.filter((part) => "field" in part);
  if (fields.length === 0) return parts.map((part) => ("words" in part ? part.words : "")).join("");
  if (fields.every((field) => valueOf(source, field) === "")) return null;
  let text = "";
  let gap = false;
  parts.forEach((part, i) => {
    if ("words" in part) {
      // After a missing field its closing bracket goes, and at the start of a line what parted it from the next.
      const words = gap ? part.words.replace(/^[)\]]/, "") : part.words;
      text += text === "" && gap ? words.replace(LEADING, "") : words;
      return;
    }
    const value = valueOf(source, part);
    const before = parts[i - 1];
    if (value === "" && before && "words" in before) text = withoutLead(text, before.words);
    gap = value === "";
    text += value;
  });
  return gap ? text.replace(TRAILING, "") : text.trimEnd();
}

/** Takes the end of a text off that leads up to a missing field: at most the words before it. */
function withoutLead(text: string, words: string): string {
  const lead = text.endsWith(words) ? words : text.slice(-words.length);
  const found = LEADS_UP.exec(lead);
  return found ? text.slice(0, text.length - (lead.length - found.index)) : text;
}

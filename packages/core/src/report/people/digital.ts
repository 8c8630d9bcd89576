import { NO_EDGES } from "../../base/geometry/index.ts";
import { um, UM_PER_INCH } from "../../base/length/index.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import type { Job } from "../../job/index.ts";
import { peopleTicket, ruleFor } from "../../kinds/index.ts";

/** A portrait as the file that an office takes instead of a print: a sheet that is the piece itself. */
export type DigitalVersion =
  { ok: true; job: Job; bytes: NonNullable<DocumentRule["digital"]>["bytes"] } | { ok: false; why: string };

/**
 * The job whose one sheet is the digital version of someone's portrait, cropped as the print is. Its pixels are as few as
 * the rule takes, but for those that come of the print's own proportions.
 */
export function digitalVersion(job: Job, shot: number): DigitalVersion {
  const ticket = peopleTicket(job);
  const person = ticket?.people.find((one) => one.shot === shot);
  if (!ticket || !person) return { ok: false, why: "There is nobody of this number in the job." };
  const rule = ruleFor(ticket, person);
  const { digital, size } = rule;
  if (!digital) return { ok: false, why: "This rule says nothing of a file; print it." };
  const proportion = size.height / size.width;
  const width = Math.max(digital.width.from, Math.ceil((digital.height.from - 0.5) / proportion));
  const height = Math.round(width * proportion);
  if (width > digital.width.to || height > digital.height.to) {
    return {
      ok: false,
      why: `The file is to have other proportions than the print of ${size.width / 1000} × ${size.height / 1000} mm. Make an own rule with a size in the file’s proportions.`,
    };
  }
  return {
    ok: true,
    bytes: digital.bytes,
    job: {
      ...job,
      ticket: {
        ...ticket,
        people: [{ ...person, quantity: 1 }],
        names: false,
        sheets: "packed",
        gap: um(0),
        packing: null,
      },
      sheet: {
        ...job.sheet,
        paper: { name: rule.name, ...size },
        lie: "portrait",
        trim: null,
        margins: NO_EDGES,
      },
      target: { ...job.target, bleed: um(0), ppi: (width * UM_PER_INCH) / size.width },
      finish: { ...job.finish, marks: { ...job.finish.marks, kind: "none" }, outline: null, slack: um(0) },
      cells: {},
      sheets: { order: [], gone: [] },
    },
  };
}

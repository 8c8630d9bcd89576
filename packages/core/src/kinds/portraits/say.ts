import { writeSize } from "../../base/length/index.ts";
import { ruleTitle } from "../../catalogue/rules/index.ts";
import type { Job } from "../../job/index.ts";
import { sayFinish, sayGap, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";
import { quantityOf, ruleFor } from "./people.ts";

/** Put 8 each of 3 people by the rule “Germany, passport”, 35 × 45 mm, on 10 × 15 cm paper, packed … */
export function sayPortraits(job: Job, ticket: TicketOf<"portraits">, words: TicketWords): TicketPart[] {
  const write = writing(job, words);
  const { people } = ticket;
  const even = people.every(({ quantity }) => quantity === null || quantity === ticket.copies);
  const pieces = people.reduce((sum, someone) => sum + quantityOf(job, ticket, someone), 0);
  const each = { fit: "as many as fit on a sheet", rule: "as many as the rule asks for" };
  const copies = typeof ticket.copies === "number" ? `${ticket.copies} each` : each[ticket.copies];
  const lie = { most: "turned to hold the most", portrait: "upright", landscape: "on its side" }[
    job.sheet.lie
  ];
  const rule = ruleFor(ticket, undefined);
  const others = new Set(people.map((someone) => ruleFor(ticket, someone).id).filter((id) => id !== rule.id))
    .size;
  return [
    { text: "Put " },
    { control: "perPerson", text: even ? copies : `${pieces} pieces` },
    { text: " of " },
    { control: "people", text: people.length === 1 ? "one person" : `${people.length} people` },
    { text: " by the rule " },
    { control: "rule", text: ruleTitle(rule) },
    { text: ", " },
    { text: writeSize(rule.size, write) },
    { text: `${others > 0 ? `, and ${others} other ${others === 1 ? "rule" : "rules"}` : ""}, on ` },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: lie },
    { text: ", " },
    {
      control: "personSheets",
      text: ticket.sheets === "packed" ? "packed together" : "sheets of their own for each",
    },
    { text: ", " },
    { control: "names", text: ticket.names ? "with names" : "without names" },
    { text: ", " },
    ...sayGap(job, write),
    { text: " and " },
    { control: "place", text: ticket.place === "centred" ? "centred" : `at the ${ticket.place}` },
    ...sayInside(job, write),
    { text: ", to be freed by " },
    { control: "cuts", text: ticket.cuts === "straight" ? "straight cuts" : "cuts of any kind" },
    ...sayFinish(job, words),
  ];
}

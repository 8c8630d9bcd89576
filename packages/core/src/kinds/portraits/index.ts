import { ruleById } from "../../catalogue/rules/index.ts";
import { numberedShot } from "../../schema/index.ts";
import { kind } from "../kind.ts";
import { layOutPortraits, portraitsQuestion } from "./layout.ts";
import { owners, ruleFor, showIn, showInAll, withoutPhoto, withPhotos } from "./people.ts";
import { sayPortraits } from "./say.ts";

/** Document photos: one person or many, each by a rule. */
export const portraits = kind({
  name: "portraits",
  title: "Document photos",
  about: "One person or many, each head measured against the rule of the office that wants the photo.",
  takes: "Each is somebody, whose head is found and placed by the rule.",
  paper: { id: "photo-10x15", letter: "photo-10x15" },
  marks: "corner ticks",
  fresh: ({ gap, letter }) => {
    const rule = ruleById(letter ? "us-passport" : "icao-portrait");
    return {
      kind: "portraits",
      rule: rule.id,
      rules: [rule],
      copies: letter ? 4 : 8,
      people: [],
      names: false,
      sheets: "packed",
      gap,
      place: "centred",
      cuts: "straight",
      packing: null,
    };
  },
  layOut: (job, ticket) => layOutPortraits(job, ticket),
  say: sayPortraits,
  packing: (job, ticket) => (ticket.sheets === "packed" ? portraitsQuestion(job, ticket) : null),
  ruleOf: (ticket, shot) => {
    const someone = ticket.people.find((one) => numberedShot(one.shot) === shot);
    return someone ? ruleFor(ticket, someone) : null;
  },
  withPhotos,
  withoutPhoto,
  showInAll,
  showIn,
  withoutPhotos: (ticket) => ({ ...ticket, people: [], packing: null }),
  followsStash: () => false,
  sizedByRule: true,
  liesBest: "Turned to hold the most",
  leftOver: () => ({
    way: "Give them to somebody on the page “People”, or take them out of the job.",
  }),
  owners,
});

export { newPerson, peopleTicket, personName, quantityOf, ruleFor, withPhoto } from "./people.ts";
export { COLUMN_WORDS, type ListColumn, type ListMap } from "./columns.ts";
export { readPeople, type ListedPerson, type PeopleReading } from "./list.ts";

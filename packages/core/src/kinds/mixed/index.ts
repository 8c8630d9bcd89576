import { inch } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { layOutMixed, mixedQuestion } from "./layout.ts";
import { sayMixed } from "./say.ts";

export const mixed = kind({
  name: "mixed",
  title: "Mixed sizes",
  about:
    "Several sizes and numbers at once, packed on as few sheets as can be found, or for the lowest price.",
  takes: "The first one goes into all pieces; the ticket takes others.",
  paper: { id: "a4", letter: "letter" },
  marks: "corner ticks",
  fresh: ({ gap }) => ({
    kind: "mixed",
    pieces: [
      { shot: 1, width: inch(4), height: inch(6), quantity: 2, mayTurn: true, photo: null, order: 1 },
      { shot: 2, width: inch(2.5), height: inch(3.5), quantity: 4, mayTurn: true, photo: null, order: 1 },
    ],
    papers: [],
    gap,
    place: "centred",
    cuts: "straight",
    aim: "sheets",
    packing: null,
  }),
  layOut: layOutMixed,
  say: sayMixed,
  packing: (job, ticket, photos) => mixedQuestion(job, ticket, photos),
  withoutPhoto: (ticket, photo, to) => ({
    ...ticket,
    pieces: ticket.pieces.map((line) =>
      line.photo === photo.id ? { ...line, photo: to?.id ?? null } : line,
    ),
  }),
  // The lines of one photo wait for one, in the order in which the photos lie.
  withoutPhotos: (ticket, stash) => {
    const chosen = stash.filter(({ id }) => ticket.pieces.some(({ photo }) => photo === id));
    return {
      ...ticket,
      pieces: ticket.pieces.map((line) => {
        const at = chosen.findIndex(({ id }) => id === line.photo);
        return { ...line, photo: null, order: at === -1 ? line.order : at + 1 };
      }),
      packing: null,
    };
  },
  followsStash: () => false,
  noSheet: (_job, { pieces }) =>
    pieces.length > 0
      ? null
      : [
          {
            rule: "nothing-fits",
            level: "wrong",
            sentence: "There are no pieces in the ticket yet. Add a size to it and say how many.",
          },
        ],
  leftOver: () => ({ way: "Choose them in the lines of the ticket, or drop them on a cell." }),
  onOnePaper: (ticket) => ({ ...ticket, papers: [] }),
  showInAll: ({ pieces }, { id }) => ({ pieces: pieces.map((line) => ({ ...line, photo: id })) }),
});

export { heightOf } from "./layout.ts";

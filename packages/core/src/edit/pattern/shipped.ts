import { USUAL_PRESS } from "../../catalogue/press/index.ts";
import { paperById } from "../../catalogue/paper/index.ts";
import { freshJob, STRIP_LAYOUTS, type StripLayout, type TicketOf } from "../../kinds/index.ts";
import { applyEdit } from "../apply.ts";
import type { JobEdit } from "../schema.ts";
import type { Pattern } from "./pattern.ts";

/** A pattern that comes with the program, under a name of its own in addresses. */
export interface ShippedPattern extends Pattern {
  id: string;
}

/** Divides strips another way: page, shots and what is behind them; the words stay, in a colour that is read on it. */
export function stripEdits(
  { page, ticket, ground }: StripLayout,
  words: TicketOf<"strips">["words"],
): JobEdit[] {
  const { name, width, height } = paperById(page.paper);
  const colour = ground?.words ?? INK;
  return [
    { do: "ticket", change: { ...ticket, words: { ...words, type: { ...words.type, colour } } } },
    { do: "sheet", change: { paper: { name, width, height }, lie: page.lie } },
    // A whole card is a sheet; strips are cut from one.
    { do: "impose", change: { way: page.paper === "strip" ? "several" : "one" } },
    {
      do: "ground",
      ground: ground && { kind: "gradient", top: ground.top, bottom: ground.bottom },
    },
  ];
}

const INK = "#20242c";

/**
 * Guests wait for a strip: weighing photos by light takes twice as long as all the rest of it, and a printer that cuts saves
 * whoever would.
 */
const QUICK: JobEdit = {
  do: "target",
  change: { light: false, print: { ...USUAL_PRESS.print, cuts: true } },
};

/** The patterns that come with the program: a folder of strips and cards. */
export const SHIPPED_PATTERNS: readonly ShippedPattern[] = STRIP_LAYOUTS.map((layout) => {
  const fresh = freshJob("strips", layout.name);
  const { words } = fresh.ticket as TicketOf<"strips">;
  return {
    id: `ships-${layout.name.toLowerCase().replace(/[^a-z]+/g, "-")}`,
    name: layout.name,
    folder: "Strips and cards",
    targets: [],
    job: [...stripEdits(layout, words), QUICK].reduce(applyEdit, fresh),
  };
});

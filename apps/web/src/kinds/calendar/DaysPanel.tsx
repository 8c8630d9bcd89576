import { DesignFields } from "../../calendar/DesignFields.tsx";
import { panelOf } from "../panel.tsx";

/** How days are set. */
export const DaysPanel = panelOf("calendar", ({ job, ticket, set }) => (
  <DesignFields job={job} month={ticket.first} style={ticket.style} own={ticket.own} set={set} />
));

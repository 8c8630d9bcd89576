import type { Control, Job, JobEdit, Kind, TicketChange, TicketOf } from "@wide-quilt/core";
import type { ComponentType } from "react";
import type { Side } from "../table/view.ts";
import type { Words } from "../words/words.ts";

/** What every panel of the ticket is given. */
export interface PanelProps {
  job: Job;
  words: Words;
  /** Changes the job; edits of one gesture are undone together. */
  change(edit: JobEdit, gesture?: string): void;
}

/** A control of the ticket: what opens where an underlined part is chosen. */
export interface TicketPanel {
  title: string;
  Panel: ComponentType<PanelProps>;
  wide?: boolean;
}

/** A part of the ticket that is set in the column beside the sheet, where it can be seen meanwhile. */
export interface TicketSide {
  title: string;
  opensSide: Side;
}

/** Panels by the names that tickets give their controls. */
export type Panels = Partial<Record<Control, TicketPanel>>;

/** What a panel is given that belongs to the ticket of one kind. */
export interface KindPanelProps<K extends Kind> extends PanelProps {
  ticket: TicketOf<K>;
  /** Changes parts of this ticket. */
  set(change: Partial<Omit<TicketOf<K>, "kind">>, gesture?: string): void;
}

/** A panel for one kind of job: only its tickets have the control that opens it. */
export const panelOf =
  <K extends Kind>(kind: K, Panel: ComponentType<KindPanelProps<K>>): ComponentType<PanelProps> =>
  (props) => {
    const { ticket } = props.job;
    if (ticket.kind !== kind) return null;
    return (
      <Panel
        {...props}
        ticket={ticket as TicketOf<K>}
        set={(change, gesture) => props.change({ do: "ticket", change: change as TicketChange }, gesture)}
      />
    );
  };

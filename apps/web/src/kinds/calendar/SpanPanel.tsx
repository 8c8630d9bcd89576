import { CALENDAR_PRODUCTS, type TicketChange, type TicketOf } from "@wide-quilt/core";
import { newId } from "../../app/ids.ts";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { panelOf } from "../panel.tsx";

const SPANS: { value: TicketOf<"calendar">["span"]; text: string }[] = [
  { value: "week", text: "A week" },
  { value: "month", text: "A month" },
  { value: "two months", text: "Two months" },
  { value: "quarter", text: "A quarter" },
  { value: "half year", text: "Half a year" },
  { value: "year", text: "A year" },
];

/** What a page shows, and what a calendar can begin as; photos, months and days stay. */
export const SpanPanel = panelOf("calendar", ({ ticket, set, change }) => (
  <div className="grid grid-cols-[150px_1fr] gap-4">
    <ChoiceList
      label="What a page shows"
      value={ticket.span}
      onChange={(span) => set({ span })}
      choices={SPANS}
    />
    <section aria-label="Calendars to begin with" className="flex flex-col gap-0.5 border-l border-line pl-3">
      <p className="px-2 pb-1 text-[12.5px] text-ink-2">Or all of it at once, its page and sheets too:</p>
      {CALENDAR_PRODUCTS.map((product) => (
        <button
          key={product.name}
          type="button"
          className="rounded-md px-2 py-1 text-left text-[13px] hover:bg-chrome"
          onClick={() => {
            const gesture = newId();
            change({ do: "sheet", change: { paper: product.paper, lie: "most", trim: null } }, gesture);
            change({ do: "ticket", change: product.ticket as TicketChange }, gesture);
            change({ do: "impose", change: product.impose }, gesture);
          }}
        >
          {product.name}
          <span className="block text-[12px] text-ink-2">{product.about}</span>
        </button>
      ))}
    </section>
  </div>
));

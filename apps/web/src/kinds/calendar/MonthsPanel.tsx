import {
  CALENDAR_LIMITS,
  inYear,
  monthOf,
  calendarPages,
  readMonth,
  writeMonth,
  type TicketOf,
} from "@wide-quilt/core";
import { CalendarPlus, CalendarSync, CopyPlus, Rss } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { address, server } from "../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { useDoing } from "../../app/useDoing.ts";
import { renewDays } from "../../calendar/bringDays.ts";
import { MonthFields } from "../../calendar/MonthFields.tsx";
import { useSources } from "../../calendar/useSources.ts";
import { selectSheet } from "../../table/sheets.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";
import { panelOf } from "../panel.tsx";

/** Which months are shown; the same for the year after. */
export const MonthsPanel = panelOf("calendar", ({ job, ticket, set }) => {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const doing = useDoing();
  const id = useAppSelector((state) => state.openJob.id);
  const { busy, said, bring } = useSources();
  const { year } = inYear(readMonth(ticket.first)!);
  const months = calendarPages(job, ticket).filter(({ of }) => of.span !== "week");
  const seen = useAppSelector((state) => selectSheet(state)?.id);
  const [chosen, setChosen] = useState<string | null>(null);
  // The one on the table, as long as no other is chosen.
  const alone =
    (months.find(({ name }) => name === chosen) ?? months.find(({ name }) => name === seen) ?? months[0])
      ?.name ?? "";
  // Holidays and what else was worked out follow the months.
  const show = (change: Partial<TicketOf<"calendar">>, gesture?: string) => {
    set(change, gesture);
    void bring(renewDays);
  };
  const startNext = () =>
    doing(async () => {
      const { id: next, said } = await server.nextYear(id!);
      await navigate(`/jobs/${next}`);
      for (const sentence of said) dispatch(noticed(sentence, "wrong"));
    });
  return (
    <div className="flex flex-col gap-3">
      <MonthFields label="First month" value={ticket.first} onChange={(first, g) => show({ first }, g)} />
      <NumberField
        label="How many months"
        value={ticket.months}
        {...CALENDAR_LIMITS.months}
        whole
        onChange={(months, g) => show({ months }, g)}
      />
      <button
        type="button"
        className={`${button.plain} self-start`}
        onClick={() => show({ first: writeMonth(monthOf(year, 1)), months: 12 })}
      >
        <CalendarPlus size={14} aria-hidden /> All of {year}
      </button>
      <p role="status" className="text-[12.5px] text-ink-2">
        {busy ? "Holidays and other days are worked out anew …" : said.join(" ")}
      </p>
      {months.length > 1 && (
        <div className="flex flex-col gap-2 border-t border-line pt-3">
          <p className="text-[12.5px] text-ink-2">
            A month that is to be printed once more: a job of its own, with its photos as they sit.
          </p>
          <div className="flex items-end gap-2">
            <SelectField
              label="The page"
              value={alone}
              choices={months.map(({ name, title }) => ({ value: name, text: title.replace(/^\S+ /, "") }))}
              onChange={setChosen}
            />
            <button
              type="button"
              className={button.plain}
              onClick={() =>
                doing(() => server.oneMonth(id!, alone).then((made) => navigate(`/jobs/${made.id}`)))
              }
            >
              <CopyPlus size={14} aria-hidden /> Make it alone
            </button>
          </div>
        </div>
      )}
      <div className="flex flex-col gap-2 border-t border-line pt-3">
        <p className="text-[12.5px] text-ink-2">
          The same again for the year after: a job of its own, its days worked out, waiting for photos.
        </p>
        <button type="button" className={`${button.plain} self-start`} onClick={() => void startNext()}>
          <CalendarSync size={14} aria-hidden /> Make next year’s
        </button>
        {id && (
          <a className={`${button.plain} self-start`} href={address.calendar(id)} download>
            <Rss size={14} aria-hidden /> Its days as a file (.ics)
          </a>
        )}
      </div>
    </div>
  );
});

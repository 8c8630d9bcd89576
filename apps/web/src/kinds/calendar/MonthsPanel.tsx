import { CALENDAR_LIMITS, inYear, monthOf, readMonth, writeMonth, type TicketOf } from "@wide-quilt/core";
import { CalendarPlus, CalendarSync, Rss } from "lucide-react";
import { useNavigate } from "react-router";
import { address, server } from "../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { useDoing } from "../../app/useDoing.ts";
import { renewDays } from "../../calendar/bringDays.ts";
import { MonthFields } from "../../calendar/MonthFields.tsx";
import { useSources } from "../../calendar/useSources.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { button } from "../../ui/button.ts";
import { panelOf } from "../panel.tsx";

/** Which months are shown; the same for the year after. */
export const MonthsPanel = panelOf("calendar", ({ ticket, set }) => {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const doing = useDoing();
  const id = useAppSelector((state) => state.openJob.id);
  const { busy, said, bring } = useSources();
  const { year } = inYear(readMonth(ticket.first)!);
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

import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { kindOf, layOut, type Control, type JobEdit, type TicketPart } from "@wide-quilt/core";
import {
  createContext,
  Fragment,
  memo,
  use,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ComponentProps,
  type MouseEvent,
} from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectTicketJob } from "../../../table/sheets.ts";
import { covering, sideTurned } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { PANELS } from "./panels/index.ts";

/** What the ticket says now: its parts look their words up here, so that only those are drawn anew that changed. */
const Said = createContext<ReadonlyMap<Control, Part>>(new Map());
type Part = Extract<TicketPart, { control: Control }>;

/** The sentence that says the whole sheet. Every underlined part opens a small panel right there. */
export function Ticket() {
  const job = useAppSelector(selectTicketJob);
  const words = useWords(job?.target.ppi);
  const photos = useAppSelector((state) => state.openJob.photos);
  const sums = useMemo(() => (job ? layOut(job, photos).sums : null), [job, photos]);
  if (!job || !sums) return null;
  const parts = kindOf(job).say(job, words, sums);
  return (
    <Said value={new Map(parts.flatMap((part) => ("control" in part ? [[part.control, part]] : [])))}>
      <p className="max-w-[1480px] text-[20px] leading-[1.62] tracking-[-0.005em] text-ink-2">
        {parts.map((part, i) =>
          "control" in part ? (
            <Control key={part.control} control={part.control} />
          ) : (
            <Fragment key={i}>{part.text}</Fragment>
          ),
        )}
      </p>
    </Said>
  );
}

/** One underlined part, with the panel that it opens. */
const Control = memo(function Control({ control }: { control: Control }) {
  const dispatch = useAppDispatch();
  const [place, setPlace] = useState({ gap: ROOM, offset: 0 });
  const panel = PANELS[control];
  if (!panel) throw new Error(`The ticket has a control “${control}” without a panel`);
  const { title } = panel;
  if ("opensSide" in panel) {
    return (
      <PartButton control={control} title={title} onClick={() => dispatch(sideTurned(panel.opensSide))} />
    );
  }
  const { wide } = panel;
  return (
    <Popover as="span">
      <PopoverButton
        as={PartButton}
        control={control}
        title={title}
        onClick={({ currentTarget: part }: MouseEvent<HTMLElement>) =>
          setPlace({ gap: roomBelow(part), offset: besideSheet(part, wide ? WIDE : USUAL) })
        }
      />
      <PopoverPanel
        focus
        anchor={{ to: "bottom start", ...place, padding: EDGE }}
        role="dialog"
        aria-label={title}
        className={`z-30 rounded-xl border border-line bg-white p-3.5 text-[14px] tracking-normal text-ink shadow-xl ${wide ? "w-[440px]" : "w-[320px]"}`}
      >
        <p className="mb-2.5 text-[13px] font-semibold">{title}</p>
        <OpenPanel control={control} />
      </PopoverPanel>
    </Popover>
  );
});

/** The words of a part, to press. */
function PartButton({
  control,
  title,
  ...button
}: ComponentProps<"button"> & { control: Control; title: string }) {
  const { text, measure } = use(Said).get(control)!;
  return (
    <button
      type="button"
      {...button}
      title={title}
      aria-label={`${title}: ${text}`}
      className={`inline rounded-[3px] px-px font-semibold text-accent underline decoration-[1.5px] underline-offset-[5px] hover:bg-accent-soft data-open:rounded-[5px] data-open:bg-accent-soft data-open:no-underline data-open:outline-[1.5px] data-open:outline-accent ${measure ? "measure" : ""}`}
    >
      {text}
    </button>
  );
}

/** Between the ticket and an open panel, in CSS pixels. */
const ROOM = 6;

/** How far below a part its panel opens: under the whole ticket, so that the sums stay in sight while one tries. */
function roomBelow(part: Element): number {
  const ticket = part.closest("section");
  return ticket ? ticket.getBoundingClientRect().bottom - part.getBoundingClientRect().bottom + ROOM : ROOM;
}

/** How wide panels are, and how far from the window’s edge they stay, in CSS pixels. */
const USUAL = 320;
const WIDE = 440;
const EDGE = 12;
/** So much of the table is left to the sheet that a panel changes, where the window is wide enough. */
const LEFT = 420;

/**
 * How far beside its part a panel opens: right below it where one side of the table stays free, otherwise moved to where it
 * does, so that the sheet can make room for it.
 *
 *     ┌ photos ┬ table ───────────┬ cell ─┐
 *     │     ┌──┴───┐      ┌───────┴──┐    │
 *     │     │ here │  or  │   here   │    │
 */
function besideSheet(part: Element, width: number): number {
  const table = document.querySelector("section[aria-label=Table]")?.getBoundingClientRect();
  if (!table) return 0;
  const own = part.getBoundingClientRect().left;
  const atLeft = Math.max(EDGE, table.right - LEFT - width);
  const atRight = Math.min(window.innerWidth - EDGE - width, table.left + LEFT);
  if (own <= atLeft || own >= atRight) return 0;
  return (own - atLeft < atRight - own ? atLeft : atRight) - own;
}

/** What an open part shows, with the job as it is. */
function OpenPanel({ control }: { control: Control }) {
  const job = useAppSelector(selectTicketJob);
  const words = useWords(job?.target.ppi);
  const dispatch = useAppDispatch();
  const panel = PANELS[control];
  const change = (next: JobEdit, gesture?: string) => void dispatch(edit(next, gesture));
  const content = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // A panel is brought to its place once it is there.
    const look = () => {
      const box = content.current?.closest("[role=dialog]")?.getBoundingClientRect();
      if (box) dispatch(covering({ from: Math.round(box.left), to: Math.round(box.right) }));
    };
    const frame = requestAnimationFrame(() => requestAnimationFrame(look));
    return () => {
      cancelAnimationFrame(frame);
      dispatch(covering(null));
    };
  }, [dispatch]);
  return (
    <div ref={content}>
      {job && "Panel" in panel && <panel.Panel job={job} words={words} change={change} />}
    </div>
  );
}

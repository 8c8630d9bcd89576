import { useState } from "react";
import type { TicketOf } from "@wide-quilt/core";
import { address, server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { panelOf, type KindPanelProps } from "../panel.tsx";
import { ABOUT_ART, BringArt } from "./BringArt.tsx";

type Props = KindPanelProps<"artwork">;
type Windows = TicketOf<"artwork">["windows"];

/** The artwork in front of the photos: its file, its windows and their order. */
export const ArtPanel = panelOf("artwork", (props) => {
  const { job, ticket, change } = props;
  return (
    <div className="flex flex-col gap-3">
      {ticket.art && <Numbering {...props} art={ticket.art} />}
      <div className="flex flex-wrap items-center gap-2">
        <BringArt job={job} change={change} />
      </div>
      {!ticket.art && <p className="text-[12.5px] text-ink-2">{ABOUT_ART}</p>}
      {ticket.art && <SearchFields {...props} art={ticket.art} />}
    </div>
  );
});

type WithArt = Props & { art: NonNullable<TicketOf<"artwork">["art"]> };

/** The artwork in small with its windows, numbered as photos come to them: chosen one after the other they are numbered anew. */
function Numbering({ art, ticket, set }: WithArt) {
  const { windows } = ticket;
  const [chosen, setChosen] = useState(0);
  const choose = (at: number) => {
    const done = chosen >= windows.length - 1 ? 0 : chosen;
    if (at < done) return;
    const next = [...windows];
    const [one] = next.splice(at, 1);
    next.splice(done, 0, one!);
    set({ windows: next });
    setChosen(done + 1);
  };
  const size = Math.max(art.width, art.height) / 16;
  const isOver = chosen >= windows.length - 1;
  return (
    <div className="flex flex-col gap-1.5">
      <svg
        viewBox={`0 0 ${art.width} ${art.height}`}
        className="max-h-[min(18rem,34vh)] w-full rounded-md border border-line bg-table"
        role="group"
        aria-label={`Windows of ${art.name}`}
      >
        <image href={address.graphic(art.file)} width={art.width} height={art.height} />
        {windows.map((one, i) => (
          <WindowMark
            key={`${one.x} ${one.y}`}
            window={one}
            number={i + 1}
            size={size}
            isNumbered={!isOver && i < chosen}
            onChoose={() => choose(i)}
          />
        ))}
      </svg>
      {windows.length > 1 && (
        <p className="text-[12.5px] text-ink-2" aria-live="polite">
          {isOver || chosen === 0
            ? "The numbers are the order in which photos come. Choose the windows one after the other for another order."
            : `Now the window that is to be ${chosen + 1}.`}
        </p>
      )}
    </div>
  );
}

interface MarkProps {
  window: Windows[number];
  number: number;
  /** Height of the number, in pixels of the artwork. */
  size: number;
  /** Whether its number was just given. */
  isNumbered: boolean;
  onChoose(): void;
}

function WindowMark({ window: one, number, size, isNumbered, onChoose }: MarkProps) {
  const [cx, cy] = [one.x + one.width / 2, one.y + one.height / 2];
  const colours = isNumbered ? "fill-ok stroke-ok" : "fill-accent stroke-accent";
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Window ${number}`}
      className="group cursor-pointer outline-none"
      onClick={onChoose}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        onChoose();
      }}
    >
      <g className={colours} strokeWidth={size / 12} fillOpacity={0.12}>
        {one.outline.length > 0 ? (
          <polygon points={one.outline.join(" ")} />
        ) : (
          <rect
            {...rectOf(one)}
            transform={one.angle === 0 ? undefined : `rotate(${one.angle} ${cx} ${cy})`}
          />
        )}
      </g>
      <circle
        cx={cx}
        cy={cy}
        r={size * 0.85}
        className={`${isNumbered ? "fill-ok" : "fill-accent"} group-focus-visible:stroke-ink`}
        strokeWidth={size / 5}
      />
      <text
        x={cx}
        y={cy}
        fontSize={size}
        textAnchor="middle"
        dominantBaseline="central"
        className="fill-white font-semibold"
      >
        {number}
      </text>
    </g>
  );
}

const rectOf = ({ x, y, width, height }: Windows[number]) => ({ x, y, width, height });

/** How windows are looked for: looked for anew where that is changed. */
function SearchFields({ art, set }: WithArt) {
  const dispatch = useAppDispatch();
  const [search, setSearch] = useState({ opaque: 50, least: 0 });
  const look = async (next: typeof search) => {
    setSearch(next);
    try {
      const threshold = Math.max(1, Math.round((next.opaque / 100) * 255));
      const { windows } = await server.findWindows(art.file, {
        threshold,
        ...(next.least > 0 && { least: next.least }),
      });
      set({ windows });
      dispatch(noticed(`${windows.length} ${windows.length === 1 ? "window" : "windows"} found.`));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  return (
    <div className="grid grid-cols-2 gap-2 border-t border-line pt-3">
      <NumberField
        label="A window is less opaque than, %"
        value={search.opaque}
        least={1}
        most={99}
        whole
        onChange={(opaque) => void look({ ...search, opaque })}
      />
      <NumberField
        label="and larger than, px (0: usual)"
        value={search.least}
        least={0}
        most={10_000}
        whole
        onChange={(least) => void look({ ...search, least })}
      />
    </div>
  );
}

import {
  arrange,
  SHIPPED_PATTERNS,
  shotsOf,
  STRIP_LAYOUTS,
  STRIP_LIMITS,
  stripEdits,
  type StripLayout,
  type TicketOf,
} from "@wide-quilt/core";
import { Minus, Plus } from "lucide-react";
import { useMemo } from "react";
import { newId } from "../../app/ids.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { button } from "../../ui/button.ts";
import { AddOrRemove } from "../AddOrRemove.tsx";
import { panelOf, type KindPanelProps } from "../panel.tsx";

type Props = KindPanelProps<"strips">;
type StripsTicket = TicketOf<"strips">;

/** The shots of a page: a layout that ships, or rows and columns of one’s own, and which shots lie askew. */
export const StripPanel = panelOf("strips", (props) => {
  const { ticket, change, set } = props;
  const choose = (layout: StripLayout) => {
    const gesture = newId();
    for (const edit of stripEdits(layout, ticket.words)) change(edit, gesture);
  };
  return (
    <div className="flex flex-col gap-3">
      <ul className="grid grid-cols-7 gap-1.5">
        {STRIP_LAYOUTS.map((layout) => (
          <li key={layout.name}>
            <LayoutButton layout={layout} isChosen={isOf(ticket, layout)} onChoose={() => choose(layout)} />
          </li>
        ))}
      </ul>
      {ticket.stand ? (
        <div className="flex flex-col items-start gap-2 border-t border-line pt-3">
          <p className="text-[12.5px] text-ink-2">
            The shots and the words stand where they came to from another page, so that they go with what lies
            behind and over them. Their sizes are not solved from this page.
          </p>
          <button type="button" className={button.plain} onClick={() => set({ stand: null })}>
            Solve them for this page
          </button>
        </div>
      ) : (
        <>
          <Lines {...props} />
          <Tilts {...props} />
        </>
      )}
    </div>
  );
});

const isOf = (ticket: StripsTicket, { ticket: own }: StripLayout): boolean =>
  ticket.stand === null &&
  ticket.along === own.along &&
  JSON.stringify(ticket.lines) === JSON.stringify(own.lines) &&
  JSON.stringify(ticket.tilts) === JSON.stringify(own.tilts) &&
  ticket.roomAt === own.roomAt;

function LayoutButton({
  layout: { name },
  isChosen,
  onChoose,
}: {
  layout: StripLayout;
  isChosen: boolean;
  onChoose(): void;
}) {
  const plan = useMemo(() => {
    const pattern = SHIPPED_PATTERNS.find((one) => one.name === name);
    return pattern && arrange(pattern.job, {})[0];
  }, [name]);
  return (
    <button
      type="button"
      aria-label={name}
      aria-pressed={isChosen}
      title={name}
      className="flex h-[72px] w-full items-center justify-center rounded-md border border-line bg-table p-1.5 hover:border-accent aria-pressed:border-accent aria-pressed:ring-2 aria-pressed:ring-accent"
      onClick={onChoose}
    >
      {plan && (
        <SheetPicture
          plan={plan}
          cellsAs="places"
          photo={() => ""}
          className="max-h-full max-w-full bg-white"
        />
      )}
    </button>
  );
}

/** Rows or columns: how many shots each has, and how thick it is. */
function Lines({ ticket, set }: Props) {
  const { lines, along } = ticket;
  const one = along === "rows" ? "row" : "column";
  const put = (at: number, change: Partial<StripsTicket["lines"][number]>, gesture?: string) =>
    set({ lines: lines.map((line, i) => (i === at ? { ...line, ...change } : line)) }, gesture);
  return (
    <div className="flex flex-col gap-2 border-t border-line pt-3">
      <Segments
        label="Rows or columns"
        value={along}
        onChange={(next) => set({ along: next })}
        choices={[
          { value: "rows", text: "Rows" },
          { value: "columns", text: "Columns" },
        ]}
      />
      <ol className="flex max-h-64 flex-col gap-1.5 overflow-y-auto">
        {lines.map((line, i) => (
          <li key={i} className="grid grid-cols-[5.5rem_1fr_1fr] items-end gap-2 text-[13px]">
            <span className="pb-2 text-ink-2">
              {one} {i + 1}
            </span>
            <NumberField
              label={i === 0 ? "Shots" : `Shots of ${one} ${i + 1}`}
              value={line.cells}
              {...STRIP_LIMITS.lines}
              whole
              onChange={(cells, g) => put(i, { cells }, g)}
            />
            <NumberField
              label={i === 0 ? "Share" : `Share of ${one} ${i + 1}`}
              value={line.share}
              {...STRIP_LIMITS.share}
              onChange={(share, g) => put(i, { share }, g)}
            />
          </li>
        ))}
      </ol>
      <AddOrRemove
        one={one}
        mayAdd={lines.length < STRIP_LIMITS.lines.most}
        mayRemove={lines.length > 1}
        onAdd={() => set({ lines: [...lines, lines.at(-1)!] })}
        onRemove={() => set({ lines: lines.slice(0, -1) })}
      />
    </div>
  );
}

/** Shots that lie askew over the others. */
function Tilts({ ticket, set }: Props) {
  const { tilts } = ticket;
  const shots = shotsOf(ticket);
  const free = Array.from({ length: shots }, (_, i) => i + 1).find(
    (shot) => !tilts.some((tilt) => tilt.shot === shot),
  );
  const put = (at: number, change: Partial<StripsTicket["tilts"][number]>, gesture?: string) =>
    set({ tilts: tilts.map((tilt, i) => (i === at ? { ...tilt, ...change } : tilt)) }, gesture);
  return (
    <div className="flex flex-col gap-2 border-t border-line pt-3">
      {tilts.map((tilt, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
          <NumberField
            label="Askew: shot"
            value={tilt.shot}
            least={1}
            most={shots}
            whole
            onChange={(shot, g) => put(i, { shot }, g)}
          />
          <NumberField
            label="Degrees clockwise"
            value={tilt.angle}
            {...STRIP_LIMITS.angle}
            onChange={(angle, g) => put(i, { angle }, g)}
          />
          <NumberField
            label="Times its size"
            value={tilt.size}
            {...STRIP_LIMITS.size}
            onChange={(size, g) => put(i, { size }, g)}
          />
          <button
            type="button"
            aria-label={`Straighten shot ${tilt.shot}`}
            title="Straighten it"
            className="mb-0.5 rounded-md border border-edge p-2 text-ink-2 hover:border-accent hover:text-accent"
            onClick={() => set({ tilts: tilts.filter((_, k) => k !== i) })}
          >
            <Minus size={15} aria-hidden />
          </button>
        </div>
      ))}
      {free !== undefined && tilts.length < STRIP_LIMITS.lines.most && (
        <div>
          <button
            type="button"
            className={button.plain}
            onClick={() => set({ tilts: [...tilts, { shot: free, angle: -6, size: 1.05 }] })}
          >
            <Plus size={14} aria-hidden /> Lay a shot askew
          </button>
        </div>
      )}
    </div>
  );
}

import { layOut, LIMITS, PRINT_SIZES, type Job, type Size, type TicketOf } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { OwnSizes } from "../../views/table/ticket/panels/OwnSizes.tsx";
import { SizeFields } from "../../views/table/ticket/panels/SizeFields.tsx";
import { panelOf } from "../panel.tsx";

const GROUPS = [...new Set(PRINT_SIZES.map(({ group }) => group))];

const same = (a: Size | null, b: Size | null) =>
  a !== null && b !== null && a.width === b.width && a.height === b.height;

/** The finished size of a piece: typed, or one of those that are often asked for. */
export const SizePanel = panelOf("copies", ({ job, ticket, words, set }) => {
  const { size } = ticket;
  const choose = ({ width, height }: Size, gesture?: string) => set({ size: { width, height } }, gesture);
  return (
    <div className="flex flex-col gap-3">
      <SizeFields size={size} range={LIMITS.piece} words={words} onChange={choose} />
      <div className="max-h-72 overflow-y-auto">
        <OwnSizes size={size} words={words} onChoose={choose} />
        {GROUPS.map((group) => (
          <section key={group}>
            <h3 className="mt-2 mb-1 px-2 text-[12px] text-ink-3">{group}</h3>
            <ChoiceList
              label={group}
              by={same}
              value={size}
              onChange={choose}
              choices={PRINT_SIZES.filter((known) => known.group === group).map(
                ({ name, width, height }) => ({
                  value: { width, height } as Size,
                  text: <span className="measure">{name}</span>,
                  aside: `${pieces(job, ticket, { width, height })} a sheet`,
                }),
              )}
            />
          </section>
        ))}
      </div>
    </div>
  );
});

/** How many pieces of another size would stand on a sheet. */
function pieces(job: Job, ticket: TicketOf<"copies">, size: Size): number {
  const turnPieces = ticket.turnPieces === "each" ? "all" : ticket.turnPieces;
  return layOut({ ...job, ticket: { ...ticket, size, turnPieces } }, {}).sums.mostPerSheet;
}

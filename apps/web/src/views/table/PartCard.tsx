import type { PagePart, SheetPlan } from "@wide-quilt/core";
import { useCallback } from "react";
import { address } from "../../api/client.ts";
import { useAppSelector } from "../../app/hooks.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { selectPrinted } from "../../table/sheets.ts";
import { useWords } from "../../words/words.ts";
import { MakingFields } from "./MakingFields.tsx";

const SIDES = { right: "right", bottom: "below", left: "left", top: "above" } as const;

/** The sheet in hand of pages that are spread: what it shows of them, what the others cover, and how far it is. */
export function PartCard({ sheet }: { sheet: SheetPlan }) {
  const printed = useAppSelector(selectPrinted);
  const shown = sheet.parts.filter(({ scale }) => scale === 1);
  const page = sheet.parts[0]!.page;
  const parts = printed
    .flatMap((other) => other.parts)
    .filter((part) => part.scale === 1 && part.page.id === page.id);
  return (
    <section aria-labelledby="part-card" className="mb-4 border-b border-line pb-4">
      <h2 id="part-card" className="mb-2.5 flex justify-between gap-2 text-[13px] font-semibold">
        {sheet.title === null
          ? `Sheet ${sheet.number}`
          : shown.length === 0
            ? sheet.title
            : `Sheet ${sheet.title}`}
        <span className="font-normal text-ink-3">
          {sheet.number} of {sheet.of}
        </span>
      </h2>
      <Map page={page} parts={parts} current={shown.filter((part) => part.page.id === page.id)} />
      {shown.length === 0 ? (
        <p className="mt-3 text-[12.5px] text-ink-2">
          How its sheets are put together, to be printed with them.
        </p>
      ) : (
        <Facts parts={shown} />
      )}
      <MakingFields sheet={sheet} />
    </section>
  );
}

/** What a sheet shows, and what comes over its strips; of several pieces on a roll, their sizes. */
function Facts({ parts }: { parts: readonly PagePart[] }) {
  const words = useWords(parts[0]!.page.ppi);
  return (
    <dl className="mt-3 text-[12.5px] [&>div]:flex [&>div]:justify-between [&>div]:gap-2 [&>div]:border-b [&>div]:border-line [&>div]:py-1.5">
      {parts.map(({ name, shows, joint, strips }) => [
        <div key={name}>
          <dt>{parts.length === 1 ? "shows" : `${name} shows`}</dt>
          <dd className="measure">{words.size(shows)}</dd>
        </div>,
        // Of many pieces on a roll this would be a list that nobody reads.
        ...(parts.length > 1 ? [] : strips).map(({ side, next, width }) => (
          <div key={`${name} ${side}`}>
            <dt>
              {joint === "glue" ? "covered by" : "meets"} {next}
            </dt>
            <dd className="measure">
              {words.measure(width)} {SIDES[side]}
            </dd>
          </div>
        )),
      ])}
    </dl>
  );
}

interface MapProps {
  page: SheetPlan;
  parts: readonly PagePart[];
  current: readonly PagePart[];
}

/** The page in small, the sheet in hand lit. */
function Map({ page, parts, current }: MapProps) {
  const photo = useCallback((id: string) => address.previewFor(id, MAP), []);
  const share = (value: number, of: number) => `${(100 * value) / of}%`;
  return (
    <div
      aria-hidden
      className="relative overflow-hidden"
      style={{ aspectRatio: `${page.paper.width} / ${page.paper.height}` }}
    >
      <SheetPicture plan={page} photo={photo} className="block h-full w-full" />
      {parts.map(({ name, shows }) => (
        <span
          key={name}
          className={`absolute ${current.some((part) => part.name === name) ? "outline-2 -outline-offset-1 outline-accent" : "border border-white/70 bg-white/45"}`}
          style={{
            left: share(shows.x, page.paper.width),
            top: share(shows.y, page.paper.height),
            width: share(shows.width, page.paper.width),
            height: share(shows.height, page.paper.height),
          }}
        />
      ))}
    </div>
  );
}

/** Pixels along the longer side of the page in small, on a screen of two to the point. */
const MAP = 500;

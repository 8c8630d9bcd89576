import type { PagePart, SheetPlan } from "@wide-quilt/core";
import { useCallback } from "react";
import { address } from "../../api/client.ts";
import { useAppSelector } from "../../app/hooks.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { selectPrinted } from "../../table/sheets.ts";
import { useWords } from "../../words/words.ts";

/** A part of the page, and the sheet that shows it. */
type Shown = SheetPlan & { part: PagePart };

const SIDES = { right: "right", bottom: "below", left: "left", top: "above" } as const;

/** The sheet in hand of a page that is spread: where it hangs, what of it is seen and what the others cover. */
export function PartCard({ sheet }: { sheet: Shown }) {
  const words = useWords(sheet.ppi);
  const printed = useAppSelector(selectPrinted);
  const { part } = sheet;
  const parts = printed.filter((other): other is Shown => other.part?.page.id === part.page.id);
  return (
    <section aria-labelledby="part-card" className="mb-4 border-b border-line pb-4">
      <h2 id="part-card" className="mb-2.5 flex justify-between gap-2 text-[13px] font-semibold">
        Sheet {part.name}
        <span className="font-normal text-ink-3">
          {sheet.number} of {sheet.of}
        </span>
      </h2>
      <Map parts={parts} current={part.name} />
      <dl className="mt-3 text-[12.5px] [&>div]:flex [&>div]:justify-between [&>div]:gap-2 [&>div]:border-b [&>div]:border-line [&>div]:py-1.5">
        <div>
          <dt>shows</dt>
          <dd className="measure">{words.size(part.shows)}</dd>
        </div>
        {part.strips.map(({ side, next, width }) => (
          <div key={side}>
            <dt>
              {part.joint === "glue" ? "covered by" : "meets"} {next}
            </dt>
            <dd className="measure">
              {words.measure(width)} {SIDES[side]}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** The page in small, the sheet in hand lit. */
function Map({ parts, current }: { parts: readonly Shown[]; current: string }) {
  const [first] = parts;
  const photo = useCallback((id: string) => address.previewFor(id, MAP), []);
  if (!first) return null;
  const { page } = first.part;
  const share = (value: number, of: number) => `${(100 * value) / of}%`;
  return (
    <div
      aria-hidden
      className="relative"
      style={{ aspectRatio: `${page.paper.width} / ${page.paper.height}` }}
    >
      <SheetPicture plan={page} photo={photo} className="block h-full w-full" />
      {parts.map(({ part: { name, shows } }) => (
        <span
          key={name}
          className={`absolute ${name === current ? "outline-2 -outline-offset-1 outline-accent" : "border border-white/70 bg-white/45"}`}
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

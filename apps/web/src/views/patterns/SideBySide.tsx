import { arrange, type Job, type Made } from "@wide-quilt/core";
import { useId, useMemo } from "react";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import type { Words } from "../../words/words.ts";

interface Props {
  master: Job;
  /** What the pattern comes to for a target; null for the pattern alone. */
  made: Made | null;
  words: Words;
  title: string;
}

/** The pattern and what it comes to, side by side in one scale, what is cut off of it hatched. */
export function SideBySide({ master, made, words, title }: Props) {
  const own = useMemo(() => arrange(master, {})[0], [master]);
  const other = useMemo(() => (made ? arrange(made.job, {})[0] : undefined), [made]);
  if (!own) return <p className="p-10 text-ink-2">Nothing fits on its page yet.</p>;
  // What is cut off is seen around the other page, so the room is for that too.
  const around = made && other ? boundsWith(made, other.paper) : null;
  const wide = own.paper.width + (around ? around.width : 0);
  const tall = Math.max(own.paper.height, around?.height ?? 0);
  return (
    <div className="flex h-full min-h-0 w-full items-center justify-center gap-[6cqw] [container-type:size]">
      <Page
        title="As it was made"
        plan={own}
        words={words}
        of={{ wide, tall }}
        box={{ x: 0, y: 0, ...own.paper }}
      />
      {made && other && around && (
        <Page title={title} plan={other} words={words} of={{ wide, tall }} box={around} whole={made.whole} />
      )}
    </div>
  );
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The page and what of the whole lies outside it. */
function boundsWith({ whole }: Made, paper: { width: number; height: number }): Box {
  const x = Math.min(0, whole.x);
  const y = Math.min(0, whole.y);
  return {
    x,
    y,
    width: Math.max(paper.width, whole.x + whole.width) - x,
    height: Math.max(paper.height, whole.y + whole.height) - y,
  };
}

interface PageProps {
  title: string;
  plan: NonNullable<ReturnType<typeof arrange>[0]>;
  words: Words;
  /** What both take together: the scale is the largest that has room for both. */
  of: { wide: number; tall: number };
  box: Box;
  whole?: Box;
}

function Page({ title, plan, words, of, box, whole }: PageProps) {
  const id = useId();
  const { paper, pixels } = plan;
  const label = `${words.size(paper)}, ${words.number(pixels.width)}\u00a0×\u00a0${words.number(pixels.height)}\u00a0px`;
  return (
    <figure className="flex flex-col items-center gap-3">
      <div
        className="relative"
        style={{
          // In one scale, the largest that has room for both beside each other and for the words under them.
          width: `min(${(box.width / of.wide) * 82}cqw, (100cqh - 128px) * ${box.width / of.tall})`,
          aspectRatio: `${box.width} / ${box.height}`,
        }}
      >
        <div
          className="absolute bg-white shadow-[0_2px_8px_rgb(0_0_0/.25)]"
          style={{
            left: `${(-box.x / box.width) * 100}%`,
            top: `${(-box.y / box.height) * 100}%`,
            width: `${(paper.width / box.width) * 100}%`,
            height: `${(paper.height / box.height) * 100}%`,
          }}
        >
          <SheetPicture
            plan={plan}
            cellsAs="places"
            photo={() => ""}
            className="h-full w-full"
            label={title}
          />
        </div>
        {whole && (
          <svg
            viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
            className="absolute inset-0 h-full w-full"
            aria-hidden
          >
            <pattern
              id={id}
              width="1600"
              height="1600"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="500" height="1600" fill="#34409c" opacity=".4" />
            </pattern>
            <path
              fill={`url(#${id})`}
              fillRule="evenodd"
              d={`${outline(whole)}${outline({ x: 0, y: 0, ...paper })}`}
              clipPath={`url(#${id}c)`}
            />
            <clipPath id={`${id}c`}>
              <rect {...whole} />
            </clipPath>
            <rect
              {...whole}
              fill="none"
              stroke="#34409c"
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
              strokeDasharray="4 3"
            />
          </svg>
        )}
      </div>
      <figcaption className="max-w-[40cqw] text-center text-[12.5px] text-ink-2">
        <span className="block truncate font-semibold text-ink">{title}</span>
        <span className="measure">{label}</span>
      </figcaption>
    </figure>
  );
}

const outline = ({ x, y, width, height }: Box): string => `M${x} ${y}h${width}v${height}h${-width}Z`;

import type { EventView } from "@wide-quilt/server/contract";
import { lazy, Suspense } from "react";
import { SetPicture } from "../SetPicture.tsx";
import { useSetLink } from "../useSetLink.ts";
import type { GuestStep } from "./step.ts";
import { useCountdown } from "./useCountdown.ts";

const GuestsCode = lazy(() => import("../GuestsCode.tsx"));

/** Seconds that the thanks stay. */
const THANKS = 15;

interface Props {
  view: EventView;
  step: Extract<GuestStep, { shows: "done" }>;
  onOver(): void;
}

/** What the guests wait for, and how long. */
export function Thanks({ view, step: { set, before }, onOver }: Props) {
  useCountdown(`${set.number}`, THANKS, onOver);
  const link = useSetLink(view.id, set.number);
  const print = view.state.prints.find((one) => one.set === set.number);
  const trouble = print?.state === "doubt" || print?.state === "failed";
  const place =
    before === null
      ? "Take them along. Thank you for coming!"
      : trouble
        ? "It takes a little longer; somebody looks after it."
        : before === 0
          ? "Yours come next."
          : `${before} ${before === 1 ? "comes" : "come"} before yours.`;
  return (
    <button
      type="button"
      className="flex h-full w-full items-center justify-center gap-[8vmin] bg-good p-[6vmin] text-left text-white portrait:flex-col"
      onClick={onOver}
    >
      <span className="block">
        <span className="block max-w-[8em] text-[10vmin] leading-[1.05] font-[700]">
          {before === null ? "Your prints are out" : "Your prints are coming out"}
        </span>
        <span className="mt-[4vmin] block text-[4.5vmin]">{place}</span>
      </span>
      {link && (
        <span className="flex flex-col items-center gap-[2vmin] text-[3.2vmin]">
          <Suspense fallback={null}>
            <GuestsCode address={link} className="size-[26vmin] rounded-[1.5vmin]" />
          </Suspense>
          your photos: scan this
        </span>
      )}
      <SetPicture
        view={view}
        set={set}
        pixels={800}
        className="h-[70vh] max-w-[36vw] shrink-0 portrait:h-[56vh] portrait:max-w-[80vw]"
      />
    </button>
  );
}

import type { EventSet, EventSetup } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import { address } from "../../../api/client.ts";
import { SetPicture } from "../SetPicture.tsx";
import { useCountdown } from "./useCountdown.ts";

/** Seconds until a set prints that nobody says anything of. */
const PATIENCE = 25;

interface Props {
  view: EventView;
  set: EventSet;
  setup: EventSetup;
  onRetake(place: number): void;
  onPrint(copies: number): void;
}

/** The guests look at their set: take one again, or print it. Without a word it prints by itself. */
export function Looking({ view, set, setup, onRetake, onPrint }: Props) {
  const [copies, setCopies] = useState(setup.copies);
  const left = useCountdown(`${set.number} ${copies}`, PATIENCE, () => onPrint(copies));
  const more = (by: number) => setCopies((before) => Math.min(setup.most, Math.max(1, before + by)));
  return (
    <div className="flex h-full items-center justify-center gap-[6vmin] p-[5vmin] portrait:flex-col">
      <SetPicture
        view={view}
        set={set}
        pixels={800}
        className="h-[90vh] max-w-[38vw] portrait:h-[46vh] portrait:max-w-[80vw]"
        label="Your strip"
      />
      <div className="flex flex-col gap-[4vmin]">
        <h1 className="text-[8vmin] leading-tight font-[680]">Good like this?</h1>
        <ul className="flex flex-wrap gap-[2vmin]">
          {set.shots.map(
            (shot, i) =>
              shot && (
                <li key={i}>
                  <button
                    type="button"
                    className="block overflow-hidden rounded-[1.5vmin] border border-line bg-white text-[3.4vmin] font-semibold"
                    onClick={() => onRetake(i + 1)}
                  >
                    <img
                      src={address.previewFor(shot.photo, 320)}
                      alt={`Shot ${i + 1}`}
                      className="h-[15vmin] w-[22vmin] object-cover"
                    />
                    <span className="block p-[1.2vmin]">Take {i + 1} again</span>
                  </button>
                </li>
              ),
          )}
        </ul>
        {setup.most > 1 && (
          <div className="flex items-center gap-[2.5vmin] text-[4vmin]">
            <Round label="One print fewer" disabled={copies <= 1} onClick={() => more(-1)}>
              <Minus aria-hidden className="size-[5vmin]" />
            </Round>
            <span className="measure min-w-[5.5em] text-center" aria-live="polite">
              {copies} {copies === 1 ? "print" : "prints"}
            </span>
            <Round label="One print more" disabled={copies >= setup.most} onClick={() => more(1)}>
              <Plus aria-hidden className="size-[5vmin]" />
            </Round>
          </div>
        )}
        <div className="flex flex-wrap items-center gap-[3vmin]">
          <button
            type="button"
            className="rounded-[2vmin] bg-accent px-[7vmin] py-[3vmin] text-[5.5vmin] font-semibold text-white"
            onClick={() => onPrint(copies)}
          >
            Print it
          </button>
          <span className="text-[3vmin] text-ink-2">
            by itself in <span className="measure">{left} s</span>
          </span>
        </div>
      </div>
    </div>
  );
}

function Round({
  label,
  ...props
}: {
  label: string;
  disabled: boolean;
  onClick(): void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      className="flex size-[10vmin] items-center justify-center rounded-full border border-edge bg-white disabled:opacity-40"
      {...props}
    />
  );
}

import type { EventEntry, EventSet } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { Volume2, VolumeX } from "lucide-react";
import { lazy, Suspense, useCallback, useEffect, useRef, useState } from "react";
import { useParams } from "react-router";
import { address, server } from "../../../api/client.ts";
import { useTitle } from "../../../app/useTitle.ts";
import { SetPicture } from "../SetPicture.tsx";
import { useEvent } from "../useEvent.ts";
import { isOnlyHere } from "../useSetLink.ts";
import { Leave } from "./Leave.tsx";
import { Looking } from "./Looking.tsx";
import { Posing } from "./Posing.tsx";
import { BOOTH, guestStep, type Guest } from "./step.ts";
import { Thanks } from "./Thanks.tsx";
import { useBeep } from "./useBeep.ts";
import { useCountdown } from "./useCountdown.ts";

const GuestsCode = lazy(() => import("../GuestsCode.tsx"));

/** What guests see: nothing but the next step, by touch, by any key, or by itself. */
export function GuestView() {
  const { id = "" } = useParams();
  const { view, isHeard, tell } = useEvent(id);
  useTitle(view?.name ?? "Booth");
  return (
    <main className="fixed inset-0 z-[60] bg-chrome text-ink select-none">
      {view ? (
        <Steps view={view} isHeard={isHeard} tell={tell} />
      ) : (
        <p className="flex h-full items-center justify-center text-[6vmin] text-ink-2">One moment …</p>
      )}
    </main>
  );
}

interface Props {
  view: EventView;
  isHeard: boolean;
  tell(entry: EventEntry): Promise<void>;
}

function Steps({ view, isHeard, tell }: Props) {
  const { id, state } = view;
  const [guest, setGuest] = useState<Guest>({ at: "rest" });
  const { isOn, turn, beep } = useBeep();
  const step = guestStep(guest, state);
  const several = state.setup.patterns.length > 1;
  const begin = () => setGuest(several ? { at: "choosing" } : { at: "posing" });
  const choose = (pattern: string) => {
    void tell({ do: "choose", party: BOOTH, pattern });
    setGuest({ at: "posing" });
  };
  const print = (set: number, copies: number) => {
    void tell({ do: "accept", set, copies });
    setGuest({ at: "done", set });
  };
  const shoot = useCallback(
    async (photo: Blob) => {
      const name = `Guests ${new Date().toISOString().replaceAll(/[:.]/g, "-")}.jpg`;
      return "photo" in (await server.eventShot(id, photo, name));
    },
    [id],
  );
  // A set that is not looked at is done with its last shot.
  const last = state.sets.findLast((set) => set.party === BOOTH);
  const isDone = guest.at === "posing" && last?.state === "printing" && last.full !== null;
  const begun = useRef(state.sets.length);
  useEffect(() => {
    if (guest.at !== "posing") begun.current = state.sets.length;
    else if (isDone && last.number > begun.current) setGuest({ at: "done", set: last.number });
  }, [guest, isDone, last, state.sets.length]);
  useAnyKey(
    step.shows === "rest" && state.setup.camera
      ? begin
      : step.shows === "looking"
        ? () => print(step.set.number, state.setup.copies)
        : step.shows === "done"
          ? () => setGuest({ at: "rest" })
          : null,
  );
  const pattern = step.shows === "posing" ? view.patterns[step.pattern] : undefined;
  return (
    <>
      {!isHeard && (
        <p
          role="status"
          className="absolute inset-x-0 top-0 z-10 bg-ink p-[1vmin] text-center text-[3vmin] text-white"
        >
          One moment please …
        </p>
      )}
      {step.shows === "closed" && <Words head="Thank you for coming" text="This booth is closed." />}
      {step.shows === "rest" && <Rest view={view} onBegin={begin} />}
      {step.shows === "choosing" && (
        <Choosing view={view} onChoose={choose} onIdle={() => setGuest({ at: "rest" })} />
      )}
      {step.shows === "posing" && pattern && (
        <Posing step={step} pattern={pattern} held={!isHeard} beep={beep} onShot={shoot} />
      )}
      {step.shows === "filling" && <Filling view={view} set={step.set} />}
      {step.shows === "looking" && (
        <Looking
          key={step.set.number}
          view={view}
          set={step.set}
          setup={state.setup}
          onRetake={(place) => {
            void tell({ do: "retake", set: step.set.number, place });
            setGuest({ at: "posing" });
          }}
          onPrint={(copies) => print(step.set.number, copies)}
        />
      )}
      {step.shows === "done" && <Thanks view={view} step={step} onOver={() => setGuest({ at: "rest" })} />}
      <div className="absolute right-[1.5vmin] bottom-[1.5vmin] z-10 flex gap-[1vmin] opacity-60">
        <button
          type="button"
          aria-label={isOn ? "Turn the sound off" : "Turn the sound on"}
          className="rounded-full bg-white/80 p-[1.2vmin]"
          onClick={turn}
        >
          {isOn ? (
            <Volume2 aria-hidden className="size-[3vmin]" />
          ) : (
            <VolumeX aria-hidden className="size-[3vmin]" />
          )}
        </button>
        <Leave id={id} hasPin={view.hasPin} />
      </div>
    </>
  );
}

/** Any key is the next step: a large button on a foot switch is a key. */
function useAnyKey(act: (() => void) | null): void {
  const now = useRef(act);
  useEffect(() => {
    now.current = act;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || event.key === "Tab") return;
      if (!now.current || target.matches("button, input")) return;
      event.preventDefault();
      now.current();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

const SHOWN = 3;

/** The sets that were wanted most, of those the newest. */
const bestSets = ({ sets, prints }: EventView["state"], most: number): EventSet[] => {
  const wanted = (set: EventSet) => prints.filter((print) => print.set === set.number).length;
  return sets
    .filter(({ state }) => state === "printing")
    .sort((a, b) => wanted(b) - wanted(a) || b.number - a.number)
    .slice(0, most);
};

function Rest({ view, onBegin }: { view: EventView; onBegin(): void }) {
  const sets = bestSets(view.state, SHOWN);
  const lean = [-5, 3, -2];
  return (
    <button
      type="button"
      className="flex h-full w-full items-center justify-center gap-[8vmin] bg-[#dfe8ea] p-[5vmin] text-left portrait:flex-col"
      disabled={!view.state.setup.camera}
      onClick={onBegin}
    >
      <span className="block">
        <span className="block max-w-[7em] text-[11vmin] leading-[1.05] font-[700]">
          Take your photos home
        </span>
        <span className="mt-[4vmin] block text-[4.5vmin] text-ink-2">
          {view.state.setup.camera ? "Touch here, or press the big button" : "Step in front of the camera"}
        </span>
        {view.state.setup.telephones && !isOnlyHere() && (
          <span className="mt-[4vmin] flex items-center gap-[2.5vmin] text-[3.4vmin]">
            <Suspense fallback={null}>
              <GuestsCode
                address={address.guestPage(view.guests)}
                className="size-[20vmin] rounded-[1.5vmin] bg-white"
              />
            </Suspense>
            or send photos from your telephone: scan this
          </span>
        )}
      </span>
      {sets.length > 0 && (
        <span aria-hidden className="flex gap-[3vmin]">
          {sets.map((set, i) => (
            <span key={set.number} style={{ rotate: `${lean[i]}deg` }}>
              <SetPicture view={view} set={set} className="h-[58vh] max-w-[24vw] portrait:h-[36vh]" />
            </span>
          ))}
        </span>
      )}
    </button>
  );
}

/** The shots of a camera that stands by itself, as they come. */
function Filling({ view, set }: { view: EventView; set: EventView["state"]["sets"][number] }) {
  return (
    <div className="flex h-full items-center justify-center gap-[8vmin] p-[5vmin] portrait:flex-col">
      <h1 className="max-w-[6em] text-[9vmin] leading-[1.05] font-[700]">
        shot {set.shots.indexOf(null) + 1} of {set.shots.length}
      </h1>
      <SetPicture view={view} set={set} pixels={800} className="h-[86vh] max-w-[44vw] portrait:h-[60vh]" />
    </div>
  );
}

/** Seconds after which whoever went away without choosing is not waited for. */
const IDLE = 45;

interface ChoosingProps {
  view: EventView;
  onChoose(pattern: string): void;
  onIdle(): void;
}

function Choosing({ view, onChoose, onIdle }: ChoosingProps) {
  useCountdown("choosing", IDLE, onIdle);
  const empty = { number: 1, party: BOOTH, crops: {}, state: "filling", full: null } as const;
  const [begun] = useState(() => Date.now());
  return (
    <div className="flex h-full flex-col items-center justify-center gap-[5vmin] p-[5vmin]">
      <h1 className="text-[8vmin] font-[680]">Which one?</h1>
      <ul className="flex flex-wrap justify-center gap-[4vmin]">
        {view.state.setup.patterns.map(({ id, name, shots }) => (
          <li key={id}>
            <button
              type="button"
              className="flex h-[52vmin] w-[40vmin] flex-col items-center justify-between gap-[2vmin] rounded-[2vmin] border border-line bg-white p-[2.5vmin]"
              onClick={() => onChoose(id)}
            >
              <SetPicture
                view={view}
                set={{ ...empty, begun, pattern: id, shots: Array.from({ length: shots }, () => null) }}
                className="h-[36vmin] max-w-full"
              />
              <span className="text-[3.4vmin] font-semibold">{name}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

const Words = ({ head, text }: { head: string; text: string }) => (
  <div className="flex h-full flex-col items-center justify-center gap-[3vmin] p-[6vmin] text-center">
    <h1 className="text-[10vmin] leading-tight font-[700]">{head}</h1>
    <p className="text-[5vmin] text-ink-2">{text}</p>
  </div>
);

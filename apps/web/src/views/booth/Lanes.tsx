import { FOLDER_LANE, type EventEntry, type EventPrint, type Printer } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { server } from "../../api/client.ts";
import { useDoing } from "../../app/useDoing.ts";
import { SetPicture } from "./SetPicture.tsx";

interface Props {
  view: EventView;
  printers: readonly Printer[];
  onShow(set: number): void;
  tell(entry: EventEntry): Promise<void>;
}

/** Sets that are shown of what is done. */
const SHOWN = 18;

/** What each printer does, what waits for one, and what is done. */
export function Lanes({ view, printers, onShow, tell }: Props) {
  const { state, about } = view;
  const doing = useDoing();
  const testPrint = (printer: string, name: string) =>
    void doing(() => server.testPrint(view.id, state.setup.patterns[0]!.id, printer), {
      said: `A test print of made-up photos goes to ${name}.`,
    });
  const waiting = state.prints.filter(({ state: is }) => is === "waiting");
  const done = state.sets
    .filter(({ number, state: is }) => is === "printing" && isDone(state.prints, number))
    .slice(-SHOWN)
    .reverse();
  return (
    <div className="flex min-w-0 flex-col gap-6 overflow-auto p-5">
      {state.printers.map(({ id, why, left }) => {
        const name = id === FOLDER_LANE ? "Folder" : (printers.find((one) => one.id === id)?.name ?? id);
        const at = state.prints.filter(
          (print) => print.printer === id && (print.state === "printing" || print.state === "doubt"),
        );
        const trouble = why ?? about.waits[id] ?? (left !== null && left <= 0 ? "its roll is used up" : null);
        return (
          <section key={id} aria-label={name}>
            <h2 className="mb-2 flex flex-wrap items-baseline gap-x-2.5 text-[14px] font-semibold">
              {name}
              <span className={`text-[13px] font-normal ${trouble ? "text-wrong" : "text-ink-2"}`}>
                {trouble ?? (at.length > 0 ? "printing" : "waits for a set")}
              </span>
              {state.printers.length > 1 && (
                <button
                  type="button"
                  className="text-[12.5px] font-semibold text-accent hover:underline"
                  onClick={() =>
                    void tell({
                      do: "printer",
                      printer: id,
                      why: why === null ? "It was taken out of the turns." : null,
                    })
                  }
                >
                  {why === null ? "Take out of the turns" : "Let it print again"}
                </button>
              )}
              {!state.ended && (
                <button
                  type="button"
                  className="text-[12.5px] font-semibold text-accent hover:underline"
                  onClick={() => testPrint(id, name)}
                >
                  Test print
                </button>
              )}
            </h2>
            <Row view={view} prints={at} onShow={onShow} empty="No sheet is at it." />
          </section>
        );
      })}
      {waiting.length > 0 && (
        <section aria-label="Waiting">
          <h2 className="mb-2 text-[14px] font-semibold">Waiting</h2>
          <Row view={view} prints={waiting.slice(0, SHOWN)} onShow={onShow} empty="" />
        </section>
      )}
      <section aria-label="Done">
        <h2 className="mb-2 text-[14px] font-semibold">
          Done <span className="text-[13px] font-normal text-ink-2">choose one to print it again</span>
        </h2>
        {done.length === 0 && <p className="text-[13px] text-ink-2">Nothing is printed yet.</p>}
        <ul className="flex flex-wrap gap-2.5">
          {done.map((set) => (
            <li key={set.number}>
              <Tile view={view} set={set.number} onShow={onShow} words={words(state.prints, set.number)} />
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

const isDone = (prints: readonly EventPrint[], set: number): boolean =>
  prints.some((print) => print.set === set && print.state === "printed");

/** "83 ×2" */
function words(prints: readonly EventPrint[], set: number): string {
  const out = prints.filter((print) => print.set === set && print.state === "printed").length;
  return out > 1 ? `${set} ×${out}` : String(set);
}

interface RowProps extends Pick<Props, "view" | "onShow"> {
  prints: readonly EventPrint[];
  empty: string;
}

function Row({ view, prints, onShow, empty }: RowProps) {
  if (prints.length === 0) return <p className="text-[13px] text-ink-2">{empty}</p>;
  return (
    <ul className="flex flex-wrap gap-2.5">
      {prints.map(({ number, set }) => (
        <li key={number}>
          <Tile view={view} set={set} onShow={onShow} words={`set ${set}`} />
        </li>
      ))}
    </ul>
  );
}

interface TileProps extends Pick<Props, "view" | "onShow"> {
  set: number;
  words: string;
}

function Tile({ view, set, onShow, words: said }: TileProps) {
  return (
    <button
      type="button"
      aria-label={`Set ${set}`}
      className="flex h-[112px] w-[84px] flex-col items-center justify-between rounded-lg border border-line bg-white p-1.5 hover:border-accent"
      onClick={() => onShow(set)}
    >
      <SetPicture view={view} set={view.state.sets[set - 1]!} className="h-[82px] max-w-full" />
      <span className="measure text-[11.5px]">{said}</span>
    </button>
  );
}

import { eventFigures, sayWait, type EventEntry, type EventSetup, type Printer } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { Flag, MonitorSmartphone, Pause, Play } from "lucide-react";
import { lazy, Suspense, useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { server } from "../../api/client.ts";
import { failureOf, usePrintersQuery } from "../../api/queries.ts";
import { NotOpened } from "../../app/NotOpened.tsx";
import { PageHead } from "../../app/PageHead.tsx";
import { useDoing } from "../../app/useDoing.ts";
import { useTitle } from "../../app/useTitle.ts";
import { button } from "../../ui/button.ts";
import { Lanes } from "./Lanes.tsx";
import { OpenSets } from "./OpenSets.tsx";
import { SetPanel } from "./SetPanel.tsx";
import { SetupSentence } from "./SetupSentence.tsx";
import { TakeAlong } from "./TakeAlong.tsx";
import { toDo } from "./todo.tsx";
import { useEvent } from "./useEvent.ts";
import { useWidth } from "./useWidth.ts";

const SpansChart = lazy(() => import("./SpansChart.tsx"));

const WayToEvents = () => (
  <Link to="/booth" className="hover:underline">
    Events
  </Link>
);

/** An event as whoever runs it sees it. */
export function OperatorView() {
  const { id = "" } = useParams();
  const { view, failure, isHeard, tell, setUp } = useEvent(id);
  const { data: printers = [], error } = usePrintersQuery();
  useTitle(view?.name ?? "Event");
  if (failure && !view) return <NotOpened why={failure} />;
  if (!view) return <p className="p-8 text-ink-3">Looking …</p>;
  return (
    <Operator
      view={view}
      isHeard={isHeard}
      tell={tell}
      setUp={setUp}
      printers={printers}
      fault={failureOf(error)}
    />
  );
}

interface Props {
  view: EventView;
  isHeard: boolean;
  tell(entry: EventEntry): Promise<void>;
  setUp(setup: EventSetup, pin?: string): Promise<void>;
  printers: Printer[];
  fault: string | null;
}

function Operator({ view, isHeard, tell, setUp, printers, fault }: Props) {
  const { id, state, about } = view;
  const { setup } = state;
  const doing = useDoing();
  const [shown, setShown] = useState<number | null>(null);
  const [measured, width] = useWidth();
  const figures = useMemo(() => eventFigures(state), [state]);
  const waiting = toDo(state, about, printers);
  const change = (next: Partial<EventSetup>, pin?: string) => void setUp({ ...setup, ...next }, pin);
  const done = state.sets.filter(({ state: is }) => is === "printing");
  return (
    <div className="flex min-h-screen flex-col min-[861px]:h-screen">
      <PageHead title={view.name} under={[<WayToEvents key="events" />]}>
        <Status state={state} isHeard={isHeard} />
        {state.held ? (
          <button type="button" className={button.main} onClick={() => void tell({ do: "go on" })}>
            <Play size={16} aria-hidden /> Go on
          </button>
        ) : (
          <button type="button" className={button.plain} onClick={() => void tell({ do: "hold" })}>
            <Pause size={16} aria-hidden /> Hold prints
          </button>
        )}
        <Link to={`/booth/${id}/guest`} target="_blank" className={button.plain}>
          <MonitorSmartphone size={16} aria-hidden /> Guests’ page
        </Link>
        <button
          type="button"
          className={button.plain}
          disabled={state.ended}
          onClick={() => void tell({ do: "end" })}
        >
          <Flag size={16} aria-hidden /> End
        </button>
      </PageHead>
      <section aria-label="What the event does" className="border-b border-line bg-white px-5 py-3">
        <SetupSentence setup={setup} hasPin={view.hasPin} token={view.guests} onChange={change} />
        <Sums view={view} figures={figures} printers={printers} />
      </section>
      {fault && <p className="bg-wrong-soft px-5 py-2 text-wrong">{fault}</p>}
      <main className="grid min-h-0 grow grid-cols-[250px_minmax(0,1fr)_270px] max-[860px]:grid-cols-1">
        <OpenSets view={view} onShow={setShown} tell={tell} />
        <Lanes view={view} printers={printers} onShow={setShown} tell={tell} />
        <section aria-label="To do" className="overflow-auto border-l border-line bg-white p-4">
          <h2 className="mb-3 text-[14px] font-semibold">To do</h2>
          {waiting.length === 0 && <p className="text-[13px] text-ink-2">Nothing waits for you.</p>}
          <ul className="flex flex-col gap-3">
            {waiting.map(({ key, level, head, text, acts }) => (
              <li
                key={key}
                className={`rounded-lg border p-3 text-[13px] ${level === "wrong" ? "border-[#e2b4ae] bg-wrong-soft" : "border-[#e6d08a] bg-look-soft"}`}
              >
                <p className="font-semibold break-words">{head}</p>
                <p className="mt-0.5 break-words text-ink-2">{text}</p>
                {acts.length > 0 && (
                  <div className="mt-2 flex flex-wrap gap-2">
                    {acts.map(({ label, main, entry, old }) => (
                      <button
                        key={label}
                        type="button"
                        className={main ? button.main : button.plain}
                        onClick={() =>
                          old ? void doing(() => server.takeOldPhotos(id)) : entry && void tell(entry)
                        }
                      >
                        {label}
                      </button>
                    ))}
                  </div>
                )}
              </li>
            ))}
          </ul>
        </section>
      </main>
      <footer ref={measured} className="border-t border-line bg-white px-5 pt-3 pb-2">
        <div className="flex flex-wrap items-center gap-3 text-[13px]">
          <h2 className="font-semibold">Sets in a quarter of an hour</h2>
          <span className="grow" />
          <TakeAlong view={view} done={done} />
        </div>
        {figures.spans.length === 0 ? (
          <p className="py-6 text-[13px] text-ink-2">The first set will stand here.</p>
        ) : (
          <Suspense fallback={<div className="h-[104px]" />}>
            <SpansChart spans={figures.spans} width={Math.max(280, width - 40)} />
          </Suspense>
        )}
      </footer>
      <SetPanel
        view={view}
        set={shown === null ? null : (state.sets[shown - 1] ?? null)}
        tell={tell}
        onClose={() => setShown(null)}
      />
    </div>
  );
}

function Status({ state, isHeard }: { state: EventView["state"]; isHeard: boolean }) {
  const [text, look] = !isHeard
    ? ["the server is not heard", "text-wrong"]
    : state.ended
      ? ["ended", "text-ink-2"]
      : state.held
        ? ["prints are held", "text-look"]
        : ["running", "text-good"];
  return (
    <span
      role="status"
      className={`flex items-center gap-1.5 text-[13px] font-semibold whitespace-nowrap ${look}`}
    >
      <span aria-hidden className="size-2.5 rounded-full bg-current" /> {text}
    </span>
  );
}

/** The line of sums. */
function Sums({
  view: { state, about },
  figures,
  printers,
}: {
  view: EventView;
  figures: ReturnType<typeof eventFigures>;
  printers: readonly Printer[];
}) {
  const counted = state.printers.filter(({ left }) => left !== null);
  const left = counted
    .map(({ id, left: prints }) => `${printers.find((one) => one.id === id)?.name ?? id} ${prints}`)
    .join(", ");
  const sums: [string, string][] = [
    ["sets", String(figures.sets)],
    ["prints", String(figures.prints)],
    ["to come", String(figures.toCome)],
    ...(left ? [["left on rolls", left] as [string, string]] : []),
    ...(figures.wait
      ? [["from the last shot to paper", sayWait(figures.wait.median)] as [string, string]]
      : []),
    ...(state.setup.patterns.length > 1
      ? state.setup.patterns.map(({ id, name }): [string, string] => {
          const { sets, wait } = figures.byPattern[id]!;
          return [name, wait === null ? String(sets) : `${sets}, ${sayWait(wait)} to paper`];
        })
      : []),
    ...(about.disk.hours !== null ? [["room on the disk", `${about.disk.hours} h`] as [string, string]] : []),
  ];
  return (
    <dl className="mt-1.5 flex flex-wrap gap-x-5 gap-y-1 text-[13px]">
      {sums.map(([what, figure]) => (
        <div key={what} className="flex gap-1.5">
          <dt className="text-ink-2">{what}</dt>
          <dd className="measure">{figure}</dd>
        </div>
      ))}
    </dl>
  );
}

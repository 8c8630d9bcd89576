import { newPerson, peopleTicket, personName, type Job, type TicketOf } from "@wide-quilt/core";
import { Camera, UsersRound } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { NotOpened } from "../../app/NotOpened.tsx";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJob, WayToJobs } from "../../app/Way.tsx";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { LOCALE } from "../../app/preferences.ts";
import { useOpenJob } from "../../app/useOpenJob.ts";
import { keepPicture, nextTurn } from "../../table/camera.ts";
import { edit } from "../../table/edits.ts";
import { selectPeople } from "../../table/heads.ts";
import { Check } from "../../ui/Check.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";
import { LiveFigures } from "./LiveFigures.tsx";
import { Taken } from "./Taken.tsx";
import { TurnList } from "./TurnList.tsx";
import { Viewfinder } from "./Viewfinder.tsx";
import { WatchFields } from "./WatchFields.tsx";
import { useCamera } from "./useCamera.ts";
import { useCameraKeys } from "./useCameraKeys.ts";
import { useTurn, type TurnWish } from "./useTurn.ts";
import { useWatched } from "./useWatched.ts";

/** Taking document photos here: the camera waits until all that the rule states is right. */
export function CameraView() {
  const { id, job, failure } = useOpenJob("Camera");
  if (failure) return <NotOpened why={failure} />;
  if (!job) return <p className="px-6 py-24 text-center text-ink-3">Looking who is there …</p>;
  const ticket = peopleTicket(job);
  return (
    <div className="flex h-screen min-h-[560px] flex-col">
      <PageHead
        title="Camera"
        className="shrink-0"
        under={[<WayToJobs key="jobs" />, <WayToJob key="job" id={id} name={job.name} />]}
      >
        <Link to={`/jobs/${id}/people`} className={button.main}>
          <UsersRound size={15} aria-hidden /> All people
        </Link>
      </PageHead>
      {ticket ? (
        <Session key={id} id={id} job={job} ticket={ticket} />
      ) : (
        <p className="px-8 py-16 text-center text-ink-2">
          This job is of another kind. Change it to “Document photos” on the table to take photos of people.
        </p>
      )}
    </div>
  );
}

function Session({ id, job, ticket }: { id: string; job: Job; ticket: TicketOf<"portraits"> }) {
  const dispatch = useAppDispatch();
  const reports = useAppSelector(selectPeople);
  const here = useAppSelector(({ openJob }) => openJob);
  // Who has a photo keeps it until somebody says otherwise.
  const [shot, setShot] = useState(() => nextTurn(here, null));
  const person = ticket.people.find((one) => one.shot === shot);
  const report = reports.find((one) => one.person.shot === shot);
  const [wanted, setWanted] = useState<string | null>(null);
  const [byItself, setByItself] = useState(true);
  const [backgroundLater, setLater] = useState(false);
  const { camera, again: startAgain } = useCamera(wanted);
  const video = useRef<HTMLVideoElement>(null);
  const rule = report?.rule ?? ticket.rules[0]!;
  const unit = useAppSelector((state) => state.preferences.unit);
  const ppi = job.target.ppi;
  const wish = useMemo<TurnWish>(
    () => ({ rule, backgroundLater, byItself, write: { unit, ppi, locale: LOCALE } }),
    [rule, backgroundLater, byItself, unit, ppi],
  );
  const onTaken = useCallback(
    (picture: Blob) => (person ? dispatch(keepPicture(picture, person)) : Promise.resolve(false)),
    [dispatch, person],
  );
  const stream = camera.at === "on" && person ? camera.stream : null;
  const { turn, sight, judged, word, held, pace, fault, press, again, show } = useTurn(
    video,
    stream,
    wish,
    onTaken,
  );
  const watching = useWatched(id, shot, show);

  const next = ticket.people.find((one) => one.shot === nextTurn(here, shot));
  const goOn = () => {
    if (next) setShot(next.shot);
    else addPerson();
    again();
  };
  const addPerson = () => {
    const someone = newPerson(ticket.people);
    dispatch(edit({ do: "ticket", change: { people: [...ticket.people, someone] } }));
    setShot(someone.shot);
  };
  const turnTo = (other: number) => {
    setShot(other);
    again();
  };
  useCameraKeys({ take: press, next: goOn, again, isShown: turn.at === "shown" });
  // Without anybody there is nobody to photograph: one is begun.
  const isEmpty = ticket.people.length === 0;
  const began = useRef(false);
  useEffect(() => {
    if (!isEmpty || began.current) return;
    began.current = true;
    addPerson();
  });

  const says =
    turn.at === "taking"
      ? "Hold still …"
      : turn.at === "waiting"
        ? (turn.says ?? word ?? (byItself ? "Hold still" : "Just right"))
        : null;
  return (
    <main className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_296px]">
      <section aria-label="Camera" className="flex min-h-0 flex-col bg-[#17191d]">
        <div className="relative min-h-0 grow">
          {camera.at === "off" ? (
            <div className="absolute inset-0 flex flex-col items-center justify-center gap-4 bg-chrome px-12 text-center">
              <p role="alert" className="max-w-lg text-[15px]">
                {camera.why}
              </p>
              <div className="flex gap-2">
                <button type="button" className={button.main} onClick={startAgain}>
                  Try again
                </button>
                <Link to={`/jobs/${id}/people`} className={button.plain}>
                  Add photos as files
                </Link>
              </div>
            </div>
          ) : (
            <Viewfinder video={video} sight={sight} rule={rule} right={word === null} />
          )}
          {camera.at !== "off" && !person && (
            <p className="absolute inset-0 flex items-center justify-center bg-chrome px-12 text-center text-[15px]">
              Everybody has a photo. Choose who is to be taken again, or add somebody new.
            </p>
          )}
          {turn.at === "shown" && report && <Taken report={report} />}
        </div>
        {((camera.at !== "off" && person) || turn.at === "shown") && (
          <div className="flex h-24 shrink-0 items-center gap-5 px-6 text-white">
            {turn.at === "shown" ? (
              <>
                <p className="mr-auto truncate text-[22px] font-semibold">
                  {report?.state === "passes" ? "That is a good one" : "Taken"}
                </p>
                <button type="button" className={button.plain} onClick={again}>
                  Take it again <Key>R</Key>
                </button>
                <button type="button" className={`${button.main} max-w-72`} onClick={goOn}>
                  <span className="truncate">{next ? `Next: ${personName(next)}` : "Somebody new"}</span>
                  <Key>Enter</Key>
                </button>
              </>
            ) : (
              <>
                <p
                  role="status"
                  aria-live="polite"
                  className={`mr-auto text-[34px] leading-tight font-semibold ${word === null ? "text-[#8fe0bd]" : ""}`}
                >
                  {fault ?? (camera.at === "asking" ? "Waiting for the camera …" : says)}
                </p>
                <Wait share={held} />
                <button
                  type="button"
                  className={button.plain}
                  disabled={camera.at !== "on" || turn.at !== "waiting"}
                  onClick={press}
                >
                  <Camera size={15} aria-hidden /> Take it now <Key>Space</Key>
                </button>
              </>
            )}
          </div>
        )}
      </section>
      <aside className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-line bg-white p-4">
        <TurnList reports={reports} shot={shot} onTurn={turnTo} onAdd={addPerson} />
        {judged && judged.checks.length > 0 && turn.at === "waiting" && (
          <section aria-label="Figures">
            <h2 className="mb-1 flex justify-between text-[13px] font-semibold">
              Just now
              <span className="text-[11.5px] font-normal text-ink-2">{Math.round(pace)} looks a second</span>
            </h2>
            <LiveFigures checks={judged.checks} />
          </section>
        )}
        <section
          aria-label="How it is taken"
          className="mt-auto flex flex-col gap-2.5 border-t border-line pt-3"
        >
          <Check label="Take it by itself once all is right" checked={byItself} onChange={setByItself} />
          <Check label="The background is put in later" checked={backgroundLater} onChange={setLater} />
          {camera.at === "on" && camera.cameras.length > 1 && (
            <SelectField
              label="Camera"
              value={camera.id}
              choices={camera.cameras.map((one) => ({ value: one.id, text: one.name }))}
              onChange={setWanted}
            />
          )}
          <details open={watching.watched.folder !== null}>
            <summary className="rounded text-[12.5px] font-semibold">A camera on a cable</summary>
            <div className="pt-2">
              <WatchFields watched={watching.watched} onStart={watching.start} onStop={watching.stop} />
            </div>
          </details>
        </section>
      </aside>
    </main>
  );
}

/** How much of the wait is over, as a ring that closes. */
function Wait({ share }: { share: number }) {
  const around = 2 * Math.PI * 17;
  return (
    <svg width={42} height={42} aria-hidden className="-rotate-90">
      <circle cx={21} cy={21} r={17} fill="none" stroke="#ffffff" strokeOpacity={0.22} strokeWidth={5} />
      <circle
        cx={21}
        cy={21}
        r={17}
        fill="none"
        stroke="#8fe0bd"
        strokeWidth={5}
        strokeDasharray={`${Math.min(1, share) * around} ${around}`}
      />
    </svg>
  );
}

const Key = ({ children }: { children: string }) => (
  <kbd className="rounded border border-current px-1 text-[11px] font-normal opacity-75">{children}</kbd>
);

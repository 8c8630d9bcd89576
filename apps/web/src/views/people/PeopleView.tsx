import { LIMITS, newPerson, peopleTicket, ruleFor, withoutPhotos, type Job } from "@wide-quilt/core";
import { ArrowLeft, Camera, Eraser, FileInput, ImagePlus, Plus, UserRoundPlus } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { server } from "../../api/client.ts";
import { sayGuess, textOf } from "../../api/tableText.ts";
import { NotOpened } from "../../app/NotOpened.tsx";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJob, WayToJobs } from "../../app/Way.tsx";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useFollow } from "../../app/useFollow.ts";
import { useOpenJob } from "../../app/useOpenJob.ts";
import { photosAsTaken, putBehindAll, stopBehindAll } from "../../table/behindAll.ts";
import { edit } from "../../table/edits.ts";
import { selectLooking, selectPeople } from "../../table/heads.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { Progress } from "../../ui/Progress.tsx";
import { button } from "../../ui/button.ts";
import { ACCEPTED, useArrivals } from "../table/stash/useArrivals.ts";
import { ListReader, type GivenList } from "./ListReader.tsx";
import { PersonRow } from "./PersonRow.tsx";

/** Everyone of a job of document photos: who passes, who does not, and why. */
export function PeopleView() {
  const { id, job, failure } = useOpenJob("People");
  useFollow(id);
  if (failure) return <NotOpened why={failure} />;
  if (!job) return <p className="px-6 py-24 text-center text-ink-3">Looking who is there …</p>;
  return <People id={id} job={job} />;
}

function People({ id, job }: { id: string; job: Job }) {
  const reports = useAppSelector(selectPeople);
  const looking = useAppSelector(selectLooking);
  const { bring, arriving, refused, forgetRefused } = useArrivals();
  const [list, setList] = useState<GivenList | null>(null);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const doing = useDoing();
  const ticket = peopleTicket(job);
  const passing = reports.filter(({ state }) => state === "passes").length;
  const partly = reports.filter(({ state }) => state === "not measured").length;

  const readList = (file: File) =>
    doing(async () => {
      const { text, guess } = await textOf(file);
      setList({ text, file: file.name, said: sayGuess(guess) });
    });
  const addPerson = () => {
    if (!ticket) return;
    dispatch(edit({ do: "ticket", change: { people: [...ticket.people, newPerson(ticket.people)] } }));
  };
  const startNext = () =>
    doing(async () => {
      const next = await server.importJob({ ...withoutPhotos(job), name: nextName(job.name) });
      await navigate(`/jobs/${next.id}/people`);
    });

  return (
    <div className="min-h-screen">
      <PageHead
        title="People"
        under={[<WayToJobs key="jobs" />, <WayToJob key="job" id={id} name={job.name} />]}
      >
        <button
          type="button"
          className={button.plain}
          title="A new job with the same rules, paper and finish, and no photos yet"
          onClick={() => void startNext()}
        >
          <UserRoundPlus size={15} aria-hidden /> The same with the next photos
        </button>
        <Link to={`/jobs/${id}`} className={button.plain}>
          <ArrowLeft size={15} aria-hidden /> Back to the table
        </Link>
        <Link to={`/jobs/${id}/press`} className={button.main}>
          Print or export
        </Link>
      </PageHead>
      {!ticket ? (
        <p className="px-8 py-16 text-center text-ink-2">
          This job is of another kind. Change it to “Document photos” on the table to list people.
        </p>
      ) : (
        <main className="mx-auto max-w-[1360px] px-8 pt-6 pb-16">
          <div className="mb-4 flex flex-wrap items-center gap-3">
            <p className="mr-auto text-[16px] font-semibold" role="status">
              {reports.length === 0 ? "Nobody yet" : `${passing} of ${reports.length} pass`}
              {partly > 0 && `, ${partly} ${partly === 1 ? "is" : "are"} right as far as measured`}
            </p>
            <BehindAll />
            <Link to={`/jobs/${id}/camera`} className={button.plain}>
              <Camera size={15} aria-hidden /> Take photos here
            </Link>
            <FileButton
              label="Photo files"
              accept={ACCEPTED}
              multiple
              className={button.plain}
              onFiles={(files) => void bring(files)}
            >
              <ImagePlus size={15} aria-hidden /> Add photos
            </FileButton>
            <FileButton
              label="List of people, CSV"
              accept=".csv,.tsv,.txt,text/csv"
              className={button.plain}
              onFiles={([file]) => void readList(file!)}
            >
              <FileInput size={15} aria-hidden /> Read a list (CSV)
            </FileButton>
            <button
              type="button"
              className={button.plain}
              disabled={ticket.people.length >= LIMITS.people}
              onClick={addPerson}
            >
              <Plus size={15} aria-hidden /> Add a person
            </button>
          </div>
          {arriving && <Progress label="Photos coming in" {...arriving} />}
          {looking && <Progress label="Looking for heads" {...looking} />}
          <BehindAllProgress />
          {list && (
            <ListReader given={list} ticket={ticket} stash={job.stash} onClose={() => setList(null)} />
          )}
          <Said
            title="Not taken in"
            lines={refused.map(({ name, why }) => `${name}: ${why}`)}
            onClose={forgetRefused}
          />
          {reports.length === 0 ? (
            <Nobody />
          ) : (
            <table className="mt-3 w-full border-separate border-spacing-0 text-[13px]">
              <caption className="sr-only">Who passes and who does not</caption>
              <thead className="text-left text-[12px] text-ink-2">
                <tr>
                  {["Piece", "Name", "Number", "Rule", "How many", "Measures", "", ""].map((title, i) => (
                    <th key={i} scope="col" className="border-b border-line px-2 pb-1.5 font-semibold">
                      {title || <span className="sr-only">{i === 6 ? "Result" : "What to do"}</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {reports.map((report) => (
                  <PersonRow key={report.person.shot} report={report} ticket={ticket} stash={job.stash} />
                ))}
              </tbody>
            </table>
          )}
        </main>
      )}
    </div>
  );
}

/** Puts what the rule of the job asks for behind everybody who has nothing put behind them. */
function BehindAll() {
  const dispatch = useAppDispatch();
  const waiting = useAppSelector((state) => photosAsTaken(state).length);
  const runs = useAppSelector((state) => state.behindAll !== null);
  const ticket = useAppSelector(({ openJob }) => openJob.job && peopleTicket(openJob.job));
  if (!ticket || waiting === 0 || runs) return null;
  const wanted = ruleFor(ticket, undefined).background;
  const isWhite = wanted === undefined || wanted.colour === "#ffffff";
  return (
    <button
      type="button"
      className={button.plain}
      title={`Cuts out ${waiting === 1 ? "one person" : `${waiting} people`} and puts ${isWhite ? "white" : wanted.words} behind; each can be corrected after`}
      onClick={() => void dispatch(putBehindAll({ kind: "flat", colour: wanted?.colour ?? "#ffffff" }))}
    >
      <Eraser size={15} aria-hidden /> {isWhite ? "White behind everyone" : "Background behind everyone"}
    </button>
  );
}

function BehindAllProgress() {
  const dispatch = useAppDispatch();
  const progress = useAppSelector((state) => state.behindAll);
  if (!progress) return null;
  return (
    <div className="mt-2 flex items-center gap-3">
      <div className="grow">
        <Progress label="Putting the background behind everyone" {...progress} />
      </div>
      <button type="button" className={button.plain} onClick={() => dispatch(stopBehindAll())}>
        Stop
      </button>
    </div>
  );
}

/** "Badges" and then "Badges, 2" */
function nextName(name: string): string {
  const [, base, number] = /^(.*?)(?:, (\d+))?$/.exec(name)!;
  return `${base!.slice(0, 180)}, ${Number(number ?? 1) + 1}`;
}

function Said({ title, lines, onClose }: { title: string; lines: readonly string[]; onClose(): void }) {
  if (lines.length === 0) return null;
  return (
    <section role="alert" className="mt-3 rounded-lg bg-look-soft px-4 py-3 text-[13px] text-look">
      <div className="flex justify-between gap-3">
        <h2 className="font-semibold">{title}</h2>
        <button type="button" className="font-semibold underline" onClick={onClose}>
          Close
        </button>
      </div>
      <ul className="mt-1 max-h-32 list-disc overflow-y-auto pl-5">
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

function Nobody() {
  return (
    <div className="mx-auto mt-16 max-w-xl text-center">
      <p className="text-[17px] font-semibold">Add photos, or read a list</p>
      <p className="mt-2 text-[13.5px] text-ink-2">
        Every photo becomes a person, named after its file. A list is any table saved as CSV, whatever its
        columns are called: you see what is understood before anything changes. Or take the photos here, one
        person after the other.
      </p>
    </div>
  );
}

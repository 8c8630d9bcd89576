import { Plus } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { server } from "../../api/client.ts";
import { layoutsOf } from "../../api/layouts.ts";
import { failureOf, useEventsQuery, usePatternsQuery } from "../../api/queries.ts";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJobs } from "../../app/Way.tsx";
import { useDoing } from "../../app/useDoing.ts";
import { useTitle } from "../../app/useTitle.ts";
import { button } from "../../ui/button.ts";
import { SelectField } from "../../ui/SelectField.tsx";
import { when } from "../../words/words.ts";

/** Events that run by themselves, and where one is begun. */
export function EventsView() {
  useTitle("Events");
  const { data: events = null, error } = useEventsQuery();
  const failure = failureOf(error);
  return (
    <div className="min-h-screen">
      <PageHead title="Events" under={[<WayToJobs key="jobs" />]} />
      <main className="mx-auto max-w-[900px] px-8 pt-7 pb-16">
        {failure && (
          <p role="alert" className="mb-4 rounded-lg bg-wrong-soft px-4 py-3 text-wrong">
            {failure}
          </p>
        )}
        <BeginEvent />
        <h2 className="mt-9 mb-4 text-[15px] font-semibold">Events so far</h2>
        {events?.length === 0 && <p className="text-ink-2">None yet. Begin one above.</p>}
        <ul className="flex flex-col gap-2">
          {events?.map(({ id, name, createdAt, endedAt, sets }) => (
            <li key={id}>
              <Link
                to={`/booth/${id}`}
                className="flex items-baseline gap-4 rounded-lg border border-line bg-white px-4 py-3 hover:border-accent"
              >
                <span className="min-w-0 grow truncate text-[15px] font-semibold">{name}</span>
                <span className="measure text-[13px] text-ink-2">
                  {sets} {sets === 1 ? "set" : "sets"}
                </span>
                <span className="text-[13px] whitespace-nowrap text-ink-2">{when(createdAt)}</span>
                <span
                  className={`w-16 text-right text-[13px] font-semibold ${endedAt ? "text-ink-3" : "text-good"}`}
                >
                  {endedAt ? "ended" : "running"}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}

/** A name and a pattern are all that it takes; everything else is said in the event’s sentence. */
function BeginEvent() {
  const { data: patterns = [] } = usePatternsQuery();
  const [name, setName] = useState("");
  const [chosen, setChosen] = useState<string | null>(null);
  const pattern = chosen ?? patterns.find(({ keptAt }) => keptAt === null)?.id ?? patterns[0]?.id ?? "";
  const navigate = useNavigate();
  const doing = useDoing();
  const begin = () =>
    void doing(async () => {
      const { id } = await server.startEvent(name.trim(), [pattern]);
      await navigate(`/booth/${id}`);
    });
  return (
    <section aria-labelledby="begin" className="rounded-lg border border-line bg-white p-5">
      <h2 id="begin" className="text-[15px] font-semibold">
        Begin an event
      </h2>
      <p className="mt-1 mb-4 text-[13px] text-ink-2">
        Guests take photos at a camera or on this page, sets fill, and each is printed by itself.
      </p>
      <form
        className="grid grid-cols-[1fr_1fr_auto] items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          begin();
        }}
      >
        <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
          Name
          <input
            value={name}
            maxLength={200}
            placeholder="Open day at the hide"
            className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink placeholder:text-ink-3"
            onChange={({ target }) => setName(target.value)}
          />
        </label>
        <SelectField
          label="What guests take home"
          value={pattern}
          choices={layoutsOf(patterns).map((one) => ({ value: one.id, text: one.name }))}
          onChange={setChosen}
        />
        <button type="submit" className={button.main} disabled={name.trim() === "" || pattern === ""}>
          <Plus size={16} aria-hidden /> Begin
        </button>
      </form>
    </section>
  );
}

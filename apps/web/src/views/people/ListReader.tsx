import {
  COLUMN_WORDS,
  readPeople,
  ruleTitle,
  type ListColumn,
  type ListedPerson,
  type ListMap,
  type PeopleReading,
  type PhotoRef,
  type TicketOf,
} from "@wide-quilt/core";
import { useMemo, useState } from "react";
import { useAppDispatch } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { edit } from "../../table/edits.ts";
import { Check } from "../../ui/Check.tsx";
import { OverPage } from "../../ui/OverPage.tsx";
import { button } from "../../ui/button.ts";

/** A list as it was read from a file. */
export interface GivenList {
  text: string;
  file: string;
  /** What is to be said of how it was read. */
  said: readonly string[];
}

interface Props {
  given: GivenList;
  ticket: TicketOf<"portraits">;
  stash: readonly PhotoRef[];
  onClose(): void;
}

/** So many sentences are read at once. */
const FEW = 4;

/** Lines of the list that are shown. */
const SHOWN = 10;

const FOUND_BY: Record<NonNullable<ListedPerson["by"]>, string> = {
  name: "",
  capitals: "but for capitals",
  ending: "without its ending",
  number: "by its number",
};

/** What is understood of a list before anything changes: what each column is, and its first lines with their photos. */
export function ListReader({ given, ticket, stash, onClose }: Props) {
  const dispatch = useAppDispatch();
  const [map, setMap] = useState<ListMap | undefined>(undefined);
  const reading = useMemo(() => readPeople(given.text, ticket, stash, map), [given.text, ticket, stash, map]);
  const { people, rules, problems } = reading;
  const take = () => {
    const plain = people.map(({ by: _by, line: _line, ...person }) => person);
    dispatch(edit({ do: "ticket", change: { people: plain, rules } }));
    dispatch(noticed(`${people.length} people were read from ${given.file}.`, "right"));
    onClose();
  };
  const said = [...given.said, ...problems];
  return (
    <OverPage open wide title={`What is in ${given.file}`} onClose={onClose}>
      <div className="flex flex-col gap-5">
        <Columns reading={reading} onChange={setMap} />
        {people.length > 0 && <FirstLines reading={reading} stash={stash} />}
        <Sums reading={reading} replaced={ticket.people.length} />
        {said.length > 0 && (
          <details
            className="rounded-lg bg-look-soft px-4 py-2.5 text-[12.5px] text-look"
            open={said.length <= FEW}
          >
            <summary className="rounded font-semibold">
              {said.length === 1 ? "One line to look at" : `${said.length} lines to look at`}
            </summary>
            <ul className="mt-1 max-h-36 list-disc overflow-y-auto pl-4" tabIndex={0}>
              {said.map((line, i) => (
                <li key={i}>{line}</li>
              ))}
            </ul>
          </details>
        )}
        <div className="sticky -bottom-6 -mx-6 -mb-6 flex justify-end gap-2 border-t border-line bg-white px-6 py-4">
          <button type="button" className={button.plain} onClick={onClose}>
            Leave it
          </button>
          <button type="button" className={button.main} disabled={people.length === 0} onClick={take}>
            {people.length === 1 ? "Take this person" : `Take these ${people.length} people`}
          </button>
        </div>
      </div>
    </OverPage>
  );
}

/** What each column is, to be said otherwise. */
function Columns({
  reading: { head, samples, map },
  onChange,
}: {
  reading: PeopleReading;
  onChange(map: ListMap): void;
}) {
  const choose = (at: number, column: ListColumn | null) => {
    const columns = map.columns.map((own, i) => {
      if (i === at) return column;
      // Only a name can be in several columns.
      return own === column && column !== "name" ? null : own;
    });
    const names = [...map.names.filter((i) => i !== at), ...(column === "name" ? [at] : [])];
    onChange({ ...map, columns, names });
  };
  return (
    <section aria-label="Columns">
      <div className="mb-2 flex items-baseline justify-between gap-4">
        <h3 className="text-[13px] font-semibold">What each column is</h3>
        <Check
          label="The first line has headings"
          checked={map.hasHead}
          onChange={(hasHead) => onChange({ ...map, hasHead })}
        />
      </div>
      <ul className="grid max-h-52 grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-2 overflow-y-auto">
        {map.columns.map((column, at) => {
          const heading = head[at] ?? "";
          const title = heading === "" ? `Column ${at + 1}` : heading;
          return (
            <li key={at} className={`rounded-md border p-2 ${column ? "border-edge" : "border-line"}`}>
              <p className="truncate text-[12.5px] font-semibold" title={title}>
                {title}
              </p>
              <p className="truncate text-[11.5px] text-ink-2" title={samples[at]!.join(", ")}>
                {samples[at]!.join(", ") || "empty"}
              </p>
              <select
                aria-label={`${title} is`}
                value={column ?? ""}
                className="mt-1 w-full rounded border border-edge bg-white px-1.5 py-1 text-[12.5px]"
                onChange={({ target }) =>
                  choose(at, target.value === "" ? null : (target.value as ListColumn))
                }
              >
                <option value="">left out</option>
                {Object.entries(COLUMN_WORDS).map(([value, word]) => (
                  <option key={value} value={value}>
                    {word}
                  </option>
                ))}
              </select>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function FirstLines({
  reading: { people, rules },
  stash,
}: {
  reading: PeopleReading;
  stash: readonly PhotoRef[];
}) {
  const nameOf = (photo: string | null) => stash.find(({ id }) => id === photo)?.name;
  const ruleOf = (id: string | null) => {
    const rule = rules.find((one) => one.id === id);
    return rule ? ruleTitle(rule) : "as the job says";
  };
  return (
    <section aria-label="First lines">
      <h3 className="mb-1 text-[13px] font-semibold">
        {people.length > SHOWN ? `The first ${SHOWN} of ${people.length}` : "Who is listed"}
      </h3>
      <table className="w-full table-fixed text-left text-[12.5px]">
        <thead className="text-[11.5px] text-ink-2">
          <tr>
            {["Name", "Number", "Photo", "Rule", "How many"].map((title) => (
              <th key={title} scope="col" className="border-b border-line py-1 pr-2 font-semibold">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.slice(0, SHOWN).map((one) => (
            <tr key={one.line}>
              {[one.name || "–", one.number || "–"].map((text, i) => (
                <td key={i} className="truncate border-b border-line py-1 pr-2" title={text}>
                  {text}
                </td>
              ))}
              <td
                className="truncate border-b border-line py-1 pr-2"
                title={nameOf(one.photo) ?? one.file ?? ""}
              >
                {one.photo === null ? (
                  <span className="text-look">
                    {one.file === undefined ? "none yet" : `no ${one.file} yet`}
                  </span>
                ) : (
                  <>
                    {nameOf(one.photo)}
                    {one.by && FOUND_BY[one.by] !== "" && (
                      <span className="text-ink-2"> {FOUND_BY[one.by]}</span>
                    )}
                  </>
                )}
              </td>
              <td className="truncate border-b border-line py-1 pr-2" title={ruleOf(one.rule)}>
                {ruleOf(one.rule)}
              </td>
              <td className="border-b border-line py-1 pr-2">{one.quantity ?? "as the job says"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What taking the list comes to. */
function Sums({ reading: { people, left }, replaced }: { reading: PeopleReading; replaced: number }) {
  const without = people.filter(({ photo }) => photo === null).length;
  const names = left.slice(0, 3).map(({ name }) => name);
  return (
    <p className="text-[13px]" role="status">
      {people.length === 0
        ? "Nobody yet: say what the columns are."
        : `${people.length - without} of ${people.length} have a photo.`}
      {without > 0 && " The others get theirs when it is added or taken."}
      {left.length > 0 &&
        people.length > 0 &&
        ` ${left.length === 1 ? "One photo is" : `${left.length} photos are`} nobody’s in this list: ${names.join(", ")}${left.length > 3 ? " and others" : ""}.`}
      {replaced > 0 &&
        people.length > 0 &&
        ` The list takes the place of the ${replaced === 1 ? "one who is" : `${replaced} who are`} listed now; Undo brings them back.`}
    </p>
  );
}

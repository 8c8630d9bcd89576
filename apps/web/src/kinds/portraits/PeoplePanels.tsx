import { LIMITS, newPerson, personName, quantityOf, ruleFor, type TicketOf } from "@wide-quilt/core";
import { Camera } from "lucide-react";
import { Link } from "react-router";
import { useAppSelector } from "../../app/hooks.ts";
import { StateBadge } from "../../portraits/StateBadge.tsx";
import { selectPeople } from "../../table/heads.ts";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { button } from "../../ui/button.ts";
import { panelOf } from "../panel.tsx";

/** As many of each person, but for those who have a number of their own. */
export const PerPersonPanel = panelOf("portraits", ({ job, ticket, set }) => {
  const { copies, people } = ticket;
  const someone = newPerson([]);
  const [fitting, asked] = (["fit", "rule"] as const).map((many) =>
    quantityOf(job, { ...ticket, people: [], copies: many }, someone),
  );
  const rule = ruleFor(ticket, someone);
  const own = people.filter(({ quantity }) => quantity !== null).length;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList<"fit" | "rule" | "number">
        label="How many of each person"
        value={typeof copies === "number" ? "number" : copies}
        onChange={(many) => set({ copies: many === "number" ? fitting! : many })}
        choices={[
          { value: "fit", text: "As many as fit on a sheet", aside: fitting },
          {
            value: "rule",
            text:
              rule.copies === undefined
                ? "As their rule asks: this one asks for no number, so one"
                : "As their rule asks",
            aside: asked,
          },
          { value: "number", text: "Just this many" },
        ]}
      />
      {typeof copies === "number" && (
        <NumberField
          label="Of each person"
          value={copies}
          least={LIMITS.quantity.least}
          most={LIMITS.quantity.most}
          whole
          onChange={(next, gesture) => set({ copies: next }, gesture)}
        />
      )}
      {own > 0 && (
        <p className="text-[12.5px] text-ink-2">
          {own === 1 ? "One person has" : `${own} people have`} a number of their own.{" "}
          <button
            type="button"
            className="font-semibold text-accent"
            onClick={() => set({ people: people.map((one) => ({ ...one, quantity: null })) })}
          >
            As many of everyone
          </button>
        </p>
      )}
    </div>
  );
});

/** Who is on the sheets, and the way to the page that has everything about them. */
export const PeoplePanel = panelOf("portraits", ({ job, ticket }) => {
  const id = useAppSelector((state) => state.openJob.id);
  const reports = useAppSelector(selectPeople);
  return (
    <div className="flex flex-col gap-3">
      {reports.length === 0 ? (
        <p className="text-[13px] text-ink-2">
          Drop in photos, and everyone gets a line; or take them here with a camera; or read a list on the
          page “People”.
        </p>
      ) : (
        <ul aria-label="People" className="flex max-h-[280px] flex-col overflow-y-auto">
          {reports.map(({ person, state }) => (
            <li
              key={person.shot}
              className="flex items-center gap-2 border-b border-line py-1.5 text-[13px] last:border-0"
            >
              <span className="grow truncate">{personName(person)}</span>
              <span className="measure text-ink-2">{quantityOf(job, ticket, person)} ×</span>
              <StateBadge state={state} />
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2">
        <Link to={`/jobs/${id}/people`} className={button.plain}>
          All about people
        </Link>
        <Link to={`/jobs/${id}/camera`} className={button.plain}>
          <Camera size={15} aria-hidden /> Take photos here
        </Link>
      </div>
    </div>
  );
});

const SHEETS: { value: TicketOf<"portraits">["sheets"]; text: string; about: string }[] = [
  {
    value: "packed",
    text: "Packed together",
    about: "As few sheets as can be found, several people on each",
  },
  {
    value: "per person",
    text: "Sheets of their own for each",
    about: "Nothing to sort after cutting; files are named after each person",
  },
];

/** Everyone packed on the fewest sheets, or sheets of their own. */
export const PersonSheetsPanel = panelOf("portraits", ({ ticket: { sheets }, set }) => (
  <ChoiceList
    label="Whose sheets"
    value={sheets}
    onChange={(next) => set({ sheets: next })}
    choices={SHEETS}
  />
));

/** Whether names are printed. */
export const NamesPanel = panelOf("portraits", ({ ticket: { names }, set }) => (
  <ChoiceList
    label="Names"
    value={names}
    onChange={(next) => set({ names: next })}
    choices={[
      { value: false, text: "Without names" },
      {
        value: true,
        text: "A name under each piece",
        about: "Outside its trim: it is cut off with the waste",
      },
    ]}
  />
));

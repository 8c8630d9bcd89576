import {
  LIMITS,
  ruleTitle,
  type Person,
  type PersonReport,
  type PhotoRef,
  type TicketOf,
} from "@wide-quilt/core";
import { ScanFace, X } from "lucide-react";
import { memo, useState } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { HeadEditor } from "../../portraits/HeadEditor.tsx";
import { StateBadge } from "../../portraits/StateBadge.tsx";
import { useRuleRegions } from "../../portraits/useRuleRegions.ts";
import { edit } from "../../table/edits.ts";
import { button } from "../../ui/button.ts";
import { PieceThumb } from "./PieceThumb.tsx";

interface Props {
  report: PersonReport;
  ticket: TicketOf<"portraits">;
  stash: readonly PhotoRef[];
}

/** Height of the pictures, in CSS pixels. */
const THUMB = 64;

/** One person: piece, name, number, rule, how many, the measures, and whether that passes. */
export const PersonRow = memo(function PersonRow({ report, ticket, stash }: Props) {
  const dispatch = useAppDispatch();
  const [edits, setEdits] = useState(false);
  const { person, checks, cell, photo, state, advice, name } = report;
  const record = useAppSelector(({ openJob }) => (photo === null ? undefined : openJob.photos[photo]));
  const change = (next: Partial<Person>) => {
    const people = ticket.people.map((one) => (one.shot === person.shot ? { ...one, ...next } : one));
    dispatch(edit({ do: "ticket", change: { people } }));
  };
  const regions = useRuleRegions();
  // Dozens of rules in each of dozens of rows are listed only where one is about to choose.
  const [chooses, setChooses] = useState(false);
  const offered = chooses ? regions : [{ name: "Of this job", rules: ticket.rules }];
  const chooseRule = (id: string) => {
    const rule = regions.flatMap(({ rules }) => rules).find((one) => one.id === id) ?? null;
    const people = ticket.people.map((one) =>
      one.shot === person.shot ? { ...one, rule: rule?.id ?? null } : one,
    );
    const used = new Set([ticket.rule, ...people.flatMap((one) => one.rule ?? [])]);
    const known =
      rule && !ticket.rules.some((one) => one.id === rule.id) ? [...ticket.rules, rule] : ticket.rules;
    dispatch(edit({ do: "ticket", change: { people, rules: known.filter((one) => used.has(one.id)) } }));
  };
  const remove = () =>
    dispatch(
      edit({ do: "ticket", change: { people: ticket.people.filter(({ shot }) => shot !== person.shot) } }),
    );
  const cellClass = "border-b border-line px-2 py-2 align-middle";
  return (
    <tr>
      <td className={cellClass} style={{ height: THUMB + 16 }}>
        {cell && photo !== null ? (
          <PieceThumb cell={cell} height={THUMB} />
        ) : (
          <select
            aria-label={`Photo of ${name}`}
            className="w-28 rounded-md border border-edge bg-white px-1.5 py-1.5 text-[12.5px]"
            value=""
            onChange={({ target }) => change({ photo: target.value })}
          >
            <option value="">Choose a photo</option>
            {stash.map(({ id, name: file }) => (
              <option key={id} value={id}>
                {file}
              </option>
            ))}
          </select>
        )}
      </td>
      <td className={cellClass}>
        <TextField
          label={`Name of ${name}`}
          value={person.name}
          most={120}
          onChange={(next) => change({ name: next })}
        />
      </td>
      <td className={`${cellClass} w-24 xl:w-28`}>
        <TextField
          label={`Number of ${name}`}
          value={person.number}
          most={60}
          onChange={(next) => change({ number: next })}
        />
      </td>
      <td className={cellClass}>
        <select
          aria-label={`Rule of ${name}`}
          className="w-32 truncate rounded-md xl:w-56 border border-line bg-white px-1.5 py-1.5"
          value={person.rule ?? ""}
          onFocus={() => setChooses(true)}
          onPointerDown={() => setChooses(true)}
          onChange={({ target }) => chooseRule(target.value)}
        >
          <option value="">as the job says</option>
          {offered.map(({ name: region, rules }) => (
            <optgroup key={region} label={region}>
              {rules.map((rule) => (
                <option key={rule.id} value={rule.id}>
                  {ruleTitle(rule)}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </td>
      <td className={`${cellClass} w-20 xl:w-24`}>
        <input
          type="number"
          aria-label={`How many of ${name}`}
          min={LIMITS.quantity.least}
          max={LIMITS.quantity.most}
          placeholder={String(report.quantity)}
          value={person.quantity ?? ""}
          className="measure w-16 rounded-md xl:w-20 border border-line bg-white px-2 py-1.5"
          onChange={({ target }) => {
            const { least, most } = LIMITS.quantity;
            const number = Math.round(Number(target.value));
            change({ quantity: target.value === "" ? null : Math.min(most, Math.max(least, number)) });
          }}
        />
      </td>
      <td className={cellClass}>
        {checks.length > 0 ? (
          <ul className="flex max-w-52 flex-col text-[12px]">
            <li className="text-good">
              {checks.filter(({ state }) => state === "right").length} of {checks.length} right
            </li>
            {checks
              .filter(({ state }) => state !== "right")
              .map(({ name: check, title, state, says }) => (
                <li key={check} className={state === "wrong" ? "font-semibold text-wrong" : "text-ink-2"}>
                  {title}
                  {says !== "" && `: ${says}`}
                  {state === "not measured" && ": not measured"}
                </li>
              ))}
          </ul>
        ) : (
          <span className="text-ink-2">–</span>
        )}
      </td>
      <td className={`${cellClass} max-w-72`}>
        <StateBadge state={state} />
        {advice !== "" && <p className="mt-1 text-[12px] text-ink-2">{advice}</p>}
      </td>
      <td className={`${cellClass} text-right whitespace-nowrap`}>
        {record && cell && (
          <button
            type="button"
            className={button.plain}
            aria-label={`Handles of ${name}`}
            onClick={() => setEdits(true)}
          >
            <ScanFace size={14} aria-hidden /> Handles
          </button>
        )}
        <button
          type="button"
          aria-label={`Take ${name} off the list`}
          className="ml-1 rounded p-1.5 text-ink-3 hover:text-wrong"
          onClick={remove}
        >
          <X size={15} aria-hidden />
        </button>
        {edits && record && (
          <HeadEditor
            photo={report.photo!}
            record={record}
            name={report.name}
            report={report}
            onClose={() => setEdits(false)}
          />
        )}
      </td>
    </tr>
  );
});

interface TextProps {
  label: string;
  value: string;
  most: number;
  onChange(value: string): void;
}

/** A text that is taken with Enter or when it is left; Escape takes it back. */
function TextField({ label, value, most, onChange }: TextProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    if (typed !== null && typed.trim() !== value) onChange(typed.trim());
    setTyped(null);
  };
  return (
    <input
      aria-label={label}
      value={typed ?? value}
      maxLength={most}
      className="w-full min-w-24 rounded-md border border-line bg-white px-2 py-1.5"
      onChange={({ target }) => setTyped(target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") take();
        if (event.key === "Escape") setTyped(null);
      }}
    />
  );
}

import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { EVENT_LIMITS, FOLDER_LANE, listed, type EventSetup, type Printer } from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import type { ReactNode } from "react";
import { layoutsOf } from "../../api/layouts.ts";
import { usePatternsQuery, usePrintersQuery } from "../../api/queries.ts";
import { Check } from "../../ui/Check.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { BehindPeople } from "./BehindPeople.tsx";
import { Sources } from "./Sources.tsx";

interface Props {
  setup: EventSetup;
  hasPin: boolean;
  /** The end of the guests’ address. */
  token: string;
  onChange(change: Partial<EventSetup>, pin?: string): void;
}

/** The sentence that says the whole event. Every underlined part opens a small panel right there. */
export function SetupSentence({ setup, hasPin, token, onChange }: Props) {
  const { data: patterns = [] } = usePatternsQuery();
  const { data: printers = [] } = usePrintersQuery();
  const [usual] = setup.patterns;
  const several = setup.patterns.length > 1;
  return (
    <p className="max-w-[1480px] text-[20px] leading-[1.62] tracking-[-0.005em] text-ink-2">
      Take{" "}
      <Part
        then=","
        title="What guests take home"
        text={
          several
            ? `photos for one of ${setup.patterns.length} patterns`
            : `${usual!.shots} ${usual!.shots === 1 ? "shot" : "shots"} for ${usual!.name}`
        }
      >
        <PatternChoice setup={setup} patterns={patterns} onChange={onChange} />
      </Part>
      print each set{" "}
      <Part then="," title="How many prints" text={setup.copies === 1 ? "once" : `${setup.copies} times`}>
        <Counts setup={setup} onChange={onChange} />
      </Part>
      at most{" "}
      <Part title="The most that guests may have" text={setup.most === 1 ? "once" : `${setup.most} times`}>
        <Counts setup={setup} onChange={onChange} />
      </Part>{" "}
      a set, {setup.review ? "" : "and "}
      <Part
        then=","
        title="Before it prints"
        text={setup.review ? "after guests looked at it" : "without asking"}
      >
        <Check
          label="Guests look at their set, and may take a shot again, before it prints"
          checked={setup.review}
          onChange={(review) => onChange({ review })}
        />
      </Part>
      with{" "}
      <Part title="What is behind people" text={setup.behind ? "a picture" : "nothing new"}>
        <BehindPeople setup={setup} onChange={onChange} />
      </Part>{" "}
      behind people, {setup.printers[0] === FOLDER_LANE ? "into" : "on"}{" "}
      <Part then="," title="Where prints go" text={sayPrinters(setup, printers)}>
        <PrinterChoice setup={setup} printers={printers} onChange={onChange} />
      </Part>
      from{" "}
      <Part then="," title="Where photos come from" text={saySources(setup)}>
        <Sources setup={setup} hasPin={hasPin} token={token} onChange={onChange} />
      </Part>
      until{" "}
      <Part
        then="."
        title="When it ends"
        text={setup.until ? setup.until.replace("T", ", ") : "somebody ends it"}
      >
        <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
          It ends by itself
          <input
            type="datetime-local"
            className="rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink"
            value={setup.until ?? ""}
            onChange={({ target }) => onChange({ until: target.value === "" ? null : target.value })}
          />
        </label>
        <p className="mt-2 text-[12.5px] text-ink-2">
          No more photos are taken in then; what was asked for still prints. Empty for never.
        </p>
      </Part>
    </p>
  );
}

interface PartProps {
  title: string;
  text: string;
  /** What stands right behind it, and on its line. */
  then?: "," | ".";
  children: ReactNode;
}

function Part({ title, text, then, children }: PartProps) {
  return (
    <>
      <Popover as="span" className="whitespace-nowrap">
        <PopoverButton
          title={title}
          aria-label={`${title}: ${text}`}
          className="inline rounded-[3px] text-left whitespace-normal px-px font-semibold text-accent underline decoration-[1.5px] underline-offset-[5px] hover:bg-accent-soft data-open:bg-accent-soft"
        >
          {text}
        </PopoverButton>
        {then}
        <PopoverPanel
          focus
          anchor={{ to: "bottom start", gap: 6, padding: 12 }}
          role="dialog"
          aria-label={title}
          className="z-30 w-[360px] rounded-xl border border-line bg-white p-3.5 text-[14px] tracking-normal text-ink shadow-xl"
        >
          <p className="mb-2.5 text-[13px] font-semibold">{title}</p>
          {children}
        </PopoverPanel>
      </Popover>
      {then === "," && " "}
    </>
  );
}

type Change = Pick<Props, "setup" | "onChange">;

function PatternChoice({ setup, patterns, onChange }: Change & { patterns: PatternView[] }) {
  const chosen = setup.patterns;
  // What an event began with stays to be chosen, whatever became of it in the book.
  const layouts = layoutsOf(patterns);
  const gone = chosen.filter(({ id }) => !layouts.some((one) => one.id === id));
  const all = [...gone, ...layouts.map((layout) => ({ ...layout, shots: 1 }))];
  return (
    <ul className="flex max-h-72 flex-col gap-1.5 overflow-y-auto">
      {all.map((one) => {
        const own = chosen.find(({ id }) => id === one.id);
        return (
          <li key={one.id}>
            <Check
              label={own ? `${own.name} (${own.shots} ${own.shots === 1 ? "shot" : "shots"})` : one.name}
              checked={own !== undefined}
              onChange={(on) => {
                const next = on ? [...chosen, one] : chosen.filter(({ id }) => id !== one.id);
                if (next.length > 0 && next.length <= EVENT_LIMITS.patterns) onChange({ patterns: next });
              }}
            />
          </li>
        );
      })}
    </ul>
  );
}

function Counts({ setup, onChange }: Change) {
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Prints of a set"
        value={setup.copies}
        {...EVENT_LIMITS.copies}
        whole
        onChange={(copies) => onChange({ copies, most: Math.max(copies, setup.most) })}
      />
      <NumberField
        label="At most, for guests"
        value={setup.most}
        {...EVENT_LIMITS.most}
        whole
        onChange={(most) => onChange({ most, copies: Math.min(most, setup.copies) })}
      />
    </div>
  );
}

function PrinterChoice({ setup, printers, onChange }: Change & { printers: Printer[] }) {
  const lanes = [
    { id: FOLDER_LANE, name: "A folder: files, with no printer", about: "" },
    ...printers.map(({ id, name, address }) => ({
      ...{ id, name },
      about: address === null ? "writes files in its measures" : "",
    })),
  ];
  return (
    <div className="flex flex-col gap-2.5">
      <ul className="flex max-h-60 flex-col gap-1.5 overflow-y-auto">
        {lanes.map(({ id, name, about }) => (
          <li key={id}>
            <Check
              label={about ? `${name} (${about})` : name}
              checked={setup.printers.includes(id)}
              onChange={(on) => {
                const others = setup.printers.filter((one) => one !== id && (!on || one !== FOLDER_LANE));
                const next = on ? (id === FOLDER_LANE ? [id] : [...others, id]) : others;
                if (next.length > 0 && next.length <= EVENT_LIMITS.printers) onChange({ printers: next });
              }}
            />
          </li>
        ))}
      </ul>
      <p className="text-[12.5px] text-ink-2">
        Several print by turns; while one stands still the others go on. Printers and their addresses are in
        Sizes.
      </p>
      <div className="border-t border-line pt-2.5">
        <Check
          label="Count the prints left on each roll"
          checked={setup.roll !== null}
          onChange={(on) => onChange({ roll: on ? 700 : null })}
        />
        {setup.roll !== null && (
          <div className="mt-2">
            <NumberField
              label="Prints on a full roll"
              value={setup.roll}
              {...EVENT_LIMITS.roll}
              whole
              onChange={(roll) => onChange({ roll })}
            />
          </div>
        )}
      </div>
    </div>
  );
}

function sayPrinters({ printers: ids }: EventSetup, printers: readonly Printer[]): string {
  if (ids[0] === FOLDER_LANE) return "a folder";
  const names = ids.map((id) => printers.find((one) => one.id === id)?.name ?? id);
  const list = listed(names);
  return names.length === 1 ? list : `${list} by turns`;
}

function saySources({ camera, folder, telephones }: EventSetup): string {
  const sources = [
    camera && "the guests’ page",
    telephones && "telephones",
    folder !== null && (folder === "" ? "a folder that is still to be said" : folder),
  ].filter((one) => typeof one === "string");
  return sources.length === 0 ? "nowhere yet" : sources.join(" and ");
}

import { kindOf, type Job, type Made, type PatternTarget } from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import { CircleX, Hand, PenLine, Trash2, TriangleAlert, Check, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { button } from "../../ui/button.ts";
import type { Words } from "../../words/words.ts";
import { spoils, type Said, type usePatternActs } from "./usePattern.ts";

interface Props {
  pattern: PatternView;
  target: PatternTarget;
  made: Made & { said: Said[] };
  words: Words;
  acts: ReturnType<typeof usePatternActs>;
  onChange(): void;
}

/** A target: what it comes to, what to look at, and what can be done with it. */
export function TargetCard({ pattern, target, made, words, acts, onChange }: Props) {
  const { id, corrections } = target;
  const { name } = target.for;
  return (
    <section aria-label={name} className="flex flex-col gap-3.5 text-[13px]">
      <h2 className="text-[15px] font-semibold wrap-anywhere">{name}</h2>
      <button type="button" className={`${button.main} self-start`} onClick={() => acts.start(id)}>
        Start a job
      </button>
      <SaidList said={made.said} />
      <Facts job={made.job} words={words}>
        <Fact name="Scale">
          {words.percent(made.fitting.across)}
          {Math.abs(made.fitting.across - made.fitting.down) > 1e-4 &&
            ` across, ${words.percent(made.fitting.down)} down`}
        </Fact>
      </Facts>
      <div className="flex flex-col items-start gap-2 border-t border-line pt-3">
        {corrections.length > 0 ? (
          <>
            <p className="flex items-center gap-1.5 text-accent">
              <Hand size={14} aria-hidden />
              {corrections.length === 1 ? "One thing was" : `${corrections.length} things were`} set by hand
              for this printer.
            </p>
            <button
              type="button"
              className={button.plain}
              onClick={() => void acts.uncorrect(pattern.id, id)}
            >
              Back to computed
            </button>
          </>
        ) : (
          <p className="text-ink-2">
            To set something by hand for this printer alone, start a job, change it, and choose “Keep as
            pattern” there.
          </p>
        )}
      </div>
      <div className="flex flex-wrap gap-2 border-t border-line pt-3">
        <button type="button" className={button.plain} onClick={onChange}>
          <PenLine size={14} aria-hidden /> Change
        </button>
        <button type="button" className={button.plain} onClick={() => void acts.remove(pattern.id, id, name)}>
          <Trash2 size={14} aria-hidden /> Take it out
        </button>
      </div>
    </section>
  );
}

/** The pattern itself, and the way to its first target. */
export function OwnCard({
  pattern,
  words,
  onStart,
  onMake,
}: {
  pattern: PatternView;
  words: Words;
  onStart(): void;
  onMake(): void;
}) {
  const said = spoils(pattern.job, words);
  return (
    <section aria-label="The pattern itself" className="flex flex-col gap-3.5 text-[13px]">
      <h2 className="text-[15px] font-semibold wrap-anywhere">{pattern.job.target.printer.name}</h2>
      <div className="flex flex-wrap gap-2">
        <button type="button" className={button.main} onClick={onStart}>
          Start a job
        </button>
        <button type="button" className={button.plain} onClick={onMake}>
          <Plus size={14} aria-hidden /> Make it for …
        </button>
      </div>
      {said.length > 0 && <SaidList said={said} />}
      <Facts job={pattern.job} words={words} />
      <p className="border-t border-line pt-3 text-ink-2">
        To change the pattern, start a job from it, change that, and choose “Keep as pattern” there: all
        printers that it is made for are made anew.
      </p>
      {kindOf(pattern.job).keepsSizes && (
        <p className="text-ink-2">
          Its pieces have the size that was asked for, so on another page as many as fit are laid out anew.
        </p>
      )}
    </section>
  );
}

const LOOKS = {
  wrong: { icon: CircleX, colour: "text-wrong" },
  look: { icon: TriangleAlert, colour: "text-look" },
  right: { icon: Check, colour: "text-good" },
} as const;

/** What is to be said of it, each with its sign. */
export function SaidList({ said }: { said: readonly Said[] }) {
  return (
    <ul aria-label="What to look at" className="flex flex-col gap-1.5">
      {said.map(({ level, sentence }) => {
        const { icon: Icon, colour } = LOOKS[level];
        return (
          <li key={sentence} className={`flex gap-1.5 ${colour}`}>
            <Icon size={14} aria-hidden className="mt-[3px] shrink-0" />
            <span>{sentence}</span>
          </li>
        );
      })}
    </ul>
  );
}

function Facts({ job, words, children }: { job: Job; words: Words; children?: ReactNode }) {
  const { target, sheet, impose } = job;
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 border-t border-line pt-3">
      <Fact name="Printer">{target.printer.name}</Fact>
      <Fact name="Page">{sheet.paper.name}</Fact>
      {impose.way !== "one" && <Fact name="Cut from">{impose.paper.name}</Fact>}
      <Fact name="Resolution">{words.number(target.ppi, 0, 2)} ppi</Fact>
      <Fact name="Bleed">{words.length(target.bleed)}</Fact>
      {target.enlarged > 0 && <Fact name="Enlarged">{words.number(target.enlarged, 0, 2)} %</Fact>}
      {children}
    </dl>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-ink-3">{name}</dt>
      <dd className="measure min-w-0 truncate text-right">{children}</dd>
    </>
  );
}

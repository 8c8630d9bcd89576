import { BookMarked, Plus } from "lucide-react";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import type { MadeFor, PatternTarget } from "@wide-quilt/core";
import type { PatternView as Kept } from "@wide-quilt/server/contract";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJobs, WayToPatterns } from "../../app/Way.tsx";
import { useTitle } from "../../app/useTitle.ts";
import { usePlaces } from "../../places/places.ts";
import { EmptyPage } from "../../ui/EmptyPage.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { SideBySide } from "./SideBySide.tsx";
import { OwnCard, TargetCard } from "./TargetCard.tsx";
import { TargetForm } from "./TargetForm.tsx";
import { TargetList } from "./TargetList.tsx";
import { beginning, useMade, usePattern, usePatternActs } from "./usePattern.ts";

/** One pattern: the printers that it is made for, each beside the pattern itself, and “Make it for …”. */
export function PatternView() {
  const { id = "" } = useParams();
  const { pattern, failure } = usePattern(id);
  useTitle(pattern?.name ?? "Pattern");
  if (failure) {
    return (
      <p role="alert" className="m-8 rounded-lg bg-wrong-soft px-4 py-3 text-wrong">
        {failure}
      </p>
    );
  }
  if (pattern === undefined) {
    return (
      <div className="min-h-screen">
        <PageHead title="Pattern" under={[<WayToJobs key="jobs" />, <WayToPatterns key="patterns" />]} />
        <EmptyPage icon={BookMarked} title="This pattern is not in the book any more">
          <p className="text-ink-2">
            It was taken out, here or in another window. Jobs that were started from it are still there.
          </p>
        </EmptyPage>
      </div>
    );
  }
  return pattern && <Whole key={id} pattern={pattern} />;
}

/** What is being made for: nothing, something new, or a target anew. */
interface Draft {
  of: string | null;
  madeFor: MadeFor;
}

function Whole({ pattern }: { pattern: Kept }) {
  const [asked] = useSearchParams();
  const [isBegun, setBegun] = useState(false);
  const { printers } = usePlaces();
  const acts = usePatternActs();
  const [chosenId, setChosen] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft | null>(null);
  const chosen = pattern.targets.find(({ id }) => id === chosenId) ?? null;
  const begin = () => {
    const printer = printers.find(({ id }) => id !== pattern.job.target.printer.id) ?? printers[0];
    if (printer) setDraft({ of: null, madeFor: beginning(pattern, printer) });
  };
  // Who came to make it for another printer is asked for which at once.
  if (asked.has("make") && !isBegun && printers.length > 0) {
    setBegun(true);
    begin();
  }
  const shown: Pick<PatternTarget, "for" | "corrections"> | null = draft
    ? {
        for: draft.madeFor,
        corrections: pattern.targets.find(({ id }) => id === draft.of)?.corrections ?? [],
      }
    : chosen;
  const keep = async () => {
    if (!draft) return;
    const madeFor = await acts.filled(pattern.job, draft.madeFor);
    if (!madeFor) return;
    const now =
      draft.of === null
        ? await acts.add(pattern.id, madeFor)
        : await acts.change(pattern.id, draft.of, madeFor);
    if (!now) return;
    setDraft(null);
    setChosen(draft.of ?? now.targets.at(-1)!.id);
    // One that comes with the program was copied into the book.
    if (now.id !== pattern.id) acts.go(now.id);
  };
  return (
    <div className="flex h-screen min-h-0 flex-col">
      <PageHead title={pattern.name} under={[<WayToJobs key="jobs" />, <WayToPatterns key="patterns" />]}>
        <button type="button" className={button.main} disabled={draft !== null} onClick={begin}>
          <Plus size={15} aria-hidden /> Make it for …
        </button>
      </PageHead>
      <main className="grid min-h-0 flex-1 grid-cols-[248px_minmax(0,1fr)_320px] max-[1100px]:grid-cols-[208px_minmax(0,1fr)_296px]">
        <TargetList
          pattern={pattern}
          chosen={draft ? draft.of : chosenId}
          isNew={draft !== null && draft.of === null}
          onChoose={(id) => {
            setDraft(null);
            setChosen(id);
          }}
        />
        {shown ? (
          <Made key={draft ? "draft" : chosenId} pattern={pattern} shown={shown}>
            {(made, words) => (
              <>
                <section aria-label="Side by side" className="min-h-0 overflow-hidden bg-table">
                  <SideBySide master={pattern.job} made={made} words={words} title={shown.for.name} />
                </section>
                <aside className="min-h-0 overflow-y-auto border-l border-line bg-white p-4">
                  {draft ? (
                    <TargetForm
                      pattern={pattern}
                      madeFor={draft.madeFor}
                      made={made}
                      isNew={draft.of === null}
                      onChange={(madeFor) => setDraft({ ...draft, madeFor })}
                      onKeep={() => void keep()}
                      onLeave={() => setDraft(null)}
                    />
                  ) : (
                    chosen && (
                      <TargetCard
                        pattern={pattern}
                        target={chosen}
                        made={made}
                        words={words}
                        acts={acts}
                        onChange={() => setDraft({ of: chosen.id, madeFor: chosen.for })}
                      />
                    )
                  )}
                </aside>
              </>
            )}
          </Made>
        ) : (
          <Own pattern={pattern} onStart={() => acts.start(pattern.id)} onMake={begin} />
        )}
      </main>
    </div>
  );
}

type MadeNow = ReturnType<typeof useMade>;
type WordsNow = ReturnType<typeof useWords>;

/** What the pattern comes to for a target, for whoever shows it. */
function Made({
  pattern,
  shown,
  children,
}: {
  pattern: Kept;
  shown: Pick<PatternTarget, "for" | "corrections">;
  children(made: MadeNow, words: WordsNow): React.ReactNode;
}) {
  const words = useWords(shown.for.printer.ppi);
  return children(useMade(pattern, shown.for, shown.corrections, words), words);
}

function Own({ pattern, onStart, onMake }: { pattern: Kept; onStart(): void; onMake(): void }) {
  const words = useWords(pattern.job.target.ppi);
  return (
    <>
      <section aria-label="The pattern" className="min-h-0 overflow-hidden bg-table">
        <SideBySide master={pattern.job} made={null} words={words} title={pattern.job.target.printer.name} />
      </section>
      <aside className="min-h-0 overflow-y-auto border-l border-line bg-white p-4">
        <OwnCard pattern={pattern} words={words} onStart={onStart} onMake={onMake} />
      </aside>
    </>
  );
}

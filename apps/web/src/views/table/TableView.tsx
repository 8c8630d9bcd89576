import { lazy, Suspense, useEffect } from "react";
import { useParams } from "react-router";
import { Coming } from "../../app/Coming.tsx";
import { Deleted } from "../../app/Deleted.tsx";
import { NotOpened } from "../../app/NotOpened.tsx";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { useFollow } from "../../app/useFollow.ts";
import { useTitle } from "../../app/useTitle.ts";
import { open } from "../../table/edits.ts";
import { selectIsPrinted, selectPrintedSheet } from "../../table/sheets.ts";
import { CellCard } from "./CellCard.tsx";
import { PartCard } from "./PartCard.tsx";
import { CheckList } from "./CheckList.tsx";
import { FootBar } from "./FootBar.tsx";
import { HeadBar } from "./HeadBar.tsx";
import { SideSwitch } from "./SideSwitch.tsx";
import { SumsLine } from "./SumsLine.tsx";
import { Stash } from "./stash/Stash.tsx";
import { Table } from "./table/Table.tsx";
import { Ticket } from "./ticket/Ticket.tsx";
import { useKeys } from "./useKeys.ts";

const FinishPane = lazy(() => import("./finish/FinishPane.tsx"));
const ComparePapers = lazy(async () => ({
  default: (await import("./ticket/ComparePapers.tsx")).ComparePapers,
}));

/** The sheet on the table: ticket above, photos at the left, the selected cell's card at the right. */
export function TableView() {
  const { id } = useParams();
  const dispatch = useAppDispatch();
  // Only what the parts below do not look up themselves: a change of the job draws just those anew that show it.
  const name = useAppSelector((state) => state.openJob.job?.name);
  const side = useAppSelector((state) => state.view.side);
  const compares = useAppSelector((state) => state.view.compares);
  const failure = useAppSelector((state) => state.openJob.failure);
  const waits = useAppSelector((state) => state.openJob.waits);
  const isGone = useAppSelector((state) => state.openJob.isGone);
  useEffect(() => {
    if (id) void dispatch(open(id));
  }, [dispatch, id]);
  useFollow(id ?? null);
  useKeys();
  useTitle(name ?? null);

  if (failure) return <NotOpened why={failure} />;
  if (isGone) return <Deleted />;
  if (name === undefined) return <Coming what="Laying out the sheet …" waits={waits} />;
  return (
    <div className="relative grid h-screen min-h-[560px] grid-cols-[minmax(0,1fr)] grid-rows-[48px_auto_minmax(0,1fr)_30px] overflow-clip">
      <HeadBar name={name} />
      <section aria-label="Ticket" className="border-b border-line bg-white px-5 pt-3 pb-2.5">
        <Ticket />
        <SumsLine />
      </section>
      <main className="grid min-h-0 grid-cols-[204px_minmax(0,1fr)_272px]">
        <Stash />
        <Table />
        <aside
          aria-label="Selected cell, finish and things to check"
          className="relative overflow-y-auto border-l border-line bg-[#fafaf8] p-3.5"
        >
          <SideSwitch />
          {side === "cell" ? (
            <InHand />
          ) : (
            <Suspense fallback={<p className="mb-4 text-[12.5px] text-ink-3">Getting the finish ready …</p>}>
              <FinishPane />
            </Suspense>
          )}
          <CheckList />
        </aside>
      </main>
      <FootBar />
      {compares && (
        <Suspense>
          <ComparePapers />
        </Suspense>
      )}
    </div>
  );
}

/** What the column says of what lies on the table: a cell of a page, or a sheet that shows a part of one. */
function InHand() {
  const printed = useAppSelector((state) => (selectIsPrinted(state) ? selectPrintedSheet(state) : undefined));
  return printed && printed.parts.length > 0 ? <PartCard sheet={printed} /> : <CellCard />;
}

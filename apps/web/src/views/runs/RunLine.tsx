import type { Run } from "@wide-quilt/server/contract";
import {
  Check,
  CircleCheck,
  CircleHelp,
  CirclePause,
  CircleSlash,
  Clock,
  Download,
  OctagonAlert,
  Pause,
  Play,
  RotateCw,
  X,
  type LucideIcon,
} from "lucide-react";
import type { ReactNode } from "react";
import { address } from "../../api/client.ts";
import { Progress } from "../../ui/Progress.tsx";
import { button } from "../../ui/button.ts";
import { fileSize, moneyIn, when } from "../../words/words.ts";
import type { RunActs } from "../press/useRuns.ts";

interface Props {
  run: Run;
  act: RunActs;
  /** Whether it is said which job it was made of. */
  ofJob?: ReactNode;
}

const SIGNS: Record<Exclude<Run["state"], "painting">, [LucideIcon, colour: string]> = {
  waiting: [Clock, "text-ink-3"],
  paused: [CirclePause, "text-look"],
  asking: [CircleHelp, "text-look"],
  done: [CircleCheck, "text-good"],
  failed: [OctagonAlert, "text-wrong"],
  cancelled: [CircleSlash, "text-ink-3"],
};

/** One run: what became of it, and what can be done with it now. */
export function RunLine({ run, act, ofJob }: Props) {
  const { id, state, progress, print, waits } = run;
  if (state === "painting") {
    return (
      <li className="flex flex-col gap-2 rounded-lg border border-line bg-white p-3">
        {ofJob}
        <Progress
          label={
            print && progress?.what === "to the printer"
              ? `Printing on ${run.madeBy}`
              : `Writing ${progress?.what ?? ""}`
          }
          done={progress?.done ?? 0}
          of={progress?.of ?? 0}
        />
        {waits !== null && (
          <p role="status" className="rounded-md bg-look-soft px-2.5 py-1.5 text-[12.5px] text-look">
            {waits}
          </p>
        )}
        <div className="flex gap-2">
          <button type="button" className={`${button.plain} grow`} onClick={() => act.pause(id)}>
            <Pause size={14} aria-hidden /> Hold
          </button>
          <button type="button" className={`${button.plain} grow`} onClick={() => act.cancel(id)}>
            <X size={14} aria-hidden /> Cancel
          </button>
        </div>
      </li>
    );
  }
  const [Icon, colour] = SIGNS[state];
  return (
    <li className="flex flex-col gap-2 rounded-lg border border-line bg-white p-3 text-[12.5px]">
      {ofJob}
      <div className="flex gap-2">
        <Icon size={15} aria-hidden className={`mt-0.5 shrink-0 ${colour}`} />
        <Became run={run} />
      </div>
      <Ways run={run} act={act} />
    </li>
  );
}

function Became({ run }: { run: Run }) {
  const { state, files, why, price, createdAt, doneAt, print, sheets, madeBy, waits, inDoubt } = run;
  const money = moneyIn(run.currency);
  const at = <span className="text-ink-2">{when(doneAt ?? createdAt)}</span>;
  switch (state) {
    case "done": {
      if (print) {
        return (
          <span className="min-w-0">
            Printed on <b className="font-semibold">{madeBy}</b>
            <span className="block text-ink-2">
              {sheets === 1 ? "1 sheet" : `${sheets} sheets`}
              {price !== null && price > 0 && (
                <>
                  , about <span className="measure">{money(price)}</span>
                </>
              )}
              , {at}
              {why !== null && <span className="block">{why}</span>}
            </span>
          </span>
        );
      }
      const [first] = files;
      const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
      return (
        <span className="min-w-0">
          <span className="sr-only">Written: </span>
          <b className="font-semibold break-all">{first?.name}</b>
          {files.length > 1 && ` and ${files.length - 1} more`}
          <span className="block text-ink-2">
            <span className="measure">{fileSize(bytes)}</span>
            {price !== null && price > 0 && (
              <>
                , about <span className="measure">{money(price)}</span>
              </>
            )}
            , {at}
          </span>
        </span>
      );
    }
    case "failed":
      return (
        <span>
          {why} {at}
        </span>
      );
    case "cancelled":
      return (
        <span>
          {why ?? (print ? "Cancelled. Nothing more is sent." : "Cancelled. Nothing was written.")} {at}
        </span>
      );
    case "paused":
      return (
        <span>
          Held. {why ?? "What is made of it is kept."} {at}
        </span>
      );
    case "asking":
      return (
        <span role="alert">
          <b className="font-semibold">Did sheet {inDoubt} come out?</b>{" "}
          <span className="text-ink-2">
            {madeBy} does not know of it any more, and nothing is printed twice unasked. Look at the printer.
          </span>
        </span>
      );
    default:
      return <span>{waits === null ? "Waits for its turn." : `Waits: ${waits}`}</span>;
  }
}

function Ways({ run: { id, state, files, print }, act }: Omit<Props, "ofJob">) {
  if (state === "done") {
    return (
      <div className="flex flex-col gap-1.5">
        {!print && (
          <a className={button.plain} href={address.download(id)} download>
            <Download size={15} aria-hidden />
            {files.length > 1 ? "Take all as a ZIP" : "Download"}
          </a>
        )}
        <button type="button" className={button.plain} onClick={() => act.again(id)}>
          <RotateCw size={14} aria-hidden /> Again exactly as before
        </button>
      </div>
    );
  }
  if (state === "asking") {
    return (
      <div className="flex gap-2">
        <button type="button" className={`${button.plain} grow`} onClick={() => act.answer(id, true)}>
          <Check size={14} aria-hidden /> Yes, go on
        </button>
        <button type="button" className={`${button.plain} grow`} onClick={() => act.answer(id, false)}>
          <RotateCw size={14} aria-hidden /> No, print it
        </button>
        <button type="button" className={button.plain} onClick={() => act.cancel(id)}>
          Cancel
        </button>
      </div>
    );
  }
  return (
    <div className="flex gap-2">
      {state !== "waiting" && (
        <button type="button" className={`${button.plain} grow`} onClick={() => act.goOn(id)}>
          {state === "paused" ? <Play size={14} aria-hidden /> : <RotateCw size={14} aria-hidden />}
          {state === "paused" ? "Go on" : "Try again"}
        </button>
      )}
      {(state === "waiting" || state === "paused") && (
        <button type="button" className={`${button.plain} grow`} onClick={() => act.cancel(id)}>
          <X size={14} aria-hidden /> Cancel
        </button>
      )}
    </div>
  );
}

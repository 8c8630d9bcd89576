import { CircleCheck, Eye, OctagonAlert, X } from "lucide-react";
import { useEffect } from "react";
import { changeOver } from "../table/putIn.ts";
import { button } from "../ui/button.ts";
import { useAppDispatch, useAppSelector } from "./hooks.ts";
import { noticeClosed, type Notice } from "./noticeSlice.ts";

const LOOKS = {
  right: { icon: CircleCheck, classes: "border-good/40 text-good" },
  look: { icon: Eye, classes: "border-look/40 text-look" },
  wrong: { icon: OctagonAlert, classes: "border-wrong/40 text-wrong" },
};

/** Milliseconds that a good word stays; what went wrong stays until it is closed. */
const STAYS = 7000;

/** Sentences about what just happened. */
export function Notices() {
  const notices = useAppSelector((state) => state.notices);
  return (
    <div
      role="status"
      className="fixed bottom-12 left-1/2 z-50 flex w-[min(560px,90vw)] -translate-x-1/2 flex-col gap-2"
    >
      {notices.map((notice) => (
        <NoticeLine key={notice.id} notice={notice} />
      ))}
    </div>
  );
}

function NoticeLine({ notice: { id, text, level, offer, reloads } }: { notice: Notice }) {
  const dispatch = useAppDispatch();
  const { icon: Icon, classes } = LOOKS[level];
  useEffect(() => {
    if (level === "wrong" || offer || reloads) return;
    const timer = setTimeout(() => dispatch(noticeClosed(id)), STAYS);
    return () => clearTimeout(timer);
  }, [dispatch, id, level, offer, reloads]);
  return (
    <div className={`flex items-start gap-3 rounded-lg border bg-white px-4 py-3 shadow-lg ${classes}`}>
      <Icon size={18} className="mt-0.5 shrink-0" aria-hidden />
      <p className="grow text-[13.5px] text-ink">{text}</p>
      {offer && (
        <button
          type="button"
          className={button.plain}
          onClick={() => {
            dispatch(changeOver(offer));
            dispatch(noticeClosed(id));
          }}
        >
          Change the two over
        </button>
      )}
      {reloads && (
        <button type="button" className={button.plain} onClick={() => location.reload()}>
          Load again
        </button>
      )}
      <button
        type="button"
        aria-label="Close"
        className="rounded p-1 text-ink-3 hover:bg-chrome"
        onClick={() => dispatch(noticeClosed(id))}
      >
        <X size={16} aria-hidden />
      </button>
    </div>
  );
}

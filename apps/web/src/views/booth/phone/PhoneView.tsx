import type { GuestView } from "@wide-quilt/server/contract";
import { Camera, Check, Images } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import { useParams } from "react-router";
import { address, server } from "../../../api/client.ts";
import { sentenceOf } from "../../../api/problem.ts";
import { newId } from "../../../app/ids.ts";
import { useTitle } from "../../../app/useTitle.ts";
import { FileButton } from "../../../ui/FileButton.tsx";

const STORED = "wide-quilt-phone";
/** How often the place in the queue is asked for, in milliseconds. */
const ASKS = 3000;

/** The name of this telephone, which it keeps. */
function ownName(): string {
  try {
    const before = localStorage.getItem(STORED);
    if (before) return before;
    const name = `phone-${newId()}`;
    localStorage.setItem(STORED, name);
    return name;
  } catch {
    return `phone-${newId()}`;
  }
}

/** A guest’s telephone: photos are sent, looked at, and printed. Nothing else is seen from here. */
export function PhoneView() {
  const { token = "" } = useParams();
  const [party] = useState(ownName);
  const [view, setView] = useState<GuestView | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [sending, setSending] = useState<{ done: number; of: number } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  useTitle(view?.name ?? "Your photos");
  const ask = useCallback(async () => {
    try {
      setView(await server.guest(token, party));
      setFailure(null);
    } catch (error) {
      setFailure(sentenceOf(error));
    }
  }, [token, party]);
  useEffect(() => {
    queueMicrotask(() => void ask());
    const timer = setInterval(() => void ask(), ASKS);
    return () => clearInterval(timer);
  }, [ask]);
  const send = async (files: readonly File[]) => {
    setSaid(null);
    for (const [done, file] of files.entries()) {
      setSending({ done, of: files.length });
      try {
        const taken = await server.guestShot(token, party, file);
        if ("refused" in taken) setSaid(`${taken.refused.name}: ${taken.refused.why}`);
      } catch (error) {
        setSaid(sentenceOf(error));
        break;
      }
    }
    setSending(null);
    await ask();
  };
  const act = async (what: Parameters<typeof server.guestAct>[2]) => {
    await server.guestAct(token, party, what).catch((error: unknown) => setSaid(sentenceOf(error)));
    await ask();
  };
  if (!view)
    return (
      <main className="p-6 text-[18px]">
        {failure ? <p role="alert">{failure}</p> : <p className="text-ink-2">One moment …</p>}
      </main>
    );
  if (view.ended)
    return (
      <main className="flex min-h-screen flex-col items-center justify-center gap-3 p-6 text-center">
        <h1 className="text-[28px] font-[680]">Thank you for coming</h1>
        <p className="text-[17px] text-ink-2">{view.name} has ended.</p>
      </main>
    );
  const { set, pattern } = view;
  const open = set?.state === "filling" || set?.state === "shown" ? set : null;
  const missing = open ? open.shots.filter((shot) => shot === null).length : pattern.shots;
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col gap-5 p-5">
      <h1 className="text-[26px] leading-tight font-[680]">{view.name}</h1>
      {failure && <p role="status">One moment …</p>}
      {set?.state === "printing" && <OnItsWay set={set} />}
      {open && (
        <ul className="grid grid-cols-3 gap-2" aria-label="Your shots">
          {open.shots.map((photo, i) => (
            <li key={i}>
              {photo ? (
                <button
                  type="button"
                  className="block w-full overflow-hidden rounded-lg border border-line bg-white text-[15px] font-semibold"
                  onClick={() => void act({ act: "retake", place: i + 1 })}
                >
                  <img
                    src={address.guestPhoto(token, photo)}
                    alt={`Shot ${i + 1}`}
                    className="aspect-square w-full object-cover"
                  />
                  <span className="block p-2">Take out</span>
                </button>
              ) : (
                <span className="flex aspect-square items-center justify-center rounded-lg border-2 border-dashed border-accent bg-accent-soft text-[28px] font-semibold text-accent">
                  {i + 1}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      {open?.state === "shown" ? (
        <button type="button" className={BIG} onClick={() => void act({ act: "print", copies: 1 })}>
          <Check aria-hidden /> Print it
        </button>
      ) : (
        <>
          <p className="text-[17px] text-ink-2">
            {open
              ? `${missing} more ${missing === 1 ? "photo" : "photos"}, and your set is full.`
              : `${pattern.shots} ${pattern.shots === 1 ? "photo makes" : "photos make"} a ${pattern.name.toLowerCase()}.`}
          </p>
          {sending ? (
            <p role="status" className="measure text-[17px]">
              Sending {sending.done + 1} of {sending.of} …
            </p>
          ) : (
            <FileButton
              label="Photos of this telephone"
              accept="image/*"
              multiple
              className={BIG}
              onFiles={(files) => void send(files)}
            >
              {set ? <Images aria-hidden /> : <Camera aria-hidden />} Choose or take photos
            </FileButton>
          )}
        </>
      )}
      {said && (
        <p role="alert" className="rounded-lg bg-look-soft p-3 text-[15px] break-words text-look">
          {said}
        </p>
      )}
    </main>
  );
}

const BIG =
  "flex w-full items-center justify-center gap-3 rounded-xl bg-accent px-5 py-4 text-[19px] font-semibold text-white";

function OnItsWay({ set }: { set: NonNullable<GuestView["set"]> }) {
  return (
    <section className="rounded-xl bg-good p-5 text-white" aria-live="polite">
      <h2 className="text-[22px] font-[680]">{set.out ? "Your print is out" : "Your print is on its way"}</h2>
      <p className="mt-1 text-[17px]">
        {set.out
          ? "Take it at the booth. Send more for another one."
          : set.before === null || set.before === 0
            ? "Yours comes next."
            : `${set.before} ${set.before === 1 ? "comes" : "come"} before yours.`}
      </p>
      {set.link !== null && (
        <a
          href={address.takenPage(set.link)}
          className="mt-3 inline-block text-[17px] font-semibold underline"
        >
          Keep your photos, and a moving picture of them
        </a>
      )}
    </section>
  );
}

import {
  bestOf,
  BURST,
  cameraStep,
  cameraWord,
  heldShare,
  judgeSight,
  WAITING,
  type BurstShot,
  type CameraTurn,
  type DocumentRule,
  type JudgedSight,
  type Sight,
  type WriteOptions,
} from "@wide-quilt/core";
import { useCallback, useEffect, useRef, useState, type RefObject } from "react";
import { sentenceOf } from "../../api/problem.ts";
import { lookAt } from "../../seeing/seeing.ts";
import { shutterOf, type Shutter } from "./takePicture.ts";

/** The longer side of what is looked at while the camera waits, and of a picture that was taken, in pixels. */
const LIVE = 640;
const STILL = 1600;
/** Pictures of a burst are so far apart, in milliseconds: a blink takes some 150. */
const APART = 90;
/** Pixels that were measured this long ago still say how the light is. */
const FRESH = 600;
/** A word stands for so long before another one takes its place: nobody reads what flickers. */
const STANDS = 350;

export interface TurnWish {
  rule: DocumentRule;
  backgroundLater: boolean;
  /** Whether it takes pictures by itself. */
  byItself: boolean;
  write: WriteOptions;
}

/** What the page shows of the camera’s turn. */
export interface Turn {
  turn: CameraTurn;
  sight: Sight | null;
  judged: JudgedSight | null;
  /** The one thing to do; null while all is right. */
  word: string | null;
  /** How much of the wait is over, 0…1. */
  held: number;
  /** Looks a second. */
  pace: number;
  /** Why nothing can be looked at; null while it can. */
  fault: string | null;
  press(): void;
  again(): void;
  /** Shows a picture that came another way. */
  show(): void;
}

/** Runs the camera’s turn: looks as fast as this computer can, waits, takes a burst, and hands the best of it on. */
export function useTurn(
  video: RefObject<HTMLVideoElement | null>,
  stream: MediaStream | null,
  wish: TurnWish,
  onTaken: (picture: Blob) => Promise<boolean>,
): Turn {
  const [turn, setTurn] = useState<CameraTurn>(WAITING);
  const [shown, setShown] = useState<Pick<Turn, "sight" | "judged" | "word" | "pace" | "fault">>(NOTHING);
  const now = useRef({ turn, wish, onTaken });
  useEffect(() => {
    now.current = { turn: now.current.turn, wish, onTaken };
  });
  const put = useCallback((next: CameraTurn) => {
    now.current.turn = next;
    setTurn(next);
  }, []);

  useEffect(() => {
    if (!stream) return undefined;
    let over = false;
    const isOver = () => over;
    const run = async () => {
      const film = video.current!;
      const shutter = await shutterWhenRunning(film, stream, isOver);
      const looks = new Looks();
      while (!isOver() && shutter) {
        if (now.current.turn.at === "shown") {
          await pause(120);
          continue;
        }
        try {
          if (now.current.turn.at === "taking") {
            await take(shutter, now.current.turn.by);
            continue;
          }
          const { sight, pace, time } = await looks.look(film);
          if (isOver()) return;
          const { rule, backgroundLater, byItself, write } = now.current.wish;
          const finer = shutter.width / sight.size.width;
          const judged = judgeSight(sight, { rule, finer, backgroundLater, sharpness: false }, write);
          const word = cameraWord(judged);
          looks.measures = word === null || word.about === "pixels";
          const event = {
            is: "seen",
            time,
            right: word === null && sight.study !== null,
          } as const;
          setShown((before) => ({
            sight,
            judged,
            pace,
            fault: null,
            word: looks.steady(before.word, word?.says ?? null),
          }));
          if (byItself) put(cameraStep(now.current.turn, event));
        } catch (error) {
          setShown((before) => ({ ...before, fault: sentenceOf(error) }));
          await pause(1000);
        }
      }
    };
    const take = async (shutter: Shutter, by: "itself" | "key") => {
      // Whose turn it was when the shutter went is whose picture it is.
      const { onTaken } = now.current;
      const burst: Blob[] = [];
      for (let i = 0; i < BURST; i++) {
        const [picture] = await Promise.all([shutter.take(), pause(APART)]);
        burst.push(picture);
      }
      const { rule, backgroundLater, write } = now.current.wish;
      const shots: BurstShot[] = [];
      const words: (string | null)[] = [];
      for (const picture of burst) {
        const whole = await createImageBitmap(picture);
        // As fine as this picture is: a camera that could take no photo gave one of its film.
        const { width } = whole;
        const sight = await lookAt(await smaller(whole, whole, STILL, "high"), true);
        whole.close();
        const wish = { rule, finer: width / sight.size.width, backgroundLater, sharpness: true };
        const judged = judgeSight(sight, wish, write);
        words.push(cameraWord(judged)?.says ?? null);
        shots.push({
          right: words.at(-1) === null,
          wrong: judged.checks.filter(({ state }) => state === "wrong").length,
          blur: sight.study?.blur.eyes ?? null,
        });
      }
      const best = bestOf(shots, by);
      const kept = best !== null && (await onTaken(burst[best]!));
      const why = best === null ? (words.find(Boolean) ?? "Hold still") : "The picture was not kept";
      put(cameraStep(now.current.turn, { is: "taken", kept, why }));
    };
    void run();
    return () => {
      over = true;
    };
  }, [stream, video, put]);

  return {
    ...shown,
    turn,
    held: heldShare(turn),
    press: useCallback(() => put(cameraStep(now.current.turn, { is: "key" })), [put]),
    again: useCallback(() => put(cameraStep(now.current.turn, { is: "again" })), [put]),
    show: useCallback(() => put(cameraStep(now.current.turn, { is: "came" })), [put]),
  };
}

const NOTHING = { sight: null, judged: null, word: "Looking …", pace: 0, fault: null };

/** Looks at a film, one look after the other, and counts them. */
class Looks {
  /** Whether pixels are measured. */
  measures = false;
  private study: { of: Sight["study"]; time: number } = { of: null, time: -Infinity };
  private times: number[] = [];
  private said = { word: null as string | null, since: 0 };

  async look(film: HTMLVideoElement): Promise<{ sight: Sight; pace: number; time: number }> {
    const bitmap = await smaller(film, { width: film.videoWidth, height: film.videoHeight }, LIVE, "low");
    const started = performance.now();
    const wants = this.measures && started - this.study.time > FRESH / 2;
    const seen = await lookAt(bitmap, wants);
    if (seen.study) this.study = { of: seen.study, time: started };
    const now = performance.now();
    this.times = [...this.times.filter((one) => now - one < 2000), now];
    const isFresh = this.measures && now - this.study.time < FRESH;
    const pace = (this.times.length - 1) / Math.max(0.001, (now - this.times[0]!) / 1000);
    const sight = { ...seen, study: seen.study ?? (isFresh ? this.study.of : null) };
    // What was right was so when the picture was seen, not once it had been looked at.
    return { sight, pace, time: started };
  }

  /** The word to show: another one only once it has been said for a while; that all is right at once. */
  steady(shown: string | null, word: string | null): string | null {
    const time = performance.now();
    if (word !== this.said.word) this.said = { word, since: time };
    return word === null || time - this.said.since >= STANDS ? word : shown;
  }
}

/** The shutter, once the film runs; null where it is over before. */
async function shutterWhenRunning(
  film: HTMLVideoElement,
  stream: MediaStream,
  isOver: () => boolean,
): Promise<Shutter | null> {
  film.srcObject = stream;
  await film.play().catch(() => undefined);
  while (!isOver() && film.videoWidth === 0) await pause(50);
  return isOver() ? null : shutterOf(film, stream.getVideoTracks()[0]!);
}

/** A picture of at most so many pixels along its longer side. */
function smaller(
  source: ImageBitmapSource,
  { width, height }: { width: number; height: number },
  longest: number,
  resizeQuality: ResizeQuality,
): Promise<ImageBitmap> {
  const scale = Math.min(1, longest / Math.max(width, height));
  return createImageBitmap(source, {
    resizeWidth: Math.round(width * scale),
    resizeHeight: Math.round(height * scale),
    resizeQuality,
  });
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

import type { JobEdit, NewPhoto } from "@wide-quilt/core";
import type { TakenIn, TakenPhoto } from "@wide-quilt/server/contract";
import { fromEvent } from "file-selector";
import { useCallback, useEffect, useRef, useState } from "react";
import { server } from "../../../api/client.ts";
import { NoAnswer, sentenceOf } from "../../../api/problem.ts";
import { useAppDispatch } from "../../../app/hooks.ts";
import { newId } from "../../../app/ids.ts";
import { noticed } from "../../../app/noticeSlice.ts";
import { store } from "../../../app/store.ts";
import { bringDayFiles } from "../../../calendar/bringDays.ts";
import { holdsDays } from "../../../calendar/sources.ts";
import { edit } from "../../../table/edits.ts";
import { photosCame, waiting } from "../../../table/openJob.ts";
import { again } from "../../../table/sending.ts";

/** What a chooser of photo files shows; what they are is decided by their content. */
export const ACCEPTED = ".jpg,.jpeg,.png,.webp,.tif,.tiff,.avif,.heic,.heif,image/*";

/** Milliseconds between two steps in which photos go into the job: with thousands each step is work. */
const CALM = 200;
/** Requests at a time, so that the next files come in while the last ones are looked at. */
const LANES = 4;

type Refused = Extract<TakenIn, { refused: unknown }>["refused"];

const photoIn = (taken: TakenIn): TakenPhoto[] => ("photo" in taken ? [taken.photo] : []);

/** Brings photo files into the job on the table: chosen, or dropped anywhere on the page. */
export function useArrivals() {
  const dispatch = useAppDispatch();
  const [arriving, setArriving] = useState<{ done: number; of: number } | null>(null);
  const [refused, setRefused] = useState<Refused[]>([]);
  const abort = useRef<AbortController | null>(null);

  const bring = useCallback(
    async (all: readonly File[]) => {
      // Files of events are no photos: their days go into the calendar.
      const ofDays = all.filter(holdsDays);
      if (ofDays.length > 0)
        await bringDayFiles(ofDays).then(
          (said) => {
            dispatch(noticed(`The days of ${ofDays.map(({ name }) => name).join(", ")} are in.`, "right"));
            for (const sentence of said) dispatch(noticed(sentence, "wrong"));
          },
          (error: unknown) => dispatch(noticed(sentenceOf(error), "wrong")),
        );
      const files = all.filter((file) => !holdsDays(file));
      if (files.length === 0) return;
      const controller = (abort.current ??= new AbortController());
      const jobId = store.getState().openJob.id;
      const gesture = newId();
      const folders = new Map(files.map((file) => [file.name, folderOf(file)]));
      setArriving((now) => ({ done: now?.done ?? 0, of: (now?.of ?? 0) + files.length }));
      setRefused([]);
      // Cells are filled in the order of the files, so one that comes early waits for those before it.
      const come = new Map<number, TakenIn>();
      let next = 0;
      let nextIn = 0;
      let ready: TakenPhoto[] = [];
      let last = 0;
      const putIn = () => {
        if (ready.length === 0 || store.getState().openJob.id !== jobId) return;
        dispatch(photosCame(Object.fromEntries(ready.map(({ id, name: _, ...record }) => [id, record]))));
        for (const change of editsFor(ready, folders)) dispatch(edit(change, gesture));
        ready = [];
        last = performance.now();
      };
      const lane = async () => {
        for (let index = next++; index < files.length; index = next++) {
          const taken = await sendPatiently(files[index]!, controller.signal, (silent) =>
            dispatch(waiting(silent)),
          );
          setArriving((now) => now && { ...now, done: now.done + 1 });
          if ("refused" in taken) setRefused((before) => [...before, taken.refused]);
          come.set(index, taken);
          for (let inTurn = come.get(nextIn); inTurn; inTurn = come.get(++nextIn)) {
            come.delete(nextIn);
            ready.push(...photoIn(inTurn));
          }
          if (performance.now() - last > CALM) putIn();
        }
      };
      try {
        await Promise.all(Array.from({ length: LANES }, lane));
      } catch (error) {
        next = files.length;
        if (!controller.signal.aborted) dispatch(noticed(sentenceOf(error), "wrong"));
      } finally {
        // What came after one that failed or was cancelled is here all the same.
        for (const [, taken] of [...come].sort(([a], [b]) => a - b)) ready.push(...photoIn(taken));
        putIn();
        abort.current = null;
        setArriving(null);
      }
    },
    [dispatch],
  );
  const isOver = useFileDrop(bring);
  return {
    arriving,
    refused,
    bring,
    isOver,
    cancel: () => abort.current?.abort(),
    forgetRefused: () => setRefused([]),
  };
}

/** Sends a photo; a server that is away is waited for, until whoever brought it no longer does. */
async function sendPatiently(
  file: File,
  signal: AbortSignal,
  onSilent: (silent: boolean) => void,
): Promise<TakenIn> {
  for (let tries = 0; ; tries++) {
    try {
      const taken = await server.addPhoto(file, signal);
      if (tries > 0) onSilent(false);
      return taken;
    } catch (error) {
      if (!(error instanceof NoAnswer) || signal.aborted) throw error;
      onSilent(true);
      await again(tries);
      signal.throwIfAborted();
    }
  }
}

/** New photos are added; one that has the name of a photo whose file is missing takes its place. */
function editsFor(photos: readonly TakenPhoto[], folders: ReadonlyMap<string, string>): JobEdit[] {
  const { job, photos: here } = store.getState().openJob;
  const missing = new Map(job?.stash.filter(({ id }) => !(id in here)).map(({ id, name }) => [name, id]));
  const relinked: JobEdit[] = photos.flatMap(({ id, name }) => {
    const old = missing.get(name);
    return old === undefined || old === id ? [] : [{ do: "relink photo", photo: old, to: { id, name } }];
  });
  const added = photos
    .filter(({ name }) => !missing.has(name))
    .map(({ id, name, stars, keywords }): NewPhoto => {
      const folder = folders.get(name);
      return {
        id,
        name,
        ...(stars && { stars }),
        ...(keywords && { tags: keywords }),
        ...(folder && { folder }),
      };
    });
  return added.length === 0 ? relinked : [...relinked, { do: "add photos", photos: added }];
}

/** The folder that a file lay in when a whole folder was dropped or chosen; empty for a file by itself. */
function folderOf(file: File): string {
  const path = (file as { path?: string }).path ?? file.webkitRelativePath;
  return path
    .split("/")
    .filter((part) => part !== "" && part !== ".")
    .slice(0, -1)
    .join("/")
    .slice(0, 200);
}

/** Takes files that are dropped anywhere on the page; says whether some are held over it. */
function useFileDrop(bring: (files: readonly File[]) => Promise<void>): boolean {
  const [isOver, setOver] = useState(false);
  useEffect(() => {
    const hasFiles = (event: DragEvent) => event.dataTransfer?.types.includes("Files") ?? false;
    const onDragOver = (event: DragEvent) => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onDragLeave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
    const onDrop = (event: DragEvent) => {
      setOver(false);
      if (!hasFiles(event)) return;
      event.preventDefault();
      // Folders that are dropped are looked into.
      void fromEvent(event).then((found) => bring(found.filter((one) => one instanceof File)));
    };
    window.addEventListener("dragover", onDragOver);
    window.addEventListener("dragleave", onDragLeave);
    window.addEventListener("drop", onDrop);
    return () => {
      window.removeEventListener("dragover", onDragOver);
      window.removeEventListener("dragleave", onDragLeave);
      window.removeEventListener("drop", onDrop);
    };
  }, [bring]);
  return isOver;
}

import { isAsItIs, type Look } from "@wide-quilt/core";
import { useEffect, useState } from "react";

/** What the worker is asked, and what it answers: a preview as it looks, or null where it could not be loaded. */
export interface LookQuestion {
  key: string;
  url: string;
  look: Look;
}
export interface LookAnswer {
  key: string;
  picture: Blob | null;
}

/** Previews kept as they look. */
const MOST = 300;

let worker: Worker | null = null;
const kept = new Map<string, string>();
const waiting = new Map<string, ((url: string | null) => void)[]>();

function ask(question: LookQuestion): Promise<string | null> {
  if (!worker) {
    worker = new Worker(new URL("./looks.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data: { key, picture } }: MessageEvent<LookAnswer>) => {
      const url = picture && URL.createObjectURL(picture);
      if (url) keep(key, url);
      for (const tell of waiting.get(key) ?? []) tell(url);
      waiting.delete(key);
    };
  }
  return new Promise((tell) => {
    const others = waiting.get(question.key);
    if (others) return void others.push(tell);
    waiting.set(question.key, [tell]);
    worker!.postMessage(question);
  });
}

function keep(key: string, url: string): void {
  kept.set(key, url);
  for (const [old, its] of [...kept].slice(0, Math.max(0, kept.size - MOST))) {
    URL.revokeObjectURL(its);
    kept.delete(old);
  }
}

/**
 * The address of a preview as its look has it. Until the worker has painted it, what was shown before stays: while a
 * slider moves the picture never falls back to the plain photo.
 */
export function useLooked(url: string, look: Look | null): string {
  const key = look === null || isAsItIs(look) ? null : `${url} ${JSON.stringify(look)}`;
  const ready = key === null ? url : kept.get(key);
  const [shown, setShown] = useState({ url, as: ready ?? url });
  useEffect(() => {
    if (key === null || look === null) return;
    let current = true;
    const known = kept.get(key);
    const looked = known ? Promise.resolve(known) : ask({ key, url, look });
    void looked.then((as) => current && as && setShown({ url, as }));
    return () => {
      current = false;
    };
  }, [key, url, look]);
  return ready ?? (shown.url === url ? shown.as : url);
}

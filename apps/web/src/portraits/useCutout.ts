import type { Backdrop, BackdropFill, BackdropStroke } from "@wide-quilt/core";
import { useCallback, useEffect, useRef, useState } from "react";
import { server } from "../api/client.ts";
import { NotReadable, sentenceOf } from "../api/problem.ts";
import { useAppDispatch } from "../app/hooks.ts";
import { maskOf, openCutout, showCutout, type ShownCutout } from "../seeing/seeing.ts";
import { edit } from "../table/edits.ts";

/** A photo being cut out: what is shown, what is being worked out, and the way to keep it. */
export interface CutoutState {
  shown: ShownCutout | null;
  busy: boolean;
  failed: string | null;
  keeping: boolean;
  /** Makes the photo with this behind the person and takes it into the job. Says whether that went well. */
  keep(): Promise<boolean>;
}

/** Follows strokes and fill: the last ones asked for are shown, those in between are passed over. */
export function useCutout(
  photo: string,
  strokes: readonly BackdropStroke[],
  fill: BackdropFill,
  wanted: string,
): CutoutState {
  const dispatch = useAppDispatch();
  const [shown, setShown] = useState<ShownCutout | null>(null);
  const [busy, setBusy] = useState(true);
  const [failed, setFailed] = useState<string | null>(null);
  const [keeping, setKeeping] = useState(false);
  const opened = useRef<Promise<void> | null>(null);
  const turn = useRef(0);
  useEffect(() => {
    opened.current = openCutout(photo);
    return () => void (opened.current = null);
  }, [photo]);
  useEffect(() => {
    const own = ++turn.current;
    const show = async () => {
      setBusy(true);
      try {
        await opened.current;
        if (own !== turn.current) return;
        const next = await showCutout(strokes, fill, wanted);
        if (own === turn.current) setShown(next);
      } catch (error) {
        setFailed(sentenceOf(error));
      } finally {
        if (own === turn.current) setBusy(false);
      }
    };
    void show();
  }, [photo, strokes, fill, wanted]);
  const keep = useCallback(async () => {
    setKeeping(true);
    try {
      const png = new File([await maskOf(strokes)], "mask.png", { type: "image/png" });
      const taken = await server.addPhoto(png);
      if ("refused" in taken) throw new NotReadable(taken.refused.why);
      const mask = taken.photo;
      const { id: made } = await server.makeBackdrop(photo, mask.id, fill);
      const backdrop: Backdrop = { strokes: [...strokes], fill, mask: mask.id, made };
      dispatch(edit({ do: "backdrops", backdrops: { [photo]: backdrop } }));
      return true;
    } catch (error) {
      setFailed(sentenceOf(error));
      return false;
    } finally {
      setKeeping(false);
    }
  }, [dispatch, photo, strokes, fill]);
  return { shown, busy, failed, keeping, keep };
}

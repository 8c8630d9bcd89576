import { arrange, type Job } from "@wide-quilt/core";
import { ArrowUp, ImageUp } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useCamera } from "../../camera/useCamera.ts";
import { shutterOf } from "../../camera/takePicture.ts";
import { FileButton } from "../../../ui/FileButton.tsx";
import type { GuestStep } from "./step.ts";
import { useCountdown } from "./useCountdown.ts";

/** Seconds before the first shot, and before each of the others. */
const FIRST = 5;
const NEXT = 3;

interface Props {
  step: Extract<GuestStep, { shows: "posing" }>;
  pattern: Job;
  held: boolean;
  beep(which: "count" | "go"): void;
  /** Sends a shot; false where it was not taken. */
  onShot(photo: Blob): Promise<boolean>;
}

/** The guests see themselves, mirrored, as wide as their shot will be, and are counted down to it. */
export function Posing({ step, pattern, held, beep, onShot }: Props) {
  const { camera, again } = useCamera(null);
  const video = useRef<HTMLVideoElement>(null);
  const [isReady, setReady] = useState(false);
  const [isSending, setSending] = useState(false);
  const [tries, setTries] = useState(0);
  const stream = camera.at === "on" ? camera.stream : null;
  useEffect(() => {
    const film = video.current;
    if (!film || !stream) return;
    film.srcObject = stream;
    const onData = () => setReady(true);
    film.addEventListener("loadeddata", onData);
    void film.play().catch(() => undefined);
    return () => {
      film.removeEventListener("loadeddata", onData);
      setReady(false);
    };
  }, [stream]);
  // A camera that is gone may come back by itself.
  useEffect(() => {
    if (camera.at !== "off") return undefined;
    const timer = setTimeout(again, 5000);
    return () => clearTimeout(timer);
  }, [camera, again]);
  const shape = useMemo(() => {
    const cell = arrange(pattern, {})[0]?.cells.find(({ key }) => key.endsWith(`.${step.place}`));
    return cell ? cell.finished.width / cell.finished.height : 3 / 2;
  }, [pattern, step.place]);
  const take = useCallback(async () => {
    const [track] = stream?.getVideoTracks() ?? [];
    if (!video.current || !track) return;
    setSending(true);
    beep("go");
    try {
      const shutter = await shutterOf(video.current, track);
      if (!(await onShot(await shutter.take()))) setTries((before) => before + 1);
    } catch {
      setTries((before) => before + 1);
    } finally {
      setSending(false);
    }
  }, [stream, beep, onShot]);
  const counts = isReady && !held && !isSending ? `${step.place} ${tries}` : null;
  const left = useCountdown(
    counts,
    step.place === 1 ? FIRST : NEXT,
    () => void take(),
    () => beep("count"),
  );
  return (
    <div className="relative flex h-full items-center justify-center bg-ink p-[3vmin] text-white">
      {camera.at === "off" ? (
        <NoCamera onShot={onShot} />
      ) : (
        <div
          className="relative max-h-full max-w-full overflow-hidden rounded-[2vmin] bg-black"
          style={{ aspectRatio: shape, width: `min(100%, calc(94vh * ${shape}))` }}
        >
          <video
            ref={video}
            muted
            playsInline
            aria-label="What the camera sees, mirrored"
            className="absolute inset-0 h-full w-full -scale-x-100 object-cover"
          />
          {isSending && <div className="absolute inset-0 bg-white/80" />}
          <p className="absolute top-[2.5vmin] left-1/2 flex -translate-x-1/2 items-center gap-[1.5vmin] rounded-full bg-ink/70 px-[3vmin] py-[1vmin] text-[4vmin] font-semibold whitespace-nowrap">
            <ArrowUp aria-hidden className="size-[4vmin]" /> look up here
          </p>
          <p className="absolute bottom-[3vmin] left-[3vmin] rounded-full bg-ink/70 px-[3vmin] py-[1vmin] text-[4vmin] font-semibold">
            shot {step.place} of {step.of}
          </p>
          <p
            role="timer"
            aria-live="assertive"
            className="measure absolute right-[4vmin] bottom-[1vmin] text-[30vmin]! leading-none font-semibold [text-shadow:0_0_3vmin_rgb(0_0_0/.7)]"
          >
            {counts !== null && left > 0 ? left : ""}
          </p>
        </div>
      )}
    </div>
  );
}

/**
 * Without a camera a photo is chosen instead. A page over plain HTTP on another computer is given none by any browser; what is to
 * be done about that is said to the operator.
 */
function NoCamera({ onShot }: Pick<Props, "onShot">) {
  const [now, setNow] = useState<"waits" | "sends" | "refused">("waits");
  const send = (file: File) => {
    setNow("sends");
    onShot(file).then(
      (taken) => setNow(taken ? "waits" : "refused"),
      () => setNow("refused"),
    );
  };
  return (
    <div className="flex flex-col items-center gap-[5vmin] text-center">
      <p className="max-w-[16em] text-[6vmin] leading-tight font-semibold">
        {isSecureContext
          ? "The camera is not ready. Please tell somebody at the booth."
          : "This screen’s camera is only for safe pages, and this one is not yet. Send a photo instead."}
      </p>
      {now === "sends" ? (
        <p role="status" className="text-[4vmin]">
          One moment …
        </p>
      ) : (
        <FileButton
          label="A photo for this shot"
          accept="image/*"
          className="flex items-center gap-[2vmin] rounded-[2vmin] bg-white px-[5vmin] py-[2.5vmin] text-[4.5vmin] font-semibold text-ink"
          onFiles={([file]) => file && send(file)}
        >
          <ImageUp aria-hidden className="size-[5vmin]" /> Choose a photo
        </FileButton>
      )}
      {now === "refused" && (
        <p role="alert" className="text-[4vmin]">
          This one was not taken. Choose another photo.
        </p>
      )}
    </div>
  );
}

import { useEffect, useRef } from "react";

interface Keys {
  /** Whether a picture is shown that was taken. */
  isShown: boolean;
  take(): void;
  next(): void;
  again(): void;
}

/** The keys of the camera: Space takes a picture; Enter goes to the next person, R takes it again. */
export function useCameraKeys(keys: Keys): void {
  const now = useRef(keys);
  useEffect(() => {
    now.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const isField = target.matches("input, textarea, select");
      if (isField || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const { isShown, take, next, again } = now.current;
      const act = isShown
        ? { Enter: next, " ": next, r: again, R: again }[event.key]
        : { " ": take }[event.key];
      // A button that has the focus hears Enter and Space itself.
      if (!act || (target.matches("button, a, summary") && event.key.toLowerCase() !== "r")) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

import { useEffect, useRef, type RefObject } from "react";

/** A button that the keyboard goes to when it appears, where what it was on before went away with it. */
export function useFocusThatIsLost(wanted: boolean): RefObject<HTMLButtonElement | null> {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (wanted && document.activeElement === document.body) button.current?.focus();
  }, [wanted]);
  return button;
}

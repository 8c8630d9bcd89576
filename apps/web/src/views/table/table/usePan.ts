import { useEffect, type RefObject } from "react";

const MIDDLE = 1;

/** Where a space is a sign or a press, not a hold of the table. */
const OWN_SPACE =
  "input, textarea, select, button, a, [contenteditable], [role=option]:not([data-cell]), [role=radio], [role=dialog]";

/** The middle button, or any while the space bar is held, moves the table under the pointer. */
export function usePan(table: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const element = table.current;
    if (!element) return;
    let space = false;
    const hold = (held: boolean) => {
      space = held;
      element.style.cursor = held ? "grab" : "";
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== " ") return;
      if (event.type === "keyup") return hold(false);
      if ((event.target as Element).closest(OWN_SPACE)) return;
      // A held space bar would scroll the table by pages.
      event.preventDefault();
      hold(true);
    };
    const onDown = (event: PointerEvent) => {
      if (event.button !== MIDDLE && !space) return;
      event.preventDefault();
      event.stopPropagation();
      element.setPointerCapture(event.pointerId);
      element.style.cursor = "grabbing";
      const start = { x: event.clientX + element.scrollLeft, y: event.clientY + element.scrollTop };
      const onMove = (moved: PointerEvent) => {
        element.scrollLeft = start.x - moved.clientX;
        element.scrollTop = start.y - moved.clientY;
      };
      const onUp = () => {
        element.removeEventListener("pointermove", onMove);
        element.style.cursor = space ? "grab" : "";
      };
      element.addEventListener("pointermove", onMove);
      element.addEventListener("pointerup", onUp, { once: true });
      element.addEventListener("pointercancel", onUp, { once: true });
    };
    // Before the cells, which would take the press for themselves.
    element.addEventListener("pointerdown", onDown, { capture: true });
    window.addEventListener("keydown", onKey);
    window.addEventListener("keyup", onKey);
    return () => {
      element.removeEventListener("pointerdown", onDown, { capture: true });
      window.removeEventListener("keydown", onKey);
      window.removeEventListener("keyup", onKey);
    };
  }, [table]);
}

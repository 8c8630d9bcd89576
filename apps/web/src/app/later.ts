import type { Store } from "@reduxjs/toolkit";
import { createContext } from "react";
import { createSelectorHook, type ReactReduxContextValue } from "react-redux";
import { afterFrame } from "./afterFrame.ts";
import type { State } from "./store.ts";

/**
 * A store as it was when it was last on the screen. The sheet is shown in the frame after a change; lists, sums and
 * counts that follow from it need work of their own, and look here so that they follow a frame later.
 */
export function later<Of extends Pick<Store, "getState" | "subscribe">>(of: Of, shown = afterFrame): Of {
  let state: unknown = of.getState();
  let waits = false;
  const listeners = new Set<() => void>();
  of.subscribe(() => {
    if (waits) return;
    waits = true;
    shown(() => {
      waits = false;
      state = of.getState();
      for (const listener of [...listeners]) listener();
    });
  });
  return {
    ...of,
    getState: () => state,
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}

export const LaterContext = createContext<ReactReduxContextValue<State> | null>(null);

/** Looks something up in the state as it was when it was last on the screen. */
export const useLaterSelector = createSelectorHook(LaterContext).withTypes<State>();

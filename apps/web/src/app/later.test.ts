import { createStore } from "@reduxjs/toolkit";
import { describe, expect, it, vi } from "vitest";
import { later } from "./later.ts";

/** A store that counts, and its later twin with frames that are let go by hand. */
function start() {
  const store = createStore((count: number | undefined = 0, { type }: { type: string }) =>
    type === "more" ? count + 1 : count,
  );
  const frames: (() => void)[] = [];
  const behind = later(store, (then) => void frames.push(then));
  return { more: () => store.dispatch({ type: "more" }), frames, behind };
}

describe("the state as it was when it was last on the screen", () => {
  it("stays until the frame of a change has gone, and then is the newest", () => {
    const { more, frames, behind } = start();
    const told = vi.fn(() => behind.getState());
    behind.subscribe(told);
    more();
    more();
    expect(behind.getState()).toBe(0);
    expect(told).not.toHaveBeenCalled();
    // Both changes came before one frame, so it is told of them once.
    expect(frames).toHaveLength(1);
    frames[0]!();
    expect(told).toHaveBeenCalledOnce();
    expect(told).toHaveReturnedWith(2);
  });

  it("waits for the next frame after that", () => {
    const { more, frames, behind } = start();
    more();
    frames[0]!();
    more();
    expect(behind.getState()).toBe(1);
    frames[1]!();
    expect(behind.getState()).toBe(2);
  });

  it("tells nobody who has left", () => {
    const { more, frames, behind } = start();
    const told = vi.fn();
    const leave = behind.subscribe(told);
    leave();
    more();
    frames[0]!();
    expect(told).not.toHaveBeenCalled();
  });
});

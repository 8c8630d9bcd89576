import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { afterFrame } from "./afterFrame.ts";

let frames: (() => void)[];
beforeEach(() => {
  frames = [];
  vi.useFakeTimers({ toFake: ["setTimeout"] });
  vi.stubGlobal("requestAnimationFrame", (then: () => void) => frames.push(then));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** Until the messages that were posted have come. */
const turn = () => new Promise((go) => setImmediate(go)).then(() => new Promise((go) => setImmediate(go)));

describe("what is done after a frame", () => {
  it("waits until the frame has been made and handed over", async () => {
    const done = vi.fn();
    afterFrame(done);
    await turn();
    expect(done).not.toHaveBeenCalled();
    frames[0]!();
    expect(done).not.toHaveBeenCalled();
    await vi.waitFor(() => expect(done).toHaveBeenCalledOnce());
  });

  it("is done all the same in a window that makes no frames, and once if one comes in the end", async () => {
    const done = vi.fn();
    afterFrame(done);
    vi.advanceTimersByTime(49);
    expect(done).not.toHaveBeenCalled();
    vi.advanceTimersByTime(1);
    expect(done).toHaveBeenCalledOnce();
    frames[0]!();
    await turn();
    expect(done).toHaveBeenCalledOnce();
  });
});

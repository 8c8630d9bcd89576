import { monitorEventLoopDelay } from "node:perf_hooks";

const RESOLUTION = 10;
const delays = monitorEventLoopDelay({ resolution: RESOLUTION });
delays.enable();

/** The longest that nobody was answered since this was last asked, in milliseconds. */
export function longestStall(): number {
  const longest = Math.max(0, delays.max / 1e6 - RESOLUTION);
  delays.reset();
  return Math.round(longest);
}

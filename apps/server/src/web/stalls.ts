const EVERY = 10;

let longest = 0;
let last = { wall: performance.now(), work: workedFor() };
setInterval(() => {
  const now = { wall: performance.now(), work: workedFor() };
  // Where the machine gave the processor to others, the server worked less than the time that went by.
  longest = Math.max(longest, Math.min(now.wall - last.wall - EVERY, now.work - last.work));
  last = now;
}, EVERY).unref();

/** How long all threads of this process have worked, in milliseconds. */
function workedFor(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

/** The longest that nobody was answered for the server’s own work since this was last asked, in milliseconds. */
export function longestStall(): number {
  const told = longest;
  longest = 0;
  return Math.round(told);
}

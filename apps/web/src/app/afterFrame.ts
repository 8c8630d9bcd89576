/** Milliseconds after which a frame is no longer waited for: a window that is not seen makes none. */
const PATIENCE = 50;

/** Runs something once what was changed is on its way to the screen, so that it takes no time from that. */
export function afterFrame(then: () => void): void {
  let ran = false;
  const once = () => {
    if (!ran) then();
    ran = true;
  };
  // The first task after a frame runs when the page has handed it over.
  globalThis.requestAnimationFrame?.(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = once;
    port2.postMessage(null);
  });
  setTimeout(once, PATIENCE);
}

/** After which a line is opened again that the server refused, in milliseconds. */
const AGAIN = 1000;

/**
 * Follows what a server pushes for as long as it is wanted. A browser takes a line up again by itself that broke off, but gives
 * one up for good that was answered otherwise: by a server that is just starting, or by a proxy without one. Then it is
 * opened anew. `listen` is given each new line. Gives back what ends it.
 */
export function lastingSource(address: () => string, listen: (source: EventSource) => void): () => void {
  let source: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    source = new EventSource(address());
    source.addEventListener("error", () => {
      if (source.readyState !== EventSource.CLOSED) return;
      clearTimeout(timer);
      timer = setTimeout(open, AGAIN);
    });
    listen(source);
  };
  open();
  return () => {
    clearTimeout(timer);
    source.close();
  };
}

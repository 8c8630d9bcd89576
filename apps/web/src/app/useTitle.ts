import { useEffect } from "react";

/** Names the page in the browser’s tab and its history; null while it is not yet known what is seen. */
export function useTitle(seen: string | null): void {
  useEffect(() => {
    document.title = seen === null ? "Wide Quilt" : `${seen} – Wide Quilt`;
  }, [seen]);
}

import { useEffect } from "react";
import { isRouteErrorResponse, Link, useRouteError } from "react-router";
import { address } from "../api/client.ts";
import { Logo } from "../ui/Logo.tsx";
import { button } from "../ui/button.ts";

/** For an address that leads nowhere. */
export function NotHere() {
  return (
    <main className="mx-auto flex max-w-md flex-col items-start gap-4 px-6 py-24">
      <Logo />
      <h1 className="text-xl font-semibold">There is nothing at this address.</h1>
      <p className="text-ink-2">The job may have been deleted, or the address has a slip in it.</p>
      <Link to="/" className="font-semibold text-accent underline underline-offset-4">
        Go to your jobs
      </Link>
    </main>
  );
}

/** Milliseconds between two looks whether the server is back. */
const LOOK = 2000;

/** What went wrong with a page: an address that leads nowhere, a part that could not be fetched, or a fault of ours. */
export function PageFault() {
  const error = useRouteError();
  const isNowhere = isRouteErrorResponse(error) && error.status === 404;
  // A part of the page that is fetched when it is first needed: the server is away, or has a newer one.
  const isNotFetched = !isNowhere && error instanceof TypeError && /import|fetch|load/i.test(error.message);
  useEffect(() => {
    if (!isNotFetched) return;
    const timer = setInterval(() => {
      void fetch(address.health, { cache: "no-store" }).then(
        ({ ok }) => ok && location.reload(),
        () => undefined,
      );
    }, LOOK);
    return () => clearInterval(timer);
  }, [isNotFetched]);
  if (isNowhere) return <NotHere />;
  return (
    <main className="mx-auto flex max-w-md flex-col items-start gap-4 px-6 py-24">
      <Logo />
      <h1 role="alert" className="text-xl font-semibold">
        {isNotFetched ? "Wide Quilt’s server does not answer." : "Something went wrong on this page."}
      </h1>
      <p className="text-ink-2">
        {isNotFetched
          ? "What was saved is kept. This page comes by itself when the server is there again; start it with npm start."
          : "What was saved is kept, and what was not is kept in this browser. Load the page again."}
      </p>
      <div className="flex gap-2">
        <button type="button" className={button.main} onClick={() => location.reload()}>
          Load again
        </button>
        <Link to="/" reloadDocument className={button.plain}>
          Go to your jobs
        </Link>
      </div>
    </main>
  );
}

import { Link } from "react-router";
import { Logo } from "../ui/Logo.tsx";

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

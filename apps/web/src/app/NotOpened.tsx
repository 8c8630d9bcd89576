import { Link } from "react-router";

/** A job that could not be put on the table, and why. */
export function NotOpened({ why }: { why: string }) {
  return (
    <main className="mx-auto max-w-md px-6 py-24">
      <p role="alert" className="mb-4 text-lg">
        {why}
      </p>
      <Link to="/" className="font-semibold text-accent underline underline-offset-4">
        Go to your jobs
      </Link>
    </main>
  );
}

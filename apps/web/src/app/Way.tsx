import { Fragment, type ReactNode } from "react";
import { Link } from "react-router";
import { Logo } from "../ui/Logo.tsx";

/** Where one is: the house, then each step of the way, the last one being the page itself. */
export function Way({ steps }: { steps: readonly ReactNode[] }) {
  return (
    <>
      <Link to="/" aria-label="Wide Quilt, all jobs" className="flex shrink-0 items-center gap-3.5">
        <Logo />
        <strong className="text-[15px] font-[680] max-[1100px]:sr-only">Wide Quilt</strong>
      </Link>
      <nav aria-label="Where you are" className="flex min-w-0 items-center gap-3.5 overflow-clip">
        {steps.map((step, i) => (
          <Fragment key={i}>
            <span aria-hidden className="text-edge">
              /
            </span>
            {step}
          </Fragment>
        ))}
      </nav>
    </>
  );
}

export const WayToJobs = () => (
  <Link to="/" className="hover:underline">
    Jobs
  </Link>
);

export const WayToJob = ({ id, name }: { id: string; name: string }) => (
  <Link to={`/jobs/${id}`} className="truncate hover:underline">
    {name}
  </Link>
);

export const WayToPatterns = () => (
  <Link to="/patterns" className="shrink-0 hover:underline">
    Pattern book
  </Link>
);

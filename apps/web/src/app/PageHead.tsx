import type { ReactNode } from "react";
import { Way } from "./Way.tsx";

interface Props {
  /** What the page is: the last step of the way. */
  title: string;
  /** The steps that lead to it, each with a key. */
  under?: readonly ReactNode[];
  className?: string;
  /** What can be done here, at the right. */
  children?: ReactNode;
}

/** The head of a page: where one is, and what can be done there. */
export function PageHead({ title, under = [], className = "", children }: Props) {
  return (
    <header
      className={`flex h-12 min-w-0 items-center gap-3.5 border-b border-line bg-white px-4 ${className}`}
    >
      <Way
        steps={[
          ...under,
          <h1 key="here" className="font-semibold">
            {title}
          </h1>,
        ]}
      />
      <span className="grow" />
      {children}
    </header>
  );
}

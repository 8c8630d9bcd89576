import { JOB_KINDS, type Kind } from "@wide-quilt/core";
import { ArrowRight } from "lucide-react";
import { KindPicture } from "./KindPicture.tsx";

/** Where a job is started: from what it is to become. */
export function StartJob({ onStart }: { onStart(kind: Kind, name: string): void }) {
  return (
    <section aria-labelledby="start">
      <h2 id="start" className="mb-4 text-[15px] font-semibold">
        Start a job
      </h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(380px,1fr))] gap-4">
        {JOB_KINDS.map(({ name, title, about }) => (
          <button
            key={name}
            type="button"
            className="gently group flex max-w-[620px] items-center gap-5 rounded-lg border border-line bg-white p-4 text-left transition-colors hover:border-accent"
            onClick={() => onStart(name, title)}
          >
            <KindPicture kind={name} />
            <span className="grow">
              <span className="block text-[16px] font-semibold">{title}</span>
              <span className="mt-0.5 block text-[13px] text-ink-2">{about}</span>
            </span>
            <ArrowRight size={20} aria-hidden className="shrink-0 text-accent" />
          </button>
        ))}
      </div>
    </section>
  );
}

import { X } from "lucide-react";

/** Files that were not brought in, each with its reason. */
export function Refused({ refused, onClose }: { refused: { name: string; why: string }[]; onClose(): void }) {
  return (
    <section
      role="alert"
      aria-label="Not brought in"
      className="mt-3 max-h-48 overflow-y-auto rounded-lg bg-wrong-soft p-3 text-[12.5px]"
    >
      <div className="mb-1 flex items-start justify-between">
        <h3 className="font-semibold text-wrong">
          {refused.length === 1
            ? "One file was not brought in"
            : `${refused.length} files were not brought in`}
        </h3>
        <button type="button" aria-label="Close" className="rounded p-0.5 hover:bg-white" onClick={onClose}>
          <X size={14} aria-hidden />
        </button>
      </div>
      <ul className="flex flex-col gap-1.5">
        {refused.map(({ name, why }, i) => (
          <li key={i}>
            <b className="font-semibold break-all">{name}</b>: {why}
          </li>
        ))}
      </ul>
    </section>
  );
}

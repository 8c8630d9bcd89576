import type { KeptPart } from "@wide-quilt/server/contract";
import { Trash2 } from "lucide-react";
import { server } from "../../api/client.ts";
import { failureOf, keptNow, useKeptQuery } from "../../api/queries.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { useDoing } from "../../app/useDoing.ts";
import { button } from "../../ui/button.ts";
import { fileSize } from "../../words/words.ts";

/** How the parts of what is kept are called, and what is to be known of them. */
const PARTS: Record<KeptPart["what"], { title: string; about: string }> = {
  photos: { title: "Photos", about: "in jobs, patterns and runs, or brought back by an undo" },
  "unused photos": {
    title: "Photos that nothing uses",
    about: "in no job, pattern or run, and in no step that could be undone",
  },
  graphics: { title: "Graphics", about: "stamps, overlays, backings, watermarks" },
  "unused graphics": { title: "Graphics that nothing uses", about: "in no job, pattern or run" },
  previews: { title: "Previews", about: "made again when they are missing" },
  "written files": { title: "Written files", about: "yours; delete them where they lie" },
  database: { title: "Jobs, steps and runs", about: "the database" },
  copies: { title: "Copies from before upgrades", about: "for going back to an older Wide Quilt" },
};

/** What is kept in the data folder and how much room it takes; what nothing uses can be cleared. */
export function KeptCard() {
  const doing = useDoing();
  const dispatch = useAppDispatch();
  const { data: kept, error } = useKeptQuery();
  const failure = failureOf(error);
  const clear = ({ what, bytes }: KeptPart) =>
    void doing(async () => dispatch(keptNow(await server.clearKept(what))), {
      said: `${fileSize(bytes)} were cleared. Nothing that anything uses was touched.`,
    });
  return (
    <section aria-labelledby="kept">
      <h2 id="kept" className="mb-1 text-[15px] font-semibold">
        What is kept here
      </h2>
      {!kept ? (
        <p className={`text-[13px] ${failure ? "text-wrong" : "text-ink-3"}`}>{failure ?? "Counting …"}</p>
      ) : (
        <>
          <p className="mb-2 text-[12.5px] break-all text-ink-2">In {kept.folder}</p>
          <ul className="flex flex-col divide-y divide-line rounded-lg border border-line bg-white">
            {kept.parts
              .filter(({ count }) => count > 0)
              .map((part) => (
                <li key={part.what} className="flex items-center gap-2 px-3 py-2">
                  <span className="min-w-0 grow">
                    <span className="block text-[13.5px] font-semibold">{PARTS[part.what].title}</span>
                    <span className="block text-[12px] text-ink-2">{PARTS[part.what].about}</span>
                  </span>
                  <span className="measure shrink-0 text-right text-[12.5px]">
                    {fileSize(part.bytes)}
                    {part.what !== "database" && <span className="block text-ink-2">{part.count}</span>}
                  </span>
                  {part.clears && (
                    <button
                      type="button"
                      aria-label={`Clear: ${PARTS[part.what].title}`}
                      title="Clear"
                      className={button.quiet}
                      onClick={() => clear(part)}
                    >
                      <Trash2 size={15} aria-hidden />
                    </button>
                  )}
                </li>
              ))}
          </ul>
        </>
      )}
    </section>
  );
}

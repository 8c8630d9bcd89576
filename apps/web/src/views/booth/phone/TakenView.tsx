import { Download } from "lucide-react";
import { useParams } from "react-router";
import { address } from "../../../api/client.ts";
import { failureOf, useTakenSetQuery } from "../../../api/queries.ts";
import { useTitle } from "../../../app/useTitle.ts";

/** A set on a guest’s telephone: its strip, its photos, and a moving picture of them, to be kept. */
export function TakenView() {
  const { link = "" } = useParams();
  const { data: view, error } = useTakenSetQuery(link);
  const failure = failureOf(error);
  useTitle(view?.name ?? "Your photos");
  if (!view)
    return (
      <main className="flex min-h-screen items-center justify-center p-6 text-center text-[19px]">
        {failure ? <p role="alert">{failure}</p> : <p className="text-ink-2">One moment …</p>}
      </main>
    );
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col gap-6 p-5">
      <header>
        <h1 className="text-[26px] leading-tight font-[680] break-words">{view.name}</h1>
        <p className="mt-1 text-[17px] text-ink-2">
          Your photos, as long as the event lasts. Keep what you like.
        </p>
      </header>
      <Kept
        title="Your print"
        source={address.taken(link, "page")}
        file={`${view.name}, set ${view.set}.jpg`}
        frame="bg-table p-5"
      />
      {view.moves && (
        <Kept
          title="The moving picture"
          source={address.taken(link, "moving")}
          file={`${view.name}, set ${view.set}.gif`}
        />
      )}
      {view.shots.map((place) => (
        <Kept
          key={place}
          title={`Shot ${place}`}
          source={address.taken(link, `shots/${place}`)}
          file={`${view.name}, set ${view.set}, shot ${place}.jpg`}
        />
      ))}
    </main>
  );
}

interface KeptProps {
  title: string;
  source: string;
  file: string;
  frame?: string;
}

/** A picture, and the way to keep it. */
function Kept({ title, source, file, frame = "bg-chrome" }: KeptProps) {
  return (
    <section aria-label={title} className="overflow-hidden rounded-xl border border-line bg-white">
      <div className={`flex min-h-32 justify-center ${frame}`}>
        <img src={source} alt={title} loading="lazy" className="max-h-[70vh] max-w-full" />
      </div>
      <a
        href={source}
        download={file}
        className="flex items-center justify-center gap-2 p-4 text-[17px] font-semibold text-accent"
      >
        <Download size={20} aria-hidden /> Keep {title.toLowerCase()}
      </a>
    </section>
  );
}

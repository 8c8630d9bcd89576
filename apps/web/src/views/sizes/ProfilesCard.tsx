import type { ProfileView } from "@wide-quilt/server/contract";
import { Trash2 } from "lucide-react";
import { server } from "../../api/client.ts";
import { useDoing } from "../../app/useDoing.ts";
import { AddProfile } from "../../places/AddProfile.tsx";
import { button } from "../../ui/button.ts";

/** The colour profiles that sheets can be written for. */
export function ProfilesCard({ profiles }: { profiles: readonly ProfileView[] }) {
  const doing = useDoing();
  return (
    <section aria-labelledby="profiles">
      <div className="mb-2 flex items-center justify-between">
        <h2 id="profiles" className="text-[15px] font-semibold">
          Colour profiles
        </h2>
        <AddProfile label="Add one" className={button.plain} />
      </div>
      <ul className="flex flex-col divide-y divide-line rounded-lg border border-line bg-white">
        {profiles.map(({ id, name, space, about, own }) => (
          <li key={id} className="flex items-center gap-2 px-3 py-2">
            <span className="min-w-0 grow">
              <span className="block truncate text-[13.5px] font-semibold">{name}</span>
              <span className="block text-[12px] text-ink-2">
                {space}, {about}
              </span>
            </span>
            {own && (
              <button
                type="button"
                aria-label={`Take out ${name}`}
                className={button.quiet}
                onClick={() => void doing(() => server.removeProfile(id), { changes: "profiles" })}
              >
                <Trash2 size={15} aria-hidden />
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

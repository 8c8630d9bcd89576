import type { KeptStyle, StyleChange } from "@wide-quilt/core";
import type { StyleView } from "@wide-quilt/server/contract";
import { Trash2 } from "lucide-react";
import { server } from "../../../api/client.ts";
import { useStylesQuery } from "../../../api/queries.ts";
import { useDoing } from "../../../app/useDoing.ts";
import { NameAsk } from "../../../ui/NameAsk.tsx";

interface Props {
  title: string;
  shipped: readonly KeptStyle[];
  only?(style: StyleView): boolean;
  /** The name of the one that is on. */
  on?: string;
  onChoose(style: KeptStyle): void;
}

/** Styles that come with the program and those that were kept, to choose from. */
export function KeptStyles({ title, shipped, only = () => true, on, onChoose }: Props) {
  const doing = useDoing();
  const { data: kept = [] } = useStylesQuery();
  const own = kept.filter(only);
  return (
    <div className="flex flex-col gap-1">
      <h3 className="text-[12px] text-ink-3">{title}</h3>
      <ul className="-mx-2">
        {own.map((kept) => (
          <li key={kept.id} className="flex items-center">
            <Choose
              name={kept.name}
              about="kept by you"
              on={kept.name === on}
              onClick={() => onChoose({ ...kept, about: "" })}
            />
            <button
              type="button"
              aria-label={`Forget ${kept.name}`}
              title={`Forget ${kept.name}`}
              className="rounded p-1.5 text-ink-3 hover:bg-chrome hover:text-wrong"
              onClick={() => void doing(() => server.deleteStyle(kept.id), { changes: "styles" })}
            >
              <Trash2 size={14} aria-hidden />
            </button>
          </li>
        ))}
        {shipped.map((kept) => (
          <li key={kept.name}>
            <Choose
              name={kept.name}
              about={kept.about}
              on={kept.name === on}
              onClick={() => onChoose(kept)}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

function Choose({ name, about, on, onClick }: { name: string; about: string; on: boolean; onClick(): void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      className="w-full rounded-md px-2 py-1.5 text-left text-[13px] hover:bg-chrome aria-pressed:bg-accent-soft aria-pressed:font-semibold aria-pressed:text-accent"
      onClick={onClick}
    >
      {name}
      <span className="block text-[12px] font-normal text-ink-2">{about}</span>
    </button>
  );
}

/** Asks for a name and keeps a style under it. */
export function KeepStyle({ style, label }: { style: StyleChange; label: string }) {
  const doing = useDoing();
  return (
    <NameAsk
      label={label}
      placeholder="Name to keep it under"
      onName={(name) => void doing(() => server.keepStyle(name, style), { changes: "styles" })}
    />
  );
}

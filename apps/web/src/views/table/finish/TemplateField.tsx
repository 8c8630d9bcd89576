import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { FIELDS } from "@wide-quilt/core";
import { Braces } from "lucide-react";
import { useRef, useState } from "react";
import { useAppSelector } from "../../../app/hooks.ts";
import { newId } from "../../../app/ids.ts";

interface Props {
  label: string;
  value: string;
  rows?: number;
  placeholder?: string;
  onChange(text: string, gesture: string): void;
}

/** Text with fields in square brackets, and a menu that puts them in where the cursor is. */
export function TemplateField({ label, value, rows = 2, placeholder, onChange }: Props) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [gesture, setGesture] = useState(() => newId());
  const list = useAppSelector((state) => state.openJob.job?.list);
  const columns = [...new Set(Object.values(list ?? {}).flatMap((row) => Object.keys(row)))];
  const insert = (name: string) => {
    const at = field.current?.selectionStart ?? value.length;
    const end = field.current?.selectionEnd ?? at;
    onChange(`${value.slice(0, at)}[${name}]${value.slice(end)}`, newId());
    const cursor = at + name.length + 2;
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(cursor, cursor);
    });
  };
  return (
    <div className="flex flex-col gap-1">
      <span className="flex items-end justify-between gap-2">
        <span className="text-[12.5px] text-ink-2" aria-hidden>
          {label}
        </span>
        <Menu>
          <MenuButton className="flex shrink-0 items-center gap-1 rounded px-1.5 py-0.5 text-[12px] font-semibold text-accent hover:bg-accent-soft">
            <Braces size={13} aria-hidden /> Put a field in
          </MenuButton>
          <MenuItems
            anchor={{ to: "bottom end", gap: 4, padding: 12 }}
            className="z-40 max-h-[380px] w-[300px] overflow-auto rounded-lg border border-line bg-white p-1.5 shadow-xl"
          >
            {columns.map((name) => (
              <Item key={`list ${name}`} name={name} about="from the list" onClick={() => insert(name)} />
            ))}
            {FIELDS.flatMap(({ name, about, ways }) => [
              <Item key={name} name={name} about={about} onClick={() => insert(name)} />,
              ...(ways ?? [])
                .slice(1)
                .map((way) => (
                  <Item
                    key={`${name} ${way}`}
                    name={`${name}, ${way}`}
                    about=""
                    onClick={() => insert(`${name}, ${way}`)}
                  />
                )),
            ])}
          </MenuItems>
        </Menu>
      </span>
      <textarea
        ref={field}
        aria-label={label}
        rows={rows}
        value={value}
        placeholder={placeholder}
        spellCheck={false}
        maxLength={2000}
        className="w-full resize-y rounded-md border border-edge bg-white px-2 py-1.5 text-[13px]"
        onFocus={() => setGesture(newId())}
        onChange={(event) => onChange(event.target.value, gesture)}
      />
    </div>
  );
}

function Item({ name, about, onClick }: { name: string; about: string; onClick(): void }) {
  return (
    <MenuItem>
      <button
        type="button"
        className="flex w-full items-baseline justify-between gap-3 rounded px-2 py-1 text-left text-[13px] data-focus:bg-accent-soft"
        onClick={onClick}
      >
        <span className="measure shrink-0">[{name}]</span>
        <span className="truncate text-[12px] text-ink-3">{about}</span>
      </button>
    </MenuItem>
  );
}

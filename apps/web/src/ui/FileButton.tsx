import { useRef, type ReactNode } from "react";

interface Props {
  /** What kind of file it asks for, for those who do not see it. */
  label: string;
  accept: string;
  multiple?: boolean;
  className: string;
  children: ReactNode;
  onFiles(files: File[]): void;
}

/** A button that asks for files. */
export function FileButton({ label, accept, multiple = false, className, children, onFiles }: Props) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        multiple={multiple}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = "";
          if (files.length > 0) onFiles(files);
        }}
      />
      <button type="button" className={className} onClick={() => chooser.current?.click()}>
        {children}
      </button>
    </>
  );
}

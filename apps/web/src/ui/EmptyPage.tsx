import type { LucideIcon } from "lucide-react";
import type { ReactNode } from "react";

interface Props {
  icon: LucideIcon;
  title: string;
  /** What to do next. */
  children: ReactNode;
}

/** What a page says that has nothing to show yet. */
export function EmptyPage({ icon: Icon, title, children }: Props) {
  return (
    <div className="mx-auto mt-16 flex max-w-md flex-col items-center gap-3 text-center">
      <Icon size={34} aria-hidden className="text-ink-3" />
      <p className="text-[16px] font-semibold">{title}</p>
      {children}
    </div>
  );
}

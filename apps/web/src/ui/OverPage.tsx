import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";

interface Props {
  title: string;
  open: boolean;
  onClose(): void;
  wide?: boolean;
  children: ReactNode;
}

/** A panel over the page, for what is looked at and closed again. */
export function OverPage({ title, open, onClose, children, wide = false }: Props) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel
          className={`max-h-full w-full overflow-auto rounded-xl bg-white p-6 shadow-2xl ${wide ? "max-w-[820px]" : "max-w-xl"}`}
        >
          <div className="mb-4 flex items-center justify-between">
            <DialogTitle className="text-lg font-semibold">{title}</DialogTitle>
            <button
              type="button"
              aria-label="Close"
              className="rounded p-1.5 text-ink-3 hover:bg-chrome"
              onClick={onClose}
            >
              <X size={18} aria-hidden />
            </button>
          </div>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

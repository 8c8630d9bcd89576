const BASE =
  "gently relative inline-flex shrink-0 items-center justify-center gap-2 rounded-[7px] border px-3 py-1.5 text-[13px] font-semibold whitespace-nowrap transition-colors disabled:cursor-not-allowed disabled:opacity-45";

/** The looks of a button, for whatever element is one. */
export const button = {
  plain: `${BASE} border-line bg-white text-ink enabled:hover:border-edge [a&]:hover:border-edge`,
  main: `${BASE} border-accent bg-accent text-white enabled:hover:bg-accent-deep [a&]:hover:bg-accent-deep`,
  look: `${BASE} border-[#e6d08a] bg-look-soft text-look enabled:hover:border-look`,
  quiet: `${BASE} border-transparent text-accent enabled:hover:bg-accent-soft`,
  danger: `${BASE} border-wrong bg-white text-wrong enabled:hover:bg-wrong-soft`,
} as const;

export const Logo = ({ size = 26 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 26 26" aria-hidden className="shrink-0">
    <rect width="26" height="26" rx="5" fill="#34409c" />
    <g fill="#fff">
      <path d="M4 4h8v8z" />
      <path d="M22 4v8h-8z" opacity=".75" />
      <path d="M22 22h-8v-8z" />
      <path d="M4 22v-8h8z" opacity=".75" />
    </g>
  </svg>
);

/** What is accepted as a photo. A larger one is refused with a sentence that states these figures. */
export const PHOTO_LIMITS = {
  /** Bytes of one file. */
  bytes: 512 * 1024 * 1024,
  /** Pixels of one photo: a medium-format back has 150 million. */
  pixels: 250_000_000,
} as const;

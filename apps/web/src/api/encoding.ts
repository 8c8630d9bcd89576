/** An encoding of text that a list was saved in, as people call it. */
interface Encoding {
  name: string;
  /** By the Encoding Standard. */
  label: string;
  /** Whether text that was read so looks as if it were so; `bytes` are those above ASCII. */
  isLikely(text: string, high: Uint8Array): boolean;
}

const share = (text: string, those: RegExp): number => {
  const others = [...text].filter((sign) => sign > "\u007f");
  return others.filter((sign) => those.test(sign)).length / Math.max(1, others.length);
};

/** Everyday ideographs have first bytes up to D7 (GB 2312, level 1); Cyrillic small letters would be read as rare ones. */
const EVERYDAY = [0xb0, 0xd7] as const;

/**
 * In this order: Japanese is known by its kana, Korean by its syllables, Chinese by everyday ideographs. Whatever else has
 * its letters in runs is Cyrillic, and what has them one by one is Western European, where every byte is some letter.
 */
const ENCODINGS: readonly Encoding[] = [
  {
    name: "Shift-JIS",
    label: "shift_jis",
    isLikely: (text) =>
      share(text, /[\u3000-\u30ff\u4e00-\u9fff\uff00-\uff9f]/) > 0.95 && /[\u3040-\u30ff]/.test(text),
  },
  {
    name: "EUC-KR",
    label: "euc-kr",
    isLikely: (text) => share(text, /[\uac00-\ud7a3\u3000-\u303f]/) > 0.95,
  },
  {
    name: "GBK",
    label: "gb18030",
    isLikely: (text, high) => {
      const firsts = high.filter((_, i) => i % 2 === 0);
      const everyday = firsts.filter((byte) => byte >= EVERYDAY[0] && byte <= EVERYDAY[1]);
      return (
        share(text, /[\u3000-\u303f\u4e00-\u9fff\uff00-\uffef]/) > 0.95 &&
        everyday.length / firsts.length > 0.6
      );
    },
  },
  {
    name: "Shift-JIS",
    label: "shift_jis",
    isLikely: (text) => share(text, /[\u3000-\u30ff\u4e00-\u9fff\uff00-\uff60]/) > 0.95,
  },
  {
    name: "Windows-1251",
    label: "windows-1251",
    isLikely: (text) => share(text, /[\u0400-\u045f№«»–—]/) > 0.9,
  },
];

/** Up to so many of the letters above ASCII stand beside another in Western European text. */
const BESIDE = 0.4;

export const WESTERN = "Windows-1252";

/** Finds out what text without a mark, that is no UTF-8, was saved in. Gives back the text and the encoding's name. */
export function textByGuess(bytes: Uint8Array): { text: string; name: string } {
  const isHigh = (at: number) => (bytes[at] ?? 0) >= 0x80;
  const high = bytes.filter((byte) => byte >= 0x80);
  const beside = bytes.reduce(
    (sum, _, at) => sum + (isHigh(at) && (isHigh(at - 1) || isHigh(at + 1)) ? 1 : 0),
    0,
  );
  if (beside / Math.max(1, high.length) > BESIDE) {
    for (const { name, label, isLikely } of ENCODINGS) {
      try {
        const text = new TextDecoder(label, { fatal: true }).decode(bytes);
        if (isLikely(text, high)) return { text, name };
      } catch {
        // Not so, then.
      }
    }
  }
  return { text: new TextDecoder("windows-1252").decode(bytes), name: WESTERN };
}

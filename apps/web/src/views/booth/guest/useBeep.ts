import { useCallback, useRef, useState } from "react";

/** Hertz and seconds of a short tone. */
const TONE = { count: [660, 0.09], go: [990, 0.22] } as const;

/** Short tones for the countdown, which can be turned off. */
export function useBeep(): { isOn: boolean; turn(): void; beep(which: keyof typeof TONE): void } {
  const [isOn, setOn] = useState(true);
  const context = useRef<AudioContext | null>(null);
  const beep = useCallback(
    (which: keyof typeof TONE) => {
      if (!isOn || !("AudioContext" in globalThis)) return;
      const audio = (context.current ??= new AudioContext());
      const [pitch, length] = TONE[which];
      const gain = audio.createGain();
      gain.gain.setValueAtTime(0.2, audio.currentTime);
      gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + length);
      const tone = audio.createOscillator();
      tone.frequency.value = pitch;
      tone.connect(gain).connect(audio.destination);
      tone.start();
      tone.stop(audio.currentTime + length);
    },
    [isOn],
  );
  return { isOn, turn: useCallback(() => setOn((before) => !before), []), beep };
}
